import type { Backtest, TestedOrder } from '~/core/pricing';

/** What the trial of an offer on past orders answers. */
export type TestedAnswer = Omit<Backtest, 'got'> & {
  readonly got: number;
  readonly told: readonly TestedOrder[];
  readonly shares: readonly { readonly from: number | null; readonly before: number; readonly after: number }[];
};
