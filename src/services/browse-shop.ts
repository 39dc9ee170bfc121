import { z } from 'zod';
import type { Category, Product, ProductCard } from '~/core/catalogue';
import type { ShopWord } from '~/core/lane';
import type { ListingQuery, ListingSort } from '~/data';
import type { App } from './app';

/** How listings can be sorted, and the word of the shop for it. */
export const SORTS = {
  relevance: 'sortRelevance',
  featured: 'sortFeatured',
  newest: 'sortNewest',
  name: 'sortName',
  'price-up': 'sortPriceUp',
  'price-down': 'sortPriceDown',
  rating: 'sortRating',
} as const satisfies Readonly<Record<ListingSort, ShopWord>>;

export const PAGE_SIZE = 24;

/** Filters of a listing page as they stand in its address; wrong values fall back rather than fail a shopper. */
export const listingParamsSchema = z.object({
  sort: z
    .enum(Object.keys(SORTS) as [ListingSort, ...ListingSort[]])
    .optional()
    .catch(undefined),
  page: z.coerce.number().int().min(1).max(10_000).catch(1),
  stock: z.enum(['1', '']).catch(''),
  from: z.coerce.number().min(0).max(1e7).optional().catch(undefined),
  to: z.coerce.number().min(0).max(1e7).optional().catch(undefined),
  tag: z.string().max(60).catch(''),
  q: z.string().trim().max(100).catch(''),
});
export type ListingParams = z.infer<typeof listingParamsSchema>;

export interface Listed {
  readonly cards: ProductCard[];
  readonly total: number;
  readonly pages: number;
  /** The page shown: the last one where the address asks for one beyond it. */
  readonly page: number;
  readonly sort: ListingSort;
  /** Words that were taken for others, as typed and as taken. */
  readonly mended: readonly { readonly typed: string; readonly taken: string }[];
}

export async function listProducts(
  app: App,
  params: ListingParams,
  category: string | null,
  exponent: number,
): Promise<Listed> {
  const sort = params.sort ?? (params.q ? 'relevance' : 'featured');
  const search = params.q ? await app.catalogue.resolveSearch(params.q) : null;
  const mended = search?.mended ?? [];
  if (search && search.match === null) return { cards: [], total: 0, pages: 1, page: 1, sort, mended };
  const scale = 10 ** exponent;
  const query: ListingQuery = {
    sort,
    page: params.page,
    pageSize: PAGE_SIZE,
    ...(category && { category }),
    ...(search?.match && { match: search.match, typed: params.q }),
    ...(params.tag && { tag: params.tag }),
    ...(params.stock && { inStockOnly: true }),
    ...(params.from !== undefined && { fromMinor: Math.round(params.from * scale) }),
    ...(params.to && { toMinor: Math.round(params.to * scale) }),
  };
  const found = await app.catalogue.listCards(query);
  return { ...found, pages: Math.max(1, Math.ceil(found.total / PAGE_SIZE)), sort, mended };
}

const IN_A_ROW = 4;

/** What the front page shows of the goods. */
export async function listFrontPage(app: App): Promise<{ featured: ProductCard[]; newest: ProductCard[] }> {
  const row = (sort: ListingSort) => app.catalogue.listFirst({ sort, inStockOnly: true, pageSize: IN_A_ROW });
  const [featured, newest] = await Promise.all([row('featured'), row('newest')]);
  return { featured, newest };
}

const WHILE_TYPING = 6;

/** What a search would find first. */
export async function findWhileTyping(app: App, typed: string): Promise<ProductCard[]> {
  const { match } = await app.catalogue.resolveSearch(typed);
  if (match === null) return [];
  return app.catalogue.listFirst({ sort: 'relevance', pageSize: WHILE_TYPING, match, typed });
}

export function findProduct(app: App, slug: string): Promise<Product | null> {
  return app.catalogue.findProduct(slug);
}

const KEPT_MS = 5000;
const kept = new WeakMap<App, { readonly until: number; readonly categories: Promise<Category[]> }>();

/** Categories stand on every page and rarely change: they are read again after five seconds. */
export function listCategories(app: App): Promise<Category[]> {
  const found = kept.get(app);
  if (found && found.until > app.now()) return found.categories;
  const categories = app.catalogue.listCategories();
  kept.set(app, { until: app.now() + KEPT_MS, categories });
  categories.catch(() => kept.delete(app));
  return categories;
}
