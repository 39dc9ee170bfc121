export { layered } from './ground';
export { contrastRatio, LEAST_CONTRAST, nearestPassing } from './contrast';
export { findProblems } from './find-problems';
export { textsByPlace, type Compared } from './languages';
export type {
  ControlUse,
  DeadReason,
  DrawnBox,
  MeasuredControl,
  MeasuredMark,
  MeasuredShift,
  MeasuredSum,
  MeasuredSurface,
  MeasuredText,
  PageMeasure,
  PlaceInPiece,
} from './page-measure';
export { CHECK_KEYS, problemKey, type CheckKey, type ProofProblem } from './problem';
