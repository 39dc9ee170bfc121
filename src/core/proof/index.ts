export { layered } from './ground';
export { contrastRatio, LEAST_CONTRAST, nearestPassing } from './contrast';
export { findProblems } from './find-problems';
export type {
  ControlUse,
  DrawnBox,
  MeasuredControl,
  MeasuredSurface,
  MeasuredText,
  PageMeasure,
  PlaceInPiece,
} from './page-measure';
export { CHECK_KEYS, problemKey, type CheckKey, type ProofProblem } from './problem';
