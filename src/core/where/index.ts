export { summariseWhere, type WhereSummary } from './summary';
export { MEDIA_OF, deviceOf, whoSees, type Visit, type WhereAnswer } from './who-sees';
export type { Device, PageKind, Scope, Where } from './where.schema';
