import type { ProductCard } from '~/core/catalogue';
import type { Weights } from './related';

/** A suggestion; `why` is for the shop’s own people. */
export interface SuggestedCard extends ProductCard {
  readonly why?: string;
}

/** What is suggested near products, and in whose sight. */
export interface SuggestionRule {
  /** Slugs of what is looked at, in the cart or bought. */
  readonly near: readonly string[];
  readonly cartToken: string | null;
  readonly most: number;
  /** Whether the owner's picks come first; without, only what is near. */
  readonly picks: boolean;
  /** What fills up where there are too few: what is near, then what sells best. */
  readonly fills: readonly ('near' | 'best')[];
  readonly weights?: Weights;
  /** A tag whose products are left out; empty: none. */
  readonly never: string;
  readonly explains: boolean;
}

/** The better one of a product: what is different about it, and what it costs more; less where that is below zero. */
export interface BetterCard {
  readonly card: ProductCard;
  readonly changes: readonly string[];
  readonly moreMinor: number;
}
