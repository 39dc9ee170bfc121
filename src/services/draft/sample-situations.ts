import type { Samples } from '~/contract/studio/draft';
import { EMPTY_CART, type Cart, type CartLine } from '~/core/cart';
import { sampleAnswers } from '~/core/options';
import type { App } from '~/services/app';
import { viewStored } from '~/services/cart/view-cart';
import { draftLane } from '~/services/lane/live-lane';
import { requestContext } from '~/services/request-context';

/** Priced by the draft, where there is one: what an owner shapes and what an offer in it would do are seen together. */
export async function findSamples(app: App): Promise<Samples> {
  const lane = await draftLane(app, (await app.lanes.readDraft())?.token ?? null);
  const context = await requestContext(app, { lane });
  const products = await app.catalogue.findSamples();
  const full = await fullLines(app);
  const popular = full[0] ? [full[0]] : [];
  const longNames = await linesOf(app, [products['long-name'], products['many-variants']]);
  const soldOut = await linesOf(app, [products['sold-out']]);
  const withOptions = await linesOf(app, [products['options']]);
  const view = async (lines: readonly CartLine[]) => (await viewStored(context, { ...EMPTY_CART, lines })).view;
  return {
    products,
    carts: {
      empty: await view([]),
      one: await view(full.slice(0, 1)),
      full: await view(full),
      'long-names': await view([...longNames, ...popular]),
      ...(products['sold-out'] && { 'sold-out-line': await view([...soldOut, ...popular]) }),
      ...(products['options'] && { options: await view([...popular, ...withOptions]) }),
    },
  };
}

/** A full cart of the shop's own best sellers, for the bench. */
export async function sampleCart(app: App): Promise<Cart> {
  return { ...EMPTY_CART, lines: await fullLines(app) };
}

async function fullLines(app: App): Promise<CartLine[]> {
  const cards = await app.catalogue.listFirst({ sort: 'featured', pageSize: 8, inStockOnly: true });
  const lines = await linesOf(
    app,
    cards.map((card) => card.slug),
  );
  return lines.map((line, i) => ({ ...line, quantity: 1 + (i % 3) }));
}

async function linesOf(app: App, slugs: readonly (string | undefined)[]): Promise<CartLine[]> {
  const found = await Promise.all(
    [...new Set(slugs)].filter((slug) => slug !== undefined).map((slug) => app.catalogue.findProduct(slug)),
  );
  return found.flatMap((product) => {
    const variant = product?.variants.find(({ stock }) => stock === null || stock > 0) ?? product?.variants[0];
    if (!variant) return [];
    return [
      { id: `sample-${variant.id}`, variantId: variant.id, quantity: 1, answers: sampleAnswers(product!.options) },
    ];
  });
}
