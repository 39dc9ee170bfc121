/** A variant as a row to order from. */
export interface OrderRow {
  readonly variantId: number;
  readonly slug: string;
  readonly name: string;
  readonly choices: string;
  readonly sku: string;
  readonly shortText: string;
  readonly priceMinor: number;
  /** null: not counted. */
  readonly stock: number | null;
  /** Whether its options must be answered before it can be added. */
  readonly isOpen: boolean;
  readonly picture: string | null;
  /** What tells the variant from others, by the name of the choice: Size, Sail. */
  readonly axes: Readonly<Record<string, string>>;
  /** Names of the categories it is in; only where they were asked for. */
  readonly categories: readonly string[];
  /** Of five; null: nobody said. */
  readonly stars: number | null;
  /** What it is like, by name; only where it was asked for. */
  readonly attributes: Readonly<Record<string, string>>;
}
