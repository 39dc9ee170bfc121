import { own } from '~/core/own';

/** What things of the catalogue are called: products and categories by slug, variants by SKU. */
export interface ShopNames {
  readonly product: Readonly<Record<string, string>>;
  readonly category: Readonly<Record<string, string>>;
  readonly variant: Readonly<Record<string, string>>;
}
export type NamedThing = keyof ShopNames;

/** The name of something; unknown things are called by their slug or SKU. */
export type NameOf = (what: NamedThing, key: string) => string;

/** How a difference names what a lane names. */
export interface Naming {
  readonly nameOf: NameOf;
  readonly offerName: (id: string) => string;
  /** A text of the owner's, with words in place of the facts and pieces in it. */
  readonly say: (text: string) => string;
}

export const NO_NAMES: ShopNames = { product: {}, category: {}, variant: {} };

export const namesIn =
  (names: ShopNames): NameOf =>
  (what, key) =>
    own(names[what], key) ?? key;

/** What is named, each once. */
export type Mentions = { readonly [Thing in NamedThing]: readonly string[] };
