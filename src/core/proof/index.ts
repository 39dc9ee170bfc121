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
export { problemKey, type CheckKey, type ProofProblem } from './problem';
