import { type Cart, type CartLineView, type CartView } from '~/core/cart';
import { localeFor } from '~/core/lane';
import { minor, type Minor } from '~/core/money';
import { formatMoney } from '~/core/money';
import { freeDelivery, priceCart, type PricedCart, type PricedCoupon } from '~/core/offers';
import { answerTexts, effectSums } from '~/core/options';
import { countryName } from '~/core/orders';
import { wordProblem, type Problem } from '~/core/problems';
import { NEW_CART, type VariantFacts } from '~/data';
import type { App } from './app';
import { goodsOf, shopToday, uploadNames, wordGoodProblem, type Good } from './cart-goods';
import { liveLane, type LiveLane } from './live-lane';
import { quoteDelivery } from './quote-delivery';

/** A cart that is priced for a shopper to look at, with the goods it was priced from. */
export interface ViewedCart {
  readonly view: CartView;
  readonly goods: readonly Good[];
}

/**
 * Prices a cart and dresses it for the shopper; lines whose variant is gone are left out. Delivery is the one given, else
 * the cheapest to the destination the shopper named, else open. Facts that are known already are not read again.
 */
export async function viewStored(
  app: App,
  cart: Cart & { readonly version?: number },
  known: {
    readonly delivery?: { readonly amountMinor: Minor | null; readonly method: string | null };
    readonly facts?: ReadonlyMap<number, VariantFacts>;
    readonly language?: string;
  } = {},
): Promise<ViewedCart> {
  const { delivery, facts, language = 'en' } = known;
  const [live, goods, today] = await Promise.all([liveLane(app), goodsOf(app, cart, facts), shopToday(app)]);
  const price = (amountMinor: Minor | null, method: string | null) =>
    priceGoods(live, cart, goods, today, { amountMinor, method });
  const ways = cart.destination ? await quoteDelivery(app, cart.destination, goods, language) : [];
  const needsDelivery = goods.some((good) => good.isParcel);
  const usual = { amountMinor: ways[0]?.amountMinor ?? null, method: ways[0]?.key ?? null };
  const chosen = delivery ?? usual;
  const priced = price(chosen.amountMinor, chosen.method);
  const nameOf = await uploadNames(app, goods);
  const { shop } = live.lane;
  const view: CartView = {
    version: cart.version ?? 0,
    lines: goods.map((good, i) => viewLine(good, priced.lines[i]!, nameOf, language)),
    count: goods.reduce((sum, good) => sum + good.line.quantity, 0),
    subtotalMinor: priced.subtotalMinor,
    discountMinor: priced.discountMinor,
    deliveryMinor: priced.deliveryMinor,
    taxMinor: priced.taxMinor,
    taxIncluded: shop.tax.included,
    taxBasisPoints: shop.tax.basisPoints,
    totalMinor: priced.totalMinor,
    freeDelivery: needsDelivery
      ? freeDelivery(minor(priced.subtotalMinor - priced.discountMinor), live.lane.offers)
      : null,
    steps: priced.steps,
    coupon: priced.coupon && {
      code: priced.coupon.code,
      takenMinor: priced.coupon.takenMinor,
      problem: priced.coupon.refusal && wordProblem(couponProblem(priced.coupon, live, language), language),
    },
    needsDelivery,
    estimate: cart.destination && {
      country: cart.destination.country,
      countryName: countryName(cart.destination.country, language),
      postcode: cart.destination.postcode,
      ways: ways.map((way) => ({ ...way, amountMinor: price(way.amountMinor, way.key).deliveryMinor! })),
    },
    note: cart.note,
  };
  return { view, goods };
}

/** The one way from a cart to prices, for what is shown and for what is charged. */
export function priceGoods(
  { lane }: LiveLane,
  cart: Pick<Cart, 'coupon'>,
  goods: readonly Good[],
  today: string,
  delivery: { readonly amountMinor: Minor | null; readonly method: string | null },
): PricedCart {
  return priceCart({
    lines: goods.map((good) => good.priceable),
    offers: lane.offers,
    tax: lane.shop.tax,
    deliveryMinor: delivery.amountMinor,
    deliveryMethod: delivery.method,
    coupon: cart.coupon,
    today,
  });
}

/** Why a code does not count, with its sums in the shop's currency. */
export function couponProblem(coupon: PricedCoupon, { lane, currency }: LiveLane, language: string): Problem {
  const money = (amount: number) => formatMoney(amount, currency, localeFor(lane.shop, language));
  const offer = lane.offers.find((candidate) => 'code' in candidate && candidate.code === coupon.code.toUpperCase());
  return {
    path: 'code',
    code: coupon.refusal!.code,
    facts: {
      code: coupon.code,
      missing: money(coupon.refusal!.missingMinor ?? 0),
      from: money(offer && 'fromMinor' in offer ? offer.fromMinor : 0),
    },
  };
}

function viewLine(
  good: Good,
  price: PricedCart['lines'][number],
  nameOf: (id: string) => string | undefined,
  language: string,
): CartLineView {
  const { line, facts, evaluation } = good;
  return {
    id: line.id,
    variantId: line.variantId,
    slug: facts.slug,
    categories: facts.categories,
    name: facts.name,
    choices: Object.values(facts.choices).join(', '),
    answerTexts: answerTexts(facts.options, evaluation.answers, nameOf),
    answers: evaluation.answers,
    isChangeable: facts.hasSiblings || facts.options.length > 0,
    picture: facts.picture,
    quantity: line.quantity,
    stock: facts.stock,
    unitMinor: minor(Math.max(0, facts.priceMinor + effectSums(evaluation.effects).unitMinor)),
    fullMinor: price.fullMinor,
    totalMinor: price.totalMinor,
    steps: price.steps,
    problem: wordGoodProblem(good, language),
  };
}

export async function viewCart(app: App, token: string | null, language = 'en'): Promise<CartView> {
  return (await viewStored(app, token ? await app.carts.read(token) : NEW_CART, { language })).view;
}

/** How many items a shopper's cart holds, as its count says; lines whose variant is gone do not count. */
export async function countCart(app: App, token: string | null): Promise<number> {
  return token ? app.carts.count(token) : 0;
}
