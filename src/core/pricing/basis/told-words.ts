import type { LineSelection } from './selection';

/** What an offer takes off: a part in basis points, or a sum in minor units. */
export type Off = { readonly basisPoints: number } | { readonly amountMinor: number };

/** What an offer does for goods that its price does not show, as far as one line beside the price can say it. */
export type ToldEffect =
  | { readonly code: 'same-set'; readonly buy: number; readonly get: number; readonly basisPoints: number }
  | {
      readonly code: 'gets' | 'comes-with';
      readonly buy: number;
      readonly get: number;
      readonly basisPoints: number;
      /** The other goods of it. */
      readonly what: LineSelection;
    }
  | {
      readonly code: 'bundle';
      readonly items: readonly { readonly selection: LineSelection; readonly quantity: number }[];
      readonly priceMinor: number;
    }
  | { readonly code: 'capped'; readonly off: Off; readonly maxMinor: number }
  | { readonly code: 'order'; readonly off: Off; readonly what: LineSelection }
  | {
      readonly code: 'together';
      readonly from: number;
      readonly what: LineSelection;
      readonly each: Off | { unitMinor: number };
    }
  | { readonly code: 'off'; readonly off: Off }
  /** What one costs by it alone. */
  | { readonly code: 'price'; readonly amountMinor: number }
  | { readonly code: 'gift'; readonly variant: string; readonly quantity: number };

/** Sentences and parts of sentences that offers are told with; each shop has its own words for them. */
export type ToldWord =
  | 'toldFreeSet'
  | 'toldSetOff'
  | 'toldGetsFree'
  | 'toldGetsOff'
  | 'toldFreeWith'
  | 'toldOffWith'
  | 'toldBundle'
  | 'toldCapped'
  | 'toldOrder'
  | 'toldOrderOf'
  | 'toldTogetherOff'
  | 'toldTogetherEach'
  | 'toldOff'
  | 'toldPrice'
  | 'toldWhile'
  | 'toldGift'
  | 'toldFrom'
  | 'toldFromOf'
  | 'toldItems'
  | 'toldItemsOf'
  | 'toldNew'
  | 'toldReturning'
  | 'toldBirthday'
  | 'toldCountry'
  | 'toldTimes'
  | 'selectedItems'
  | 'anyItems';

/** How a shop tells its offers. */
export interface ToldReader {
  readonly say: (word: ToldWord, facts?: Readonly<Record<string, string | number>>) => string;
  readonly money: (amountMinor: number) => string;
  /** BCP 47, of numbers and lists. */
  readonly locale: string;
  readonly countryName: (code: string) => string;
  /** What goods are called: the names of what a selection lists; null where they are too many to name. */
  readonly nameOf: (selection: LineSelection) => string | null;
  /** The name of a variant; null where it is not sold. */
  readonly variantName: (sku: string) => string | null;
}
