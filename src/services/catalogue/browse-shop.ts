import { netNote } from '~/core/lane';
import { z } from 'zod';
import { facetsFrom, NOTHING_CHOSEN, type Chosen, type Facet, type Product, type ProductCard } from '~/core/catalogue';
import type { ShopWord } from '~/core/words';
import { readSum } from '~/core/money';
import type { ListingQuery, ListingSort } from '~/data';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';
import { settleShownPrices } from '~/services/prices/record-shown';
import { quoteCards, quoteProduct } from '~/services/cart/quote-product';

/** How listings can be sorted, and the word of the shop for it. */
export const SORTS = {
  relevance: 'sortRelevance',
  featured: 'sortFeatured',
  'best-selling': 'sortBest',
  'by-hand': 'sortByHand',
  newest: 'sortNewest',
  name: 'sortName',
  'price-up': 'sortPriceUp',
  'price-down': 'sortPriceDown',
  rating: 'sortRating',
} as const satisfies Readonly<Record<Exclude<ListingSort, 'picked'>, ShopWord>>;
export type Sort = keyof typeof SORTS;

export const PAGE_SIZE = 24;

/** Filters of a listing page as they stand in its address; wrong values fall back rather than fail a shopper. */
export const listingParamsSchema = z.object({
  sort: z
    .enum(Object.keys(SORTS) as [Sort, ...Sort[]])
    .optional()
    .catch(undefined),
  page: z.coerce.number().int().min(1).max(10_000).catch(1),
  stock: z.enum(['1', '']).catch(''),
  /** Prices, as they were typed. */
  from: z.string().trim().max(20).optional().catch(undefined),
  to: z.string().trim().max(20).optional().catch(undefined),
  q: z.string().trim().max(100).catch(''),
});
export type ListingParams = z.infer<typeof listingParamsSchema>;

/** What a listing asks of the catalogue, on whichever of its pages. */
export type ListingAsked = Omit<ListingQuery, 'page' | 'pageSize'>;

export interface Listed {
  readonly cards: ProductCard[];
  readonly total: number;
  readonly pages: number;
  /** The page shown: the last one where the address asks for one beyond it. */
  readonly page: number;
  readonly sort: Sort;
  /** What was asked of the catalogue; null where nothing can be found. */
  readonly query: ListingAsked | null;
  /** What else could be chosen; none where it was not asked for. */
  readonly facets: readonly Facet[];
  /** Words that were corrected: as typed and as searched for. */
  readonly mended: readonly { readonly typed: string; readonly taken: string }[];
}

export interface ListingShape {
  readonly category?: string | null;
  readonly pageSize?: number;
  /** Where the address asks for none. */
  readonly order?: Sort;
  /** Only what bears this tag. */
  readonly tag?: string;
  /** What the shopper chose of what the catalogue holds. */
  readonly chosen?: Chosen;
  /** Whether to count what else could be chosen. */
  readonly facets?: boolean;
  /** With all pages before the one asked for. */
  readonly fromFirst?: boolean;
}

/** At most so many cards at once, whatever the address asks for. */
export const MOST_AT_ONCE = 480;

/** A page of what the address of a listing asks for; `exponent`: of the shop's currency, in which prices are typed. */
export async function listProducts(
  app: App,
  params: ListingParams,
  exponent: number,
  {
    category = null,
    pageSize = PAGE_SIZE,
    order = 'featured',
    fromFirst = false,
    chosen = NOTHING_CHOSEN,
    facets = false,
    tag,
  }: ListingShape = {},
): Promise<Listed> {
  await settleShownPrices(app);
  const sort = params.sort ?? (params.q ? 'relevance' : order);
  const search = params.q ? await app.catalogue.resolveSearch(params.q) : null;
  const mended = search?.mended ?? [];
  if (search && search.match === null)
    return { cards: [], total: 0, pages: 1, page: 1, sort, mended, query: null, facets: [] };
  const asked: ListingAsked = {
    sort,
    ...(category && { category }),
    ...(tag && { tag }),
    ...(search?.match && { match: search.match, ranks: search.ranks }),
    ...(chosen !== NOTHING_CHOSEN && { chosen }),
    ...(params.stock && { inStockOnly: true }),
    ...priceRange(params, exponent),
  };
  const query = { ...asked, page: params.page, pageSize };
  const found = async (total: number) =>
    facets ? facetsFrom(await app.catalogue.countFacets(query, chosen), chosen, total) : [];
  if (fromFirst) {
    const total = await app.catalogue.countProducts(query);
    const pages = Math.max(1, Math.ceil(total / pageSize));
    const page = Math.min(pages, params.page, Math.floor(MOST_AT_ONCE / pageSize));
    const cards = await quoteCards(app, await app.catalogue.listFrom(query, 0, page * pageSize));
    return { cards, total, pages, page, sort, mended, query: asked, facets: await found(total) };
  }
  const listed = await app.catalogue.listCards(query);
  const pages = Math.max(1, Math.ceil(listed.total / pageSize));
  const cards = await quoteCards(app, listed.cards);
  return { ...listed, cards, pages, sort, mended, query: asked, facets: await found(listed.total) };
}

/** The price range a shopper asks for, in either order; what is not a sum is left open. */
function priceRange({ from, to }: Pick<ListingParams, 'from' | 'to'>, exponent: number) {
  const [first, last] = [from, to].map((text) => {
    const read = readSum(text ?? '', { exponent, mark: 'point' });
    return read.kind === 'sum' ? read.amountMinor : undefined;
  });
  const isSwapped = first !== undefined && last !== undefined && first > last;
  const [least, most] = isSwapped ? [last, first] : [first, last];
  return { ...(least !== undefined && { fromMinor: least }), ...(most !== undefined && { toMinor: most }) };
}

const IN_A_ROW = 4;

/** What the front page shows of the goods. */
export async function listFrontPage(app: App): Promise<{ featured: ProductCard[]; newest: ProductCard[] }> {
  const row = async (sort: ListingSort) =>
    quoteCards(app, await app.catalogue.listFirst({ sort, inStockOnly: true, pageSize: IN_A_ROW }));
  const [featured, newest] = await Promise.all([row('featured'), row('newest')]);
  return { featured, newest };
}

const WHILE_TYPING = 6;

/** What a search would find first. */
export async function findWhileTyping(app: App, typed: string): Promise<ProductCard[]> {
  const { match, ranks } = await app.catalogue.resolveSearch(typed);
  if (match === null) return [];
  return quoteCards(app, await app.catalogue.listFirst({ sort: 'relevance', pageSize: WHILE_TYPING, match, ranks }));
}

/** A product as shoppers see it now; with a language it has the lines that tell of offers. */
export async function findProduct(app: App, slug: string, language: string | null = null): Promise<Product | null> {
  await settleShownPrices(app);
  const product = await app.catalogue.findProduct(slug);
  if (!product) return null;
  const quoted = await quoteProduct(app, product, language);
  const note = language === null ? null : netNote((await liveLane(app)).lane, language);
  return note === null ? quoted : { ...quoted, priceNote: note };
}
