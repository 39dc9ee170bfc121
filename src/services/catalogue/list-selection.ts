import type { CardExtras, CardsOfPage, OrderRow, ProductCard, RowsShape, WantedPage } from '~/core/catalogue';
import { MOST_SELECTED, type Selection } from '~/core/lane';
import type { App } from '~/services/app';
import { settleShownPrices } from '~/services/prices/record-shown';
import { quoteCards, quoteRows } from '~/services/cart/quote-product';
import { MOST_AT_ONCE, type ListingAsked } from './browse-shop';

/** The products of a selection, a page of them. What names nothing that exists holds nothing. */
export async function listSelection(app: App, selection: Selection, wanted: WantedPage): Promise<CardsOfPage> {
  const nothing = { cards: [], total: 0, pages: 1, page: 1 };
  const query = await queryOf(app, selection);
  if (!query) return nothing;
  await settleShownPrices(app);
  const pageSize = Math.min(wanted.pageSize, selection.most);
  const total = Math.min(selection.most, await app.catalogue.countProducts(query));
  const pages = Math.max(1, Math.ceil(total / pageSize));
  const page = Math.min(pages, wanted.page, wanted.fromFirst ? Math.floor(MOST_AT_ONCE / pageSize) : pages);
  const first = wanted.fromFirst ? 0 : (page - 1) * pageSize;
  const count = Math.min(wanted.fromFirst ? page * pageSize : pageSize, total - first);
  const cards = count > 0 ? await quoteCards(app, await app.catalogue.listFrom(query, first, count)) : [];
  return { cards, total, pages, page };
}

async function queryOf(app: App, selection: Selection): Promise<ListingAsked | null> {
  const { from, order, without } = selection;
  const base = {
    sort: order,
    ...(without.slugs.length > 0 && { without: without.slugs }),
    ...(selection.inStockOnly && { inStockOnly: true }),
  };
  switch (from) {
    case 'category':
      return selection.category ? { ...base, category: selection.category } : null;
    case 'tag':
      return selection.tag ? { ...base, tag: selection.tag } : null;
    case 'search': {
      const { match, ranks } = await app.catalogue.resolveSearch(selection.search);
      return match === null ? null : { ...base, match, ranks };
    }
    case 'picked':
      return selection.picked.slugs.length > 0 ? { ...base, sort: 'picked', slugs: selection.picked.slugs } : null;
    default:
      return base;
  }
}

/** Rows shown at most: a longer list is no use for ordering. */
const MOST_ROWS = 5000;

/**
 * The variants of a selection as rows to order from, in its order. `product`: the product its page is about, whose variants
 * are what the page is about.
 */
export async function orderRows(
  app: App,
  selection: Selection,
  shape: RowsShape,
  product: string | null = null,
): Promise<OrderRow[]> {
  if (selection.from === 'page' && product !== null)
    return readRows(app, { sort: 'picked', slugs: [product] }, 1, { ...shape, rows: 'variant' });
  const query = await queryOf(app, selection);
  return query ? readRows(app, query, selection.most, shape) : [];
}

/** The variants of all that a listing page shows, on whichever of its pages: those that fit what was chosen there. */
export async function rowsOfListing(app: App, query: ListingAsked | null, shape: RowsShape): Promise<OrderRow[]> {
  if (!query) return [];
  const rows = await readRows(app, query, MOST_SELECTED, shape);
  const { fromMinor = 0, toMinor = Infinity } = query;
  return rows.filter(({ priceMinor }) => priceMinor >= fromMinor && priceMinor <= toMinor);
}

async function readRows(
  app: App,
  query: ListingAsked,
  products: number,
  { rows, described }: RowsShape,
): Promise<OrderRow[]> {
  const listed = await app.catalogue.listVariants(query, { products, rows: MOST_ROWS, described });
  const found = await quoteRows(app, listed);
  if (rows === 'variant') return found;
  const cheapest = new Map<string, OrderRow>();
  for (const row of found) {
    const other = cheapest.get(row.slug);
    if (!other || row.priceMinor < other.priceMinor) cheapest.set(row.slug, row);
  }
  return [...cheapest.values()];
}

/** What cards say beyond what every card does, where a part asks for it. */
export async function cardExtras(
  app: App,
  cards: readonly ProductCard[],
  parts: readonly { readonly key: string }[],
): Promise<ReadonlyMap<number, CardExtras>> {
  const wants = parts.some(({ key }) => key === 'stock' || key === 'delivery' || key === 'attributes');
  return wants ? app.catalogue.extrasOf(cards.map(({ id }) => id)) : new Map<number, CardExtras>();
}
