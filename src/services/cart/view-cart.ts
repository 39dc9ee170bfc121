import { type Cart, type LineView, type CartView } from '~/core/cart';
import { localeFor, type Lane, type Shop } from '~/core/lane';
import { sayIn, type SayShop } from '~/core/words';
import { minor, type Minor } from '~/core/money';
import { formatMoney } from '~/core/money';
import {
  codeProblem,
  discountName,
  discountsOf,
  lineMinorOf,
  isWaiting,
  offersOf,
  priceGoods,
  type Circumstances,
  type GoodsInput,
  type PricedCode,
  type PricedLine,
  type PricedGoods,
  type PricedOffer,
  fullUnit,
} from '~/core/pricing';
import { answerTexts } from '~/core/options';
import { countryName, servedCountries } from '~/core/delivery';
import { wordProblem } from '~/core/problems';
import { cartRename, type Rename } from '~/core/words';
import type { VariantFacts } from '~/data';
import type { App } from '~/services/app';
import { goodsOf, insteadMinor, uploadNames, wordGoodProblem, type Good } from './cart-goods';
import { ownTaxRate } from '~/core/lane';
import { circumstancesOf, type Buyer } from '~/services/offers/circumstances';
import { hintsOf } from './cart-hints';
import { giftsOf } from './gifts';
import type { LiveLane } from '~/services/lane/live-lane';
import type { RequestContext } from '~/services/request-context';
import { typedCodes } from '~/services/offers/one-time-codes';
import { quoteDelivery } from './quote-delivery';

/** A cart that is priced for a shopper to look at, with the goods it was priced from. */
export interface ViewedCart {
  readonly view: CartView;
  readonly goods: readonly Good[];
}

/**
 * Prices a cart and adds what the shopper sees; lines whose variant is gone are left out. Delivery is the one given, else
 * the cheapest to the destination the shopper named, else open. Facts that are known already are not read again.
 */
