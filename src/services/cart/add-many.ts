import type { AddMany, ManyAdded } from '~/contract/shop/cart';
import { randomUUID } from 'node:crypto';
import { addMany, MOST_PER_LINE } from '~/core/cart';
import { MOST_AT_ONCE } from '~/core/limits';
import { ok, wordProblem, type Result } from '~/core/problems';
import { cartRename } from '~/core/words';
import type { App } from '~/services/app';
import { cartRules } from './cart-goods';
import { requestContext } from '~/services/request-context';
import { viewStored } from './view-cart';

/** Adds many items to a cart in one step; refusals are in the shopper's language. */
export async function addManyOf(
  app: App,
  token: string,
  { items, whole, changeId = undefined }: AddMany,
  language: string,
): Promise<Result<ManyAdded>> {
  const context = await requestContext(app, { language });
  const { today, live } = context;
  const rename = cartRename(live.lane.shop.cart, language);
  const wanted = items.map((item) => ({ ...item, quantity: Math.min(item.quantity, MOST_PER_LINE + 1) }));
  // Another tab was faster: start again from the cart as it is now.
  for (;;) {
    const cart = await app.carts.read(token);
    if (changeId && cart.changeIds.includes(changeId)) {
      const { view } = await viewStored(context, cart);
      return ok({ view, added: items.map(({ variantId }) => variantId), refused: [] });
    }
    const ids = [...cart.lines, ...wanted].map(({ variantId }) => variantId);
    const facts = await app.catalogue.variantFacts(ids);
    const done = addMany(cart, wanted, cartRules(facts, today), { whole, newId: randomUUID });
    const { view } = await viewStored(context, { ...done.cart, version: cart.version + 1 }, { facts });
    const refused = done.refused.map(({ variantId, problems }) => ({
      variantId,
      message: rename(problems.map((problem) => wordProblem(problem, language)).join(' ')),
    }));
    const stored =
      done.added.length === 0 ||
      (await app.carts.write(token, cart, done.cart, { now: app.now(), changeId: changeId ?? null }));
    if (stored) return ok({ view, added: done.added.map(({ variantId }) => variantId), refused });
  }
}

/** A form of an order form, without script: what is ticked, with the quantities beside it; or the one row that was pressed. */
export function readManyForm(form: FormData): unknown {
  const pressed = form.get('only');
  const ticked = typeof pressed === 'string' ? [pressed] : form.getAll('tick');
  const items = ticked.slice(0, MOST_AT_ONCE).map((id) => ({
    variantId: String(id),
    quantity: form.get(`quantity:${String(id)}`) || '1',
  }));
  return { items, whole: form.get('whole') === '1' };
}
