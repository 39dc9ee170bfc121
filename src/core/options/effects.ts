/** One amount an answer adds to its line: for each unit, or once. */
export interface OptionEffect {
  readonly key: string;
  readonly label: string;
  readonly per: 'unit' | 'once';
  readonly amountMinor: number;
}

/** What the effects make of one unit and of the line once, in minor units. */
export function effectSums(effects: readonly OptionEffect[]): { unitMinor: number; onceMinor: number } {
  let [unitMinor, onceMinor] = [0, 0];
  for (const { per, amountMinor } of effects)
    if (per === 'unit') unitMinor += amountMinor;
    else onceMinor += amountMinor;
  return { unitMinor, onceMinor };
}