export async function viewStored(
  context: RequestContext,
  cart: Cart & { readonly version?: number },
  known: {
    readonly delivery?: { readonly amountMinor: Minor | null; readonly method: string | null };
    readonly facts?: ReadonlyMap<number, VariantFacts>;
    /** Absent: an unknown buyer who lives at the cart's destination. */
    readonly buyer?: Buyer;
  } = {},
): Promise<ViewedCart> {
  const { app, live, language } = context;
  const { source } = cart;
  const { delivery, facts } = known;
  const buyer = known.buyer ?? { country: cart.destination?.country ?? null, email: '', source };
  const goods = await goodsOf(context, cart, facts);
  const [circumstances, codes] = await Promise.all([
    circumstancesOf(app, live, buyer),
    typedCodes(app, live.lane, cart.codes),
  ]);
  const price = (amountMinor: Minor | null, method: string | null) =>
    priceCartGoods(live, codes, goods, { circumstances, delivery: { amountMinor, method } });
  const ways = cart.destination ? await quoteDelivery(context, cart.destination, goods) : [];
  const needsDelivery = goods.some((good) => good.isParcel);
  const usual = { amountMinor: ways[0]?.amountMinor ?? null, method: ways[0]?.key ?? null };
  const chosen = delivery ?? usual;
  const priced = price(chosen.amountMinor, chosen.method);
  const priceWith = (typed: GoodsInput['codes']) =>
    priceCartGoods(live, typed, goods, { circumstances, delivery: chosen });
  const [nameOf, gifts, hints] = await Promise.all([
    uploadNames(app, goods),
    giftsOf(context, priced, goods),
    hintsOf(context, { cart, goods, priced, isBuyerKnown: buyer.email !== '' }, priceWith),
  ]);
  const { shop } = live.lane;
  const isBuyerKnown = buyer.email !== '';
  const rename = cartRename(shop.cart, language);
  const view: CartView = {
    version: cart.version ?? 0,
    lines: goods.map((good, i) => viewLine(good, priced.lines[i]!, nameOf, { lane: live.lane, language, rename })),
    gifts: gifts.map(({ offerId, offer, facts: { name, choices, picture }, quantity, valueMinor, isGone }) => ({
      offerId,
      offer,
      name,
      choices: Object.values(choices).join(', '),
      picture,
      quantity,
      valueMinor: minor(valueMinor * quantity),
      gone: isGone ? rename(wordProblem({ code: 'gift-gone', facts: { name } }, language)) : null,
    })),
    comesAlong: gifts.flatMap(({ offerId, isGone }) => (isGone ? [] : [offerId])).join(' '),
    count: goods.reduce((sum, good) => sum + good.line.quantity, 0),
    subtotalMinor: priced.subtotalMinor,
    discountMinor: priced.discountMinor,
    discounts: discountsOf(priced.lines).map((discount) => ({
      offerId: discount.offerId,
      label: discountName(discount),
      amountMinor: discount.amountMinor,
    })),
    deliveryMinor: priced.deliveryMinor,
    taxMinor: priced.taxMinor,
    taxIncluded: shop.tax.included,
    taxBasisPoints: shop.tax.basisPoints,
    totalMinor: priced.totalMinor,
    freeDelivery: needsDelivery ? freeFrom(priced) : null,
    steps: priced.steps,
    hints,
    deadline: deadlineOf(offersOf(live.lane.offers), priced, circumstances.at),
    codes: priced.codes.map((code) => ({
      code: code.code,
      takenMinor: code.takenMinor,
      isWaiting: isWaiting(code, isBuyerKnown),
      problem: wordCode(code, live, { language, rename, isBuyerKnown, isEmpty: priced.subtotalMinor === 0 }),
    })),
    takesCode: shop.severalCodes,
    needsDelivery,
    countries: needsDelivery ? servedCountries(shop.delivery) : [],
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

/** An offer's end is told in its last two days. */
const SOON_MS = 2 * 86_400_000;

function deadlineOf(offers: readonly PricedOffer[], { taken }: PricedGoods, now: number): CartView['deadline'] {
  const ends = offers
    .filter(({ id, when }) => Object.hasOwn(taken, id) && when.until !== null)
    .map(({ name, when }) => ({ name, at: Date.parse(when.until!) }))
    .filter(({ at }) => at - now <= SOON_MS)
    .sort((a, b) => a.at - b.at);
  return ends[0] ?? null;
}

/** The one way from a cart to prices, for what is shown and for what is charged. */
export function priceCartGoods(
  { lane }: LiveLane,
  codes: GoodsInput['codes'],
  goods: readonly Good[],
  {
    circumstances,
    delivery,
  }: {
    readonly circumstances: Circumstances;
    readonly delivery: { readonly amountMinor: Minor | null; readonly method: string | null };
  },
): PricedGoods {
  return priceGoods({
    lines: goods.map(({ facts, priceable }) => taxed(lane.shop, facts, priceable)),
    offers: offersOf(lane.offers),
    tax: lane.shop.tax,
    deliveryMinor: delivery.amountMinor,
    deliveryMethod: delivery.method,
    codes,
    circumstances,
  });
}

/** With the tax rate its product names, where it names one of the shop's. */
export function taxed(shop: Shop, { taxRate }: VariantFacts, line: PricedLine): PricedLine {
  const rate = ownTaxRate(shop, taxRate);
  return rate === null ? line : { ...line, taxBasisPoints: rate };
}

/** Why a code does not count, in words; null when it does. */
export function wordCode(
  code: PricedCode,
  { lane, currency }: LiveLane,
  of: {
    readonly language: string;
    readonly rename: Rename;
    readonly isEmpty: boolean;
    readonly isBuyerKnown: boolean;
  },
): string | null {
  const { language, rename, isEmpty, isBuyerKnown } = of;
  const offers = offersOf(lane.offers);
  const problem = codeProblem(code, {
    offers,
    isEmpty,
    isBuyerKnown,
    offer: offers.find(({ id }) => id === code.offerId),
    money: (amount) => formatMoney(amount, currency, localeFor(lane.shop, language)),
  });
  return problem && rename(wordProblem(problem, language));
}

function viewLine(
  good: Good,
  price: PricedGoods['lines'][number],
  nameOf: (id: string) => string | undefined,
  { lane, language, rename }: { readonly lane: Lane; readonly language: string; readonly rename: Rename },
): LineView {
  const { line, facts, evaluation } = good;
  const insteadPrice = insteadMinor(line, facts);
  return {
    id: line.id,
    variantId: line.variantId,
    slug: facts.slug,
    categories: facts.categories,
    name: facts.name,
    choices: Object.values(facts.choices).join(', '),
    answerTexts: answerTexts(facts.options, evaluation.answers, nameOf),
    answers: evaluation.answers,
    arrival: arrivalOf(facts, sayIn(lane, language)),
    isChangeable: facts.hasSiblings || facts.options.length > 0,
    better: null,
    instead: insteadPrice === null ? null : { of: line.insteadOf!, unitMinor: insteadPrice },
    picture: facts.picture,
    quantity: line.quantity,
    stock: facts.stock,
    unitMinor: minor(fullUnit(good.priceable)),
    fullMinor: price.fullMinor,
    lineMinor: lineMinorOf(price),
    totalMinor: price.totalMinor,
    steps: price.steps,
    problem: wordGoodProblem(good, language, rename),
  };
}

/** How a line arrives that is not sent by parcel at once. */
function arrivalOf({ fulfilment, leadDays, place }: VariantFacts, say: SayShop): string | null {
  if (fulfilment === 'event') return place && say('eventAt', { place });
  if (fulfilment === 'download') return say('byDownload');
  return fulfilment === 'parcel' && leadDays !== null ? say('madeToOrder', { days: leadDays }) : null;
}

/** How many items a shopper's cart holds, as its count says; lines whose variant is gone do not count. */
export async function countCart(app: App, token: string | null): Promise<number> {
  return token ? app.carts.count(token) : 0;
}

/** The sum from which delivery is free, without naming the offer: shoppers are told no more. */
function freeFrom({ freeDelivery }: PricedGoods): CartView['freeDelivery'] {
  return freeDelivery && { thresholdMinor: freeDelivery.thresholdMinor, missingMinor: freeDelivery.missingMinor };
}
