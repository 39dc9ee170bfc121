import { aboutOf, type Category, type Product } from '~/core/catalogue';
import type { CategoryTexts, Lane, LookedAt } from '~/core/lane';
import { LISTS, ownPageName, readPageName, tagName, type Device } from '~/core/where';

export type ListedCategory = Pick<Category, 'slug' | 'name' | 'parentSlug'>;

/** What an owner asks about: a page of the shop, and who looks at it with what. */
export interface AskedPage {
  /** One of `PAGES`, or what a listing or a page of the owner's is about, as rules name it. */
  readonly page: string;
  readonly device: Device;
  readonly language: string;
  /** On a product page the one looked at, on a thank-you page the one bought. */
  readonly product: Product | null;
  readonly isFirstOrder: boolean;
  readonly country: string;
  /** Whole units of the currency. */
  readonly total: number;
}

export const PAGES = {
  home: 'Front page',
  product: 'A product page',
  cart: 'Cart',
  checkout: 'Checkout',
  thanks: 'Thank-you page',
} as const;

const isPage = (page: string): page is keyof typeof PAGES => Object.hasOwn(PAGES, page);

/** Every page there is to ask about, by what it is called here. */
export function pagesOf(
  lane: Lane,
  categories: readonly ListedCategory[],
  tags: readonly string[],
): (readonly [page: string, label: string])[] {
  return [
    ['home', PAGES.home],
    ['list:all', LISTS['list:all']],
    ...categories.map(({ slug, name }) => [slug, `Category “${name}”`] as const),
    ...tags.map((tag) => [tagName(tag), `Tag “${tag}”`] as const),
    ['list:search', LISTS['list:search']],
    ...Object.entries(lane.pages).map(
      ([page, { title }]) => [ownPageName(page), `Page “${Object.values(title)[0] || page}”`] as const,
    ),
    ...(['product', 'cart', 'checkout', 'thanks'] as const).map((page) => [page, PAGES[page]] as const),
  ];
}

/** The address of a page in the shop; null where something is still to be chosen. */
export function pathOf({ page, product }: AskedPage): string | null {
  if (isPage(page)) {
    const ofProduct = product && `/shop/p/${product.slug}`;
    return { home: '/shop/', product: ofProduct, cart: '/shop/cart', checkout: '/shop/checkout', thanks: null }[page];
  }
  const about = readPageName(page);
  if (about.kind === 'list') return about.name === 'list:search' ? '/shop/search?q=a' : '/shop/all';
  const folder = { tag: 't', page: 'pages', category: 'c' }[about.kind];
  return `/shop/${folder}/${encodeURIComponent(about.name)}`;
}

/** The page as the rules judge it; null where its product is still to be chosen. */
export function lookedAt(
  asked: AskedPage,
  lane: Lane,
  categories: readonly ListedCategory[],
  categoryTexts: CategoryTexts,
): LookedAt | null {
  const { page, device, language, product } = asked;
  const none = { device, categories: [], product: null, texts: [], order: null };
  if (page === 'product')
    return product && { ...none, page, product: product.slug, categories: aboutOf(product, categories).about };
  if (page === 'thanks') {
    const bought = product ? [{ slug: product.slug, categories: product.categories.map(({ slug }) => slug) }] : [];
    const { isFirstOrder: isFirst, country, total } = asked;
    return { ...none, page, order: { bought, isFirst, country, total } };
  }
  if (isPage(page)) return { ...none, page };
  const about = readPageName(page);
  if (about.kind === 'list') return { ...none, page: 'listing', categories: [page] };
  if (about.kind === 'page') {
    const text = lane.pages[about.name]?.text ?? {};
    return { ...none, page: 'other', categories: [page], texts: [text[language] || Object.values(text)[0] || ''] };
  }
  const list = about.kind === 'tag' ? 'list:tag' : 'list:category';
  const written = about.kind === 'category' ? categoryTexts[about.name]?.text : undefined;
  return { ...none, page: 'listing', categories: [list, page], texts: written === undefined ? [] : [written] };
}
