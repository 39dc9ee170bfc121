import type { CartLine, CartView } from '~/core/cart';
import type { CartPick } from '~/core/lane';
import type { App } from './app';
import { viewLines } from './view-cart';

/** The owner's own products and carts that stand for the hard cases; a case the catalogue does not have is missing. */
export interface Samples {
  readonly products: Readonly<Record<string, string>>;
  readonly carts: Readonly<Partial<Record<CartPick, CartView>>>;
}

export async function findSamples(app: App): Promise<Samples> {
  const products = await app.catalogue.findSamples();
  const { cards } = await app.catalogue.listCards({ sort: 'featured', page: 1, pageSize: 8, inStockOnly: true });
  const popular = cards.map((card) => card.slug);
  const full = await linesOf(app, popular);
  const longNames = await linesOf(app, [products['long-name'], products['many-variants'], popular[0]]);
  const soldOut = await linesOf(app, [products['sold-out'], popular[0]]);
  const view = async (lines: readonly CartLine[]) => (await viewLines(app, lines)).view;
  return {
    products,
    carts: {
      empty: await view([]),
      one: await view(full.slice(0, 1)),
      full: await view(full.map((line, i) => ({ ...line, quantity: 1 + (i % 3) }))),
      'long-names': await view(longNames),
      ...(products['sold-out'] && { 'sold-out-line': await view(soldOut) }),
    },
  };
}

async function linesOf(app: App, slugs: readonly (string | undefined)[]): Promise<CartLine[]> {
  const found = await Promise.all(
    [...new Set(slugs)].filter((slug) => slug !== undefined).map((slug) => app.catalogue.findProduct(slug)),
  );
  return found.flatMap((product) => {
    const variant = product?.variants[0];
    return variant ? [{ id: `sample-${variant.id}`, variantId: variant.id, quantity: 1 }] : [];
  });
}
