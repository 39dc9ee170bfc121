import type { Samples } from '~/contract/studio/draft';
import { EMPTY_CART, type Cart, type CartLine, type CartView } from '~/core/cart';
import type { Lane } from '~/core/lane';
import { sampleAnswers } from '~/core/options';
import { offersOf } from '~/core/pricing';
import type { App } from '~/services/app';
import { viewStored } from '~/services/cart/view-cart';
import { draftLane } from '~/services/lane/live-lane';
import { requestContext } from '~/services/request-context';

/** Priced by the draft, where there is one: what an owner shapes and what an offer in it would do are seen together. */
export async function findSamples(app: App): Promise<Samples> {
  const lane = await draftLane(app, (await app.lanes.readDraft())?.token ?? null);
  const context = await requestContext(app, { lane });
  const products = await app.catalogue.findSamples();
  const [full, nine] = await Promise.all([fullLines(app, 8), fullLines(app, 9)]);
  const popular = full[0] ? [full[0]] : [];
  const longNames = await linesOf(app, [products['long-name'], products['many-variants']]);
  const soldOut = await linesOf(app, [products['sold-out']]);
  const withOptions = await linesOf(app, [products['options']]);
  const view = async (lines: readonly CartLine[], codes: readonly string[] = []) =>
    (await viewStored(context, { ...EMPTY_CART, lines, codes })).view;
  const one = await view(popular);
  return {
    products,
    carts: {
      empty: await view([]),
      one,
      full: await view(full),
      'long-names': await view([...longNames, ...popular]),
      ...(products['sold-out'] && { 'sold-out-line': await view([...soldOut, ...popular]) }),
      ...(products['options'] && { options: await view([...popular, ...withOptions]) }),
      ...(nine.length === 9 && { 'nine-lines': await view(nine) }),
      'code-refused': await view(full, [NO_CODE]),
      ...(await codeTaken(context.live.lane, (codes) => view(full, codes))),
      ...(await aroundThreshold(one, (quantity) => view(popular.map((line) => ({ ...line, quantity }))))),
    },
  };
}

/** A code of no offer. */
const NO_CODE = 'KITE-TAIL-0';
/** Offers whose code is tried, at most. */
const MOST_CODES = 20;
/** Of one thing, at most. */
const MOST_QUANTITY = 99;

/** A cart with the first code that takes something off it. */
async function codeTaken(
  { offers }: Lane,
  view: (codes: readonly string[]) => Promise<CartView>,
): Promise<Samples['carts']> {
  const codes = offersOf(offers).flatMap(({ when }) => (when.code === null || when.isOneTime ? [] : [when.code]));
  for (const code of codes.slice(0, MOST_CODES)) {
    const cart = await view([code]);
    if (cart.codes.some(({ problem, takenMinor }) => problem === null && takenMinor > 0)) return { 'code-taken': cart };
  }
  return {};
}

/** Carts of one thing below, at and well over the goods from which delivery is free. */
async function aroundThreshold(
  one: CartView,
  view: (quantity: number) => Promise<CartView>,
): Promise<Samples['carts']> {
  const [line] = one.lines;
  if (!one.freeDelivery || !line) return {};
  const { thresholdMinor, missingMinor } = one.freeDelivery;
  const least = Math.max(1, Math.ceil(thresholdMinor / Math.max(1, line.unitMinor)));
  if (least > MOST_QUANTITY / 2) return {};
  return {
    ...(missingMinor > 0 && { 'under-threshold': one }),
    'at-threshold': await view(least),
    'over-threshold': await view(least * 2),
  };
}

/** A full cart of the shop's own best sellers, for the bench. */
export async function sampleCart(app: App): Promise<Cart> {
  return { ...EMPTY_CART, lines: await fullLines(app, 8) };
}

async function fullLines(app: App, pageSize: number): Promise<CartLine[]> {
  const cards = await app.catalogue.listFirst({ sort: 'featured', pageSize, inStockOnly: true });
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
