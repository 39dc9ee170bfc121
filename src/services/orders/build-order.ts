import { randomUUID } from 'node:crypto';
import type { Cart } from '~/core/cart';
import { type Lane } from '~/core/lane';
import { sayIn } from '~/core/words';
import { formatMoney, minor, type Minor } from '~/core/money';
import { answerTexts } from '~/core/options';
import { checkCheckout, PLACE_KEY, type Order } from '~/core/orders';
import { servedCountries } from '~/core/delivery';
import { plainCode, type PricedGoods } from '~/core/pricing';
import { fail, ok, type Result } from '~/core/problems';
import { dayIn } from '~/core/time';
import type { StoredCart } from '~/data';
import type { DeliveryRate } from '~/standins';
import { uploadNames, type Good } from '~/services/cart/cart-goods';
import { ownTaxRate } from '~/core/lane';
import { circumstancesOf } from '~/services/offers/circumstances';
import { giftsOf, type Gift } from '~/services/cart/gifts';
import { judgedEmail } from '~/services/cart/show-checkout';
import { priceCartGoods, wordCode } from '~/services/cart/view-cart';
import type { RequestContext } from '~/services/request-context';
import { typedCodes } from '~/services/offers/one-time-codes';
import type { OrderRequest } from './order-request';

export interface Built {
  readonly order: Omit<Order, 'id'>;
  /** Those used. */
  readonly offers: readonly string[];
  /** Codes that work once, of the offers used: one each, as they are kept. */
  readonly oneTime: readonly string[];
}

/** A cart that is to be ordered, with what is known of it now. */
export interface Ordered {
  readonly cart: StoredCart;
  readonly goods: readonly Good[];
  readonly rates: readonly DeliveryRate[];
}

/** The order that a request makes of a cart, or why it makes none. */
export async function buildOrder(
  context: RequestContext,
  request: OrderRequest,
  requestHash: string,
  { cart, goods, rates }: Ordered,
): Promise<Result<Built>> {
  const { form } = request;
  if (goods.length === 0) return fail('cart', 'cart-empty');
  const { lane } = context.live;
  const needsDelivery = goods.some((good) => good.isParcel);
  const problems = checkCheckout(form, needsDelivery ? servedCountries(lane.shop.delivery) : null);
  if (problems.length > 0) return { ok: false, problems };
  const unfit = goods.find((good) => good.problem)?.problem;
  if (unfit) return { ok: false, problems: [{ ...unfit, path: 'cart' }] };
  const rate = rates.find((candidate) => candidate.key === form.delivery);
  if (needsDelivery && !rate) return fail('delivery', 'delivery-unknown');
  const way = { amountMinor: rate?.amountMinor ?? minor(0), method: rate?.key ?? null };
  const priced = await priceForBuyer(context, request, { cart, goods, way });
  if (!priced.ok) return priced;
  const { charged, shownTotalMinor } = priced.value;
  const gifts = await giftsOf(context, charged, goods);
  const lost = lostGift(request.seenGifts, gifts);
  if (lost) return fail('cart', 'gift-lost', { name: lost.facts.name });
  const given = gifts.filter(({ isGone }) => !isGone);
  const order = await write(context, {
    request,
    requestHash,
    cart,
    goods,
    rate,
    charged,
    shownTotalMinor,
    gifts: given,
  });
  return ok({
    order,
    offers: [...Object.keys(charged.taken), ...given.map(({ offerId }) => offerId)],
    oneTime: oneTimeOf(lane, charged),
  });
}

/** Gifts a buyer was shown that are no longer available. */
function lostGift(seen: string | null, gifts: readonly Gift[]): Gift | undefined {
  const ids = seen?.split(' ') ?? [];
  return gifts.find(({ offerId, isGone }) => isGone && ids.includes(offerId));
}

interface ToPrice {
  readonly cart: Cart & Pick<StoredCart, 'judgedFor'>;
  readonly goods: readonly Good[];
  readonly way: { readonly amountMinor: Minor; readonly method: string | null };
}

/**
 * The price that this buyer is charged. What they saw was judged without knowing who they are: where it comes to less now that it is
 * known, less is charged; where it comes to more, they are asked again.
 */
