export { summariseWhere, type WhereSummary } from './summary';
export { MEDIA_OF, deviceOf, isSeen, type Visit } from './who-sees';
export type { Device, PageKind, Scope, Where } from './where.schema';
