export { contrastRatio, LEAST_CONTRAST, nearestPassing } from './contrast';
