/** A figure as the bench prints it, with what it is held against. */
export const line = (name: string, figure: string, reference = '') =>
  console.log(`${name.padEnd(52)} ${figure.padStart(16)}   ${reference}`);
/** Nearest rank: the smallest time that so large a part of them does not exceed. */
export const quantile = (times: readonly number[], part: number) =>
  [...times].sort((a, b) => a - b)[Math.max(0, Math.ceil(times.length * part) - 1)]!;
export const ms = (value: number) => `${value.toFixed(1)} ms`;
