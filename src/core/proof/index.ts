export { layered } from './ground';
export { contrastRatio, LEAST_CONTRAST, nearestPassing } from './contrast';
