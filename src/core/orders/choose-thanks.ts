import { isSeen, type Where } from '~/core/where';
import { DEVICES } from '~/core/where/where.schema';

/** A thank-you page, as far as it is chosen by. */
export interface ThanksCandidate {
  readonly where: Where;
  readonly settings: {
    readonly shopper: 'all' | 'new' | 'returning';
    /** Whole units of the currency. */
    readonly fromTotal: number;
    /** ISO 3166-1, with commas between them; empty: all. */
    readonly countries: string;
  };
}

/** What is known of an order that chooses its page. */
export interface OrderToThank {
  readonly bought: readonly { readonly slug: string; readonly categories: readonly string[] }[];
  readonly isFirst: boolean;
  /** Empty where nothing is sent. */
  readonly country: string;
  /** Whole units of the currency. */
  readonly total: number;
}

const countriesOf = (text: string) =>
  text
    .toUpperCase()
    .split(/[\s,;]+/)
    .filter(Boolean);

/** How many conditions a page has: a page for some goes before one for all. */
function conditionsOf({ where, settings }: ThanksCandidate): number {
  const { shopper, fromTotal, countries } = settings;
  return [
    where.categories.mode !== 'all',
    where.products.mode !== 'all',
    shopper !== 'all',
    fromTotal > 0,
    countriesOf(countries).length > 0,
  ].filter(Boolean).length;
}

function fits({ where, settings }: ThanksCandidate, { bought, isFirst, country, total }: OrderToThank): boolean {
  if (settings.shopper !== 'all' && (settings.shopper === 'new') !== isFirst) return false;
  if (total < settings.fromTotal) return false;
  const countries = countriesOf(settings.countries);
  if (countries.length > 0 && !countries.includes(country)) return false;
  // There is one page for all devices: it cannot be missing on some.
  const everywhere = { ...where, devices: [...DEVICES] };
  const seenWith = (product: string | null, categories: readonly string[]) =>
    isSeen(everywhere, { device: 'phone', page: 'thanks', product, categories });
  // One of the products bought is enough; of an order whose products are all gone, none.
  return bought.length === 0
    ? where.products.mode !== 'only' && where.categories.mode !== 'only' && seenWith(null, [])
    : bought.some(({ slug, categories }) => seenWith(slug, categories));
}

/** The page an order is thanked on: of those that fit, the one with the most conditions; of equals, the first. Null: none. */
export function chooseThanks<Candidate extends ThanksCandidate>(
  pages: readonly Candidate[],
  facts: OrderToThank,
): Candidate | null {
  return pages
    .filter((page) => fits(page, facts))
    .reduce<Candidate | null>(
      (best, page) => (best === null || conditionsOf(page) > conditionsOf(best) ? page : best),
      null,
    );
}
