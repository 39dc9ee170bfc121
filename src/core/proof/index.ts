export { contrastRatio, nearestPassing } from './contrast';
