/** What a change of the currency does, before it is done. Sums in minor units of their currency. */
export interface CurrencyPlan {
  readonly from: string;
  readonly to: string;
  readonly products: number;
  readonly offers: number;
  readonly zones: number;
  readonly examples: readonly { readonly name: string; readonly fromMinor: number; readonly toMinor: number }[];
  /** Paid orders, which keep the currency they were paid in. */
  readonly orders: number;
}

/** What a change of the time zone does, before it is done. */
export interface ZonePlan {
  readonly from: string;
  readonly to: string;
  /** The shop's day and time in both zones. */
  readonly now: { readonly before: string; readonly after: string };
  /** Paid orders that are on another day then. */
  readonly orders: number;
  /** Offers that begin or end at a time of day: they keep it, and so begin or end at another moment. */
  readonly offers: readonly {
    readonly name: string;
    readonly edge: 'from' | 'until';
    readonly local: string;
    readonly before: string;
    readonly after: string;
  }[];
}
