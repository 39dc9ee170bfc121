import type { PageKind } from '~/core/where/where.schema';

interface SpotSpec {
  readonly label: string;
  readonly page: PageKind;
  /** Of the pieces that could stand there, the first does. */
  readonly holdsOne?: true;
}

/** Named places of the shop's pages that pieces can be put into, each on one kind of page. */
export const SPOTS = {
  'home.above': { label: 'Front page, above everything', page: 'home' },
  'home.below': { label: 'Front page, below the categories', page: 'home' },
  'listing.above': { label: 'Listings, above the products', page: 'listing' },
  'listing.main': { label: 'Listings, in place of the products', page: 'listing', holdsOne: true },
  'listing.below': { label: 'Listings, below the products', page: 'listing' },
  'product.below': { label: 'Product pages, below the product', page: 'product' },
  'cart.below': { label: 'Cart page, below the cart', page: 'cart' },
  'checkout.below': { label: 'Checkout, below the form', page: 'checkout' },
  elsewhere: { label: 'On other sites, in mails and in print', page: 'other' },
  text: { label: 'Only where a text names it', page: 'other' },
  'thanks.main': { label: 'Thank-you page, the page itself', page: 'thanks' },
  'thanks.below': { label: 'Thank-you page, below the order', page: 'thanks' },
} as const satisfies Readonly<Record<string, SpotSpec>>;

export type Spot = keyof typeof SPOTS;

/** The page a spot is on; null for a spot there is no more. */
export function pageOfSpot(spot: string): PageKind | null {
  return Object.hasOwn(SPOTS, spot) ? SPOTS[spot as Spot].page : null;
}

/** Whether only the first of the pieces of a place stands in it. */
export const holdsOne = (spot: string): boolean => Object.hasOwn(SPOTS, spot) && 'holdsOne' in SPOTS[spot as Spot];
