import { namedIn } from '~/core/facts';
import {
  pageOfSpot,
  whyNeverSeen,
  wordNeverSeen,
  type CategoryTexts,
  type Lane,
  type PieceDefinition,
} from '~/core/lane';
import { isSeen, readPageName, tagName, type Device, type PageKind } from '~/core/where';
import { definitions } from '~/pieces/definitions';

/** A page of the shop that the preview can stand on. */
export interface PreviewPage {
  /** Without query but for a search. */
  readonly path: string;
  readonly page: PageKind;
  readonly about: readonly string[];
  readonly product: string | null;
}

interface Asked {
  readonly lane: Lane;
  readonly pieceId: string;
  readonly definition: PieceDefinition;
  /** The product of the situation it is shown in. */
  readonly product: string | null;
  readonly categories: readonly { readonly slug: string }[];
  readonly categoryTexts: CategoryTexts;
}

const at = (
  path: string,
  page: PageKind,
  about: readonly string[] = [],
  product: string | null = null,
): PreviewPage => ({
  path,
  page,
  about,
  product,
});

/** Where a piece can be looked at: first where the situation asks, then wherever its rules name a page. */
function candidates({ lane, pieceId, definition, product, categories, categoryTexts }: Asked): PreviewPage[] {
  const { where } = lane.pieces[pieceId]!;
  const named = where.categories.mode === 'only' ? where.categories.slugs : [];
  const spot = definition.spots && where.spot !== null ? pageOfSpot(where.spot) : null;
  const onProduct = (slug: string) => at(`/shop/p/${slug}`, 'product', [], slug);
  const products = [
    ...(product === null ? [] : [onProduct(product)]),
    ...(where.products.mode === 'only' ? where.products.slugs.map(onProduct) : []),
  ];
  const lists = [
    ...named.flatMap((name) => pageNamed(name)),
    at('/shop/all', 'listing', ['list:all']),
    ...categories.slice(0, 40).map(({ slug }) => at(`/shop/c/${slug}`, 'listing', ['list:category', slug])),
    at('/shop/search?q=a', 'listing', ['list:search']),
  ];
  if (where.spot === 'text') {
    const names = (text: string) => namedIn(text).pieces.includes(pieceId);
    return [
      ...Object.entries(lane.pages)
        .filter(([, { text }]) => Object.values(text).some(names))
        .map(([page]) => at(`/shop/pages/${page}`, 'other', [`page:${page}`])),
      ...Object.entries(categoryTexts)
        .filter(([, { text }]) => names(text))
        .map(([slug]) => at(`/shop/c/${slug}`, 'listing', ['list:category', slug])),
      at('/shop/', 'home'),
    ];
  }
  const all = [
    at('/shop/', 'home'),
    ...lists,
    ...products,
    at('/shop/cart', 'cart'),
    at('/shop/checkout', 'checkout'),
    at('/shop/thanks/example', 'thanks'),
  ];
  return spot === null ? all : all.filter(({ page }) => page === spot);
}

function pageNamed(name: string): PreviewPage[] {
  const about = readPageName(name);
  switch (about.kind) {
    case 'tag':
      return [at(`/shop/t/${encodeURIComponent(about.name)}`, 'listing', ['list:tag', tagName(about.name)])];
    case 'page':
      return [at(`/shop/pages/${about.name}`, 'other', [name])];
    case 'category':
      return [at(`/shop/c/${about.name}`, 'listing', ['list:category', name])];
    case 'list':
      return [];
  }
}

/** The page on which the preview shows a piece: one on which shoppers see it, of the kind `path` is of where there is one. */
export function previewPage(asked: Asked, path: string, device: Device): PreviewPage {
  const { definition, product } = asked;
  const usual = path.replace('{product}', product ?? '');
  const found = candidates(asked);
  const wanted = found.find((page) => page.path === usual)?.page ?? (usual.startsWith('/shop/p/') ? 'product' : null);
  const usualFirst = [...found.filter(({ page }) => definition.spots || page === wanted), ...found];
  return (
    usualFirst.find((page) => sees(asked, page, device)) ??
    found.find((page) => page.path === usual) ??
    found[0] ??
    at(usual, wanted ?? 'home', [], wanted === 'product' ? product : null)
  );
}

/** Whether shoppers see the piece there, as far as the bench can know: not what was added, nor what a product is filed under. */
function sees({ lane, pieceId, definition }: Asked, { page, about, product }: PreviewPage, device: Device): boolean {
  const { where } = lane.pieces[pieceId]!;
  const all = { mode: 'all' as const };
  const rules = {
    ...where,
    ...(definition.spots && { pages: [page] }),
    ...((page === 'product' || definition.judges === 'added') && { categories: all }),
    ...(definition.judges === 'added' && { products: all }),
  };
  return isSeen(rules, { device, page, categories: about, product });
}

/** Why shoppers would not see the piece where the preview shows it, in a sentence; null when they would. */
export function whyUnseen(asked: Asked, page: PreviewPage, device: Device): string | null {
  const { lane, pieceId, definition } = asked;
  const piece = lane.pieces[pieceId]!;
  if (definition.isAlwaysOn) return null;
  if (!piece.on) return 'It is off.';
  const never = whyNeverSeen(lane, pieceId, definitions, asked.categoryTexts);
  if (never) return wordNeverSeen(never, lane, pieceId, definitions);
  if (sees(asked, page, device)) return null;
  if (!piece.where.devices.includes(device)) return `Where leaves it out on ${device}s.`;
  return `Where leaves it out ${page.product === null ? 'on this page' : 'for this product'}.`;
}
