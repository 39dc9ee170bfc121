/** One amount an answer adds to its line: for each unit, or once. */
export interface OptionEffect {
  readonly key: string;
  readonly label: string;
  readonly per: 'unit' | 'once';
  readonly amountMinor: number;
}

/** What the effects make of one unit and of the line once, in minor units. */
export function effectSums(effects: readonly OptionEffect[]): { unitMinor: number; onceMinor: number } {
  const sum = (per: 'unit' | 'once') =>
    effects.filter((effect) => effect.per === per).reduce((total, effect) => total + effect.amountMinor, 0);
  return { unitMinor: sum('unit'), onceMinor: sum('once') };
}
