import type { Lane } from '~/core/lane';
import { PLACE_KEY, type Order } from '~/core/orders';
import { offersOf, plainCode } from '~/core/pricing';
import { fail, ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';
import { changeCartOf } from '~/services/cart/change-cart';
import { shopperKey } from '~/services/offers/circumstances';
import { liveLane } from '~/services/lane/live-lane';
import { newCode } from '~/services/offers/one-time-codes';

/** An offer of which codes can be given out now. */
export function ableOffer(lane: Pick<Lane, 'offers'>, offerId: string, at: number) {
  const offer = offersOf(lane.offers).find(({ id }) => id === offerId);
  const until = offer?.when.until ?? null;
  const isOver = until !== null && Date.parse(until) <= at;
  return offer && offer.on && offer.when.isOneTime && offer.when.code !== null && !isOver ? offer : null;
}

/** Gives an order a code of its own for next time, once; null where the offer is not there. */
export async function giveCode(app: App, order: Pick<Order, 'id'>, offerId: string): Promise<string | null> {
  const offer = ableOffer((await liveLane(app)).lane, offerId, app.now());
  if (!offer) return null;
  return app.db.inTransaction(async () => {
    const given = await app.afterOrders.findGiven(order.id, offerId);
    if (given !== null) return given;
    const code = newCode(offer);
    if ((await app.codes.make(offerId, [code], app.now())) < 1) throw new Error('A random code was there already');
    await app.afterOrders.give(order.id, offerId, code);
    return code;
  });
}

/** The code an order was given, as long as it can be used; null otherwise. */
export async function showCode(app: App, order: Pick<Order, 'id'>, offerId: string): Promise<string | null> {
  if (offerId === '' || !ableOffer((await liveLane(app)).lane, offerId, app.now())) return null;
  const code = await app.afterOrders.findGiven(order.id, offerId);
  if (code === null) return null;
  const [known] = await app.codes.find([plainCode(code)]);
  return known && !known.isUsed ? code : null;
}

/** The code that comes with ordering again: of the offer chosen for that, else that for next time; null where there is none. */
export async function reorderCode(
  app: App,
  order: Pick<Order, 'id'>,
  { own, coupon }: { readonly own: string; readonly coupon: string | null },
): Promise<string | null> {
  if (own === '') return coupon === null ? null : showCode(app, order, coupon);
  await giveCode(app, order, own);
  return showCode(app, order, own);
}

/**
 * Puts what an order holds into a cart, as far as it is still to be had, with a code where there is one. Returns the names of
 * what was left out. Goods with answers are left out, too: an order keeps answers only as texts, so they cannot be given again.
 */
export async function orderAgain(app: App, order: Order, cartToken: string, code: string | null): Promise<string[]> {
  const left: string[] = [];
  // Gifts are added by their offers, if these still give them.
  const bought = order.lines.filter(({ steps }) => !steps.some(({ code }) => code === 'gift'));
  for (const { variantId, quantity, answers, name } of bought) {
    const add = { kind: 'add', variantId: variantId!, quantity, choices: {}, answers: {} } as const;
    const isAble = variantId !== null && answers.every(({ key }) => key === PLACE_KEY);
    if (!isAble || !(await changeCartOf(app, cartToken, add)).ok) left.push(name);
  }
  // A code that does not apply to these goods needs no message: the cart holds what was asked for.
  if (code !== null && left.length < bought.length) await changeCartOf(app, cartToken, { kind: 'coupon', code });
  return left;
}

/** Days of the year as MM-DD; the 29th of February is one. */
const DAYS_OF_MONTH = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** Keeps a buyer's birthday, or that they would not say; what was answered first stays. */
export async function keepBirthday(
  app: App,
  order: Pick<Order, 'email'>,
  answer: { readonly day: number; readonly month: number } | null,
): Promise<Result<null>> {
  if (answer !== null) {
    const most = DAYS_OF_MONTH[answer.month - 1];
    if (most === undefined || !Number.isInteger(answer.day) || answer.day < 1 || answer.day > most)
      return fail('birthday', 'birthday-invalid');
  }
  // An erased buyer is not asked.
  if (order.email === '') return fail('', 'not-found');
  const two = (value: number) => String(value).padStart(2, '0');
  const day = answer && `${two(answer.month)}-${two(answer.day)}`;
  await app.afterOrders.keepBirthday(shopperKey(app, order.email), day, app.now());
  return ok(null);
}

/** Whether a buyer has never been asked for their birthday. */
export async function asksBirthday(app: App, { email }: Pick<Order, 'email'>): Promise<boolean> {
  return email !== '' && (await app.afterOrders.birthdayOf(shopperKey(app, email))) === undefined;
}
