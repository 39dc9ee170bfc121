import { changeCart, type BetterView, type Cart, type CartLine, type CartView } from '~/core/cart';
import { minor } from '~/core/money';
import { swapFor } from '~/core/suggest';
import { NEW_CART } from '~/data';
import type { App } from '~/services/app';
import { cartRules } from './cart-goods';
import { requestContext, type RequestContext } from '~/services/request-context';
import { viewStored, type ViewedCart } from './view-cart';

/** A shopper's cart as its pages and surfaces show it. */
export async function viewCart(app: App, token: string | null, language = 'en'): Promise<CartView> {
  const context = await requestContext(app, { language });
  const cart = token ? await app.carts.read(token) : NEW_CART;
  return withBetter(context, cart, await viewStored(context, cart));
}

/** Adds to each line what could stand in its place, where its product names something better that can be had. */
export async function withBetter(context: RequestContext, cart: Cart, { view, goods }: ViewedCart): Promise<CartView> {
  if (goods.every(({ facts }) => facts.better === null)) return view;
  const lines = await Promise.all(
    view.lines.map(async (line, i) => ({ ...line, better: await betterOf(context, cart, view, goods[i]!) })),
  );
  return { ...view, lines };
}

async function betterOf(
  context: RequestContext,
  cart: Cart,
  { totalMinor }: CartView,
  { line, facts }: { readonly line: CartLine; readonly facts: ViewedCart['goods'][number]['facts'] },
): Promise<BetterView | null> {
  if (facts.better === null) return null;
  const { app, today } = context;
  const [from, to] = await Promise.all([
    app.catalogue.findProduct(facts.slug),
    app.catalogue.findProduct(facts.better),
  ]);
  const swap = from && to && swapFor({ ...line, choices: facts.choices }, from, to, today);
  if (!swap) return null;
  const known = await app.catalogue.variantFacts([...cart.lines.map(({ variantId }) => variantId), swap.variantId]);
  const { variantId, answers } = swap;
  const change = { kind: 'reshape' as const, lineId: line.id, variantId, answers };
  const changed = changeCart(cart, change, cartRules(known, today));
  if (!changed.ok) return null;
  const { view } = await viewStored(context, changed.value, { facts: known });
  return { ...swap, slug: to.slug, name: to.name, moreMinor: minor(view.totalMinor - totalMinor) };
}
