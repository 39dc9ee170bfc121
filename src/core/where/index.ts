export { summariseWhere, visitsToldApart, type Judges, type WhereSummary } from './summary';
export { LISTS, ownPageName, readPageName, tagName, type PageName } from './page-names';
export { MEDIA_OF, deviceOf, isSeen, type Visit } from './who-sees';
export type { Device, PageKind, Scope, Where } from './where.schema';