async function priceForBuyer(
  { app, live }: RequestContext,
  request: OrderRequest,
  { cart, goods, way }: ToPrice,
): Promise<Result<{ readonly charged: PricedGoods; readonly shownTotalMinor: Minor | null }>> {
  const { form, language, seenTotalMinor } = request;
  const { lane, currency } = live;
  const codes = await typedCodes(app, lane, cart.codes);
  const price = async (email: string) => {
    const buyer = { country: form.country || null, email, source: cart.source };
    return priceCartGoods(live, codes, goods, {
      circumstances: await circumstancesOf(app, live, buyer),
      delivery: way,
    });
  };
  const known = judgedEmail(app, cart, form.email);
  const shown = await price(known);
  const charged = known === form.email ? shown : await price(form.email);
  const show = (amount: number) => formatMoney(amount, currency, lane.shop.locale);
  if (seenTotalMinor !== null && seenTotalMinor !== shown.totalMinor) {
    const changed = { before: show(seenTotalMinor), after: show(shown.totalMinor) };
    const lost = shown.codes.find(({ refusal }) => refusal !== null);
    if (!lost) return fail('total', 'price-changed', changed);
    const of = { language, rename: (text: string) => text, isEmpty: false, isBuyerKnown: known !== '' };
    return fail('total', 'code-lost', { ...changed, why: wordCode(lost, live, of) ?? '' });
  }
  if (charged.totalMinor > shown.totalMinor && seenTotalMinor !== null) {
    const gone = Object.keys(shown.taken).filter((id) => !Object.hasOwn(charged.taken, id));
    const names = gone.map((id) => lane.offers[id]?.name || id);
    return fail('total', 'buyer-changed', {
      before: show(shown.totalMinor),
      after: show(charged.totalMinor),
      names: new Intl.ListFormat(language).format(names),
    });
  }
  return ok({ charged, shownTotalMinor: charged.totalMinor < shown.totalMinor ? shown.totalMinor : null });
}

interface ToWrite {
  readonly request: OrderRequest;
  readonly requestHash: string;
  readonly cart: Cart;
  readonly goods: readonly Good[];
  readonly rate: DeliveryRate | undefined;
  readonly charged: PricedGoods;
  readonly shownTotalMinor: Minor | null;
  readonly gifts: readonly Gift[];
}

async function write({ app, live }: RequestContext, of: ToWrite): Promise<Omit<Order, 'id'>> {
  const { request, requestHash, cart, goods, rate, charged, shownTotalMinor, gifts } = of;
  const { lane, revision, currency } = live;
  const { form } = request;
  const nameOf = await uploadNames(app, goods);
  const placedAt = app.now();
  const say = sayIn(lane, request.language);
  const codes = charged.codes.flatMap(({ code, refusal }) => (refusal === null ? [code] : []));
  const lines = goods.map(({ facts, line, evaluation, priceable }, i) => ({
    variantId: facts.variantId,
    sku: facts.sku,
    name: facts.name,
    choices: Object.values(facts.choices).join(', '),
    quantity: line.quantity,
    unitMinor: minor(priceable.unitMinor),
    totalMinor: charged.lines[i]!.totalMinor,
    costMinor: facts.costMinor,
    taxBasisPoints: ownTaxRate(lane.shop, facts.taxRate),
    steps: charged.lines[i]!.steps,
    answers: [
      ...(facts.place === null ? [] : [{ key: PLACE_KEY, label: say('eventPlace'), text: facts.place }]),
      ...answerTexts(facts.options, evaluation.answers, nameOf),
    ],
    addOns: evaluation.addOns,
  }));
  return {
    token: randomUUID(),
    idempotencyKey: request.key,
    requestHash,
    status: 'reserved',
    email: form.email,
    name: form.name,
    address: { line1: form.line1, line2: form.line2, postcode: form.postcode, city: form.city, country: form.country },
    delivery: rate?.key ?? 'none',
    deliveryName: rate?.name ?? '',
    deliveryDays: rate?.days ?? '',
    language: request.language,
    taxIncluded: lane.shop.tax.included,
    taxBasisPoints: lane.shop.tax.basisPoints,
    currency: currency.code,
    subtotalMinor: charged.subtotalMinor,
    discountMinor: charged.discountMinor,
    deliveryMinor: charged.deliveryMinor ?? minor(0),
    taxMinor: charged.taxMinor,
    totalMinor: charged.totalMinor,
    shownTotalMinor,
    steps: charged.steps,
    laneRevision: revision,
    visitId: request.visitId,
    paymentReference: null,
    placedAt,
    day: dayIn(lane.shop.timeZone, placedAt),
    coupon: codes.length > 0 ? codes.join(', ') : null,
    note: cart.note,
    cartToken: request.cartToken,
    cartVersion: request.cartVersion,
    lines: [...lines, ...gifts.map(giftLine)],
  };
}

/** Of each offer whose codes work once, the first of its codes that counts. */
function oneTimeOf({ offers }: Lane, { codes }: PricedGoods): string[] {
  const first = new Map<string, string>();
  for (const { code, offerId, refusal } of codes)
    if (offerId !== null && refusal === null && offers[offerId]!.when.isOneTime && !first.has(offerId))
      first.set(offerId, plainCode(code));
  return [...first.values()];
}

/** A gift as a line of the order: taken from the shelf, at nothing. */
function giftLine({ facts, quantity, offerId, offer, valueMinor }: Gift): Order['lines'][number] {
  return {
    variantId: facts.variantId,
    sku: facts.sku,
    name: facts.name,
    quantity,
    choices: Object.values(facts.choices).join(', '),
    unitMinor: minor(0),
    totalMinor: minor(0),
    costMinor: facts.costMinor,
    answers: [],
    addOns: [],
    taxBasisPoints: null,
    steps: [{ code: 'gift', amountMinor: minor(0), offerId, name: offer, valueMinor }],
  };
}
