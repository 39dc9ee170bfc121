/** What a page that thanks says of its order. */
export interface ThanksShown {
  /** Where its forms are sent. */
  readonly action: string;
  readonly name: string;
  readonly number: string;
  readonly orderedOn: string;
  /** What has become of it; the last is what counts now. */
  readonly states: readonly string[];
  /** What a press just did, or why not. */
  readonly said: string | null;
  readonly lines: readonly {
    readonly quantity: number;
    readonly name: string;
    readonly notes: readonly string[];
    readonly amount: string;
    /** Before offers; null where none lowers it. */
    readonly was: string | null;
  }[];
  /** That less was charged than shown; null: it was not. */
  readonly cameOff: string | null;
  readonly sums: readonly { readonly kind: string; readonly label: string; readonly amount: string }[];
  readonly address: readonly string[];
  readonly delivery: { readonly name: string; readonly days: string } | null;
  readonly email: string;
  readonly note: string;
  readonly downloads: readonly {
    readonly name: string;
    readonly left: string;
    /** null: used up. */
    readonly action: string | null;
  }[];
  readonly offer: AfterOfferShown | null;
  /** What was added, where something was: what was charged for it. */
  readonly added: string | null;
  readonly code: string | null;
  readonly canReorder: boolean;
  /** What an offer of its own takes off ordering again, as it is read; null: none. */
  readonly reorderOff: string | null;
  /** Names of the months, where the buyer is to be asked. */
  readonly months: readonly string[] | null;
  readonly mail: string | null;
  readonly voices: readonly {
    readonly text: string;
    readonly author: string;
    readonly product: string;
    readonly href: string;
  }[];
  /** Texts of the owner's, as HTML that is safe. */
  readonly nextHtml: string;
  readonly messageHtml: string;
  readonly backHref: string;
}

export interface AfterOfferShown {
  readonly name: string;
  /** What its options are answered with: “Printing: None”. */
  readonly answers: readonly string[];
  readonly picture: { readonly src: string; readonly alt: string } | null;
  readonly full: string;
  readonly price: string;
  readonly isLess: boolean;
  /** As a clock of the shop says it, and for machines (ISO 8601). */
  readonly time: string;
  readonly until: string;
  /** Milliseconds, when the page was drawn. */
  readonly leftMs: number;
  readonly totalMinor: number;
  /** By its number; the popup is shown once for each. */
  readonly order: string;
}
