export { depthOf, EVENT_KINDS, STRETCH_NAMES, STRETCHES, type EventKind, type Stretch } from './stretch';
export { countFunnel, type DepthCount, type Funnel, type FunnelStretch } from './count-funnel';
export { LEAST_SESSIONS, sizeLosses, worthOfOnePoint, type Loss } from './size-losses';
