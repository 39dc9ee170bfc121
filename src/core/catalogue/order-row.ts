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
}
