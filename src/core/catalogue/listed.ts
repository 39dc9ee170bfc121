import type { ProductCard } from './product';

/** A page of the products of a selection. */
export interface CardsOfPage {
  readonly cards: readonly ProductCard[];
  readonly total: number;
  readonly pages: number;
  /** The last page shown. */
  readonly page: number;
}

export interface WantedPage {
  /** From 1; beyond the last one the last is shown. */
  readonly page: number;
  readonly pageSize: number;
  /** With the pages before it. */
  readonly fromFirst?: boolean;
}

export interface RowsShape {
  /** A row for each variant, or for each product: its cheapest. */
  readonly rows: 'variant' | 'product';
  /** With categories and attributes. */
  readonly described: boolean;
}

/** A product in its owner's list, shown in the shop or not. */
export interface ListedProduct {
  readonly slug: string;
  readonly name: string;
  readonly shortText: string;
  readonly isShown: boolean;
  readonly hasOptions: boolean;
  readonly variants: number;
  readonly fromMinor: number;
  readonly toMinor: number;
  /** What is left of all variants; null where one of them is not counted. */
  readonly stock: number | null;
  readonly picture: string | null;
}
