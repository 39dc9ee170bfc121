import { MOST_PER_LINE } from '~/core/cart';
import type { OrderRow, Product, ProductCard } from '~/core/catalogue';
import { minor, type Minor } from '~/core/money';
import {
  isRunning,
  isTellable,
  offersOf,
  priceGoods,
  shownOffers,
  toldOffers,
  touches,
  type ChoicePrice,
  type Circumstances,
  type PricedOffer,
  type Told,
  offerFacts,
  pricedLine,
  lineFacts,
} from '~/core/pricing';
import type { VariantFacts } from '~/data';
import type { App } from '~/services/app';
import { liveLane, type LiveLane } from '~/services/lane/live-lane';
import { circumstancesOf, UNKNOWN_BUYER } from '~/services/offers/circumstances';
import { tellerOf } from '~/services/offers/tell-offers';
import { taxed } from './view-cart';

/** So many of a variant, and what its options add to each and once. */
interface Wanted {
  readonly quantity: number;
  readonly unitMinor: number;
  readonly onceMinor: number;
}

const ONE: Wanted = { quantity: 1, unitMinor: 0, onceMinor: 0 };

/**
 * Prices goods before they are in a cart, without a code and of a buyer nobody knows, by the offers that no other goods can take
 * away: whatever shows a price of the shop asks this. The other offers are told beside it.
 */
export async function quoter(app: App) {
  const live = await liveLane(app);
  const at = app.now();
  const offers = offersOf(live.lane.offers);
  const shown = shownOffers(offers, { at, severalCodes: live.lane.shop.severalCodes });
  const lowering = shown.filter((offer) => isRunning(offer, at));
  // Offers that do not run now need nothing looked up.
  const circumstances = await circumstancesOf(app, live, UNKNOWN_BUYER);
  const told = offers.filter((offer) => isTellable(offer, shown, at));
  const isOffered = (facts: VariantFacts) => lowering.some((offer) => touches(offer, lineFacts(facts)));
  return {
    /** Whether any offer can make any price lower; where none can, nothing has to be asked. */
    isIdle: lowering.length === 0,
    tellsNothing: told.length === 0,
    quote: (facts: VariantFacts, wanted: Wanted = ONE) =>
      quoteOf({ live, offers: shown, circumstances }, facts, wanted),
    /** The same with a code, as the cart prices it while nothing is known of who buys; null where the code takes nothing. */
    quoteWithCode(facts: VariantFacts, wanted: Wanted, code: string): Minor | null {
      const bare = quoteOf({ live, offers: shown, circumstances }, facts, wanted).totalMinor;
      const withCodes = [...shown, ...offers.filter(({ when }) => when.code !== null)];
      const { totalMinor } = quoteOf({ live, offers: withCodes, circumstances }, facts, wanted, [code]);
      return totalMinor < bare ? totalMinor : null;
    },
    isOffered,
    /** Offers told beside a product's price, by its variants. */
    tell(variants: readonly VariantFacts[]): readonly Told[] {
      const isOnePrice = new Set(variants.map(({ priceMinor }) => priceMinor)).size === 1;
      const found = new Map<string, Told>();
      for (const facts of variants)
        for (const one of toldOffers({ line: pricedLine(facts, 1), isOnePrice }, told, shown, at))
          if (!found.has(one.offerId)) found.set(one.offerId, one);
      return [...found.values()];
    },
  };
}

/** What a price is computed with. */
interface Terms {
  readonly live: LiveLane;
  readonly offers: readonly PricedOffer[];
  readonly circumstances: Circumstances;
}

function quoteOf(
  { live, offers, circumstances }: Terms,
  facts: VariantFacts,
  { quantity, unitMinor, onceMinor }: Wanted,
  codes: readonly string[] = [],
): { readonly totalMinor: Minor; readonly fullMinor: Minor } {
  const effects = [
    { key: 'unit', label: '', per: 'unit' as const, amountMinor: unitMinor },
    { key: 'once', label: '', per: 'once' as const, amountMinor: onceMinor },
  ];
  const { lines } = priceGoods({
    lines: [taxed(live.lane.shop, facts, pricedLine(facts, quantity, { effects }))],
    offers,
    tax: live.lane.shop.tax,
    deliveryMinor: null,
    deliveryMethod: null,
    codes,
    circumstances,
  });
  return lines[0]!;
}

/** The most lines of offers beside a price. */
const MOST_TOLD = 3;

/**
 * A product with what each variant costs now. What it cost before stands beside it where it was shown before. With a language it has
 * the lines that tell of other offers.
 */
export async function quoteProduct(app: App, product: Product, language: string | null = null): Promise<Product> {
  const { isIdle, tellsNothing, quote, isOffered, tell } = await quoter(app);
  if (isIdle && (tellsNothing || language === null)) return product;
  const facts = await app.catalogue.variantFacts(product.variants.map(({ id }) => id));
  const told = language === null ? [] : tell([...facts.values()]);
  const word = await tellerOf(app, await liveLane(app), language ?? '', told);
  const texts = told.flatMap((one) => word(one) ?? []).slice(0, MOST_TOLD);
  const withTold = texts.length > 0 ? { ...product, told: texts } : product;
  if (![...facts.values()].some(isOffered)) return withTold;
  return {
    ...withTold,
    isOffered: true,
    variants: product.variants.map((variant) => {
      const found = facts.get(variant.id);
      const now = found ? quote(found).totalMinor : variant.priceMinor;
      if (now >= variant.priceMinor) return variant;
      const { priceMinor: listMinor, wasMinor, lowMinor } = variant;
      return { ...variant, priceMinor: now, listMinor, wasMinor: lowMinor === null ? null : (wasMinor ?? listMinor) };
    }),
  };
}

/** Cards with what their products cost now. */
export async function quoteCards<Card extends ProductCard>(app: App, cards: readonly Card[]): Promise<Card[]> {
  const { isIdle, tellsNothing, quote, isOffered, tell } = await quoter(app);
  if ((isIdle && tellsNothing) || cards.length === 0) return [...cards];
  const facts = await app.catalogue.factsOfProducts(cards.map(({ slug }) => slug));
  return cards.map((plain) => {
    const own = facts.get(plain.slug) ?? [];
    const told = tell(own);
    const card = told.length > 0 ? { ...plain, told } : plain;
    if (!own.some(isOffered)) return card;
    const prices = own.map((one) => ({ now: quote(one).totalMinor, list: one.priceMinor, low: one.lowMinor }));
    const cheapest = prices.reduce((a, b) => (b.now < a.now ? b : a));
    const isLowered = cheapest.now < cheapest.list && cheapest.low !== null;
    const wasMinor = isLowered ? minor(Math.max(card.wasMinor ?? 0, cheapest.list)) : card.wasMinor;
    const toMinor = minor(Math.max(...prices.map(({ now }) => now)));
    return { ...card, fromMinor: cheapest.now, toMinor, wasMinor };
  });
}

/** Rows of an order form with what one of each costs now. */
export async function quoteRows(app: App, rows: readonly OrderRow[]): Promise<OrderRow[]> {
  const { isIdle, quote, isOffered } = await quoter(app);
  if (isIdle || rows.length === 0) return [...rows];
  const facts = await app.catalogue.variantFacts(rows.map(({ variantId }) => variantId));
  return rows.map((row) => {
    const own = facts.get(row.variantId);
    return own && isOffered(own) ? { ...row, priceMinor: quote(own).totalMinor } : row;
  });
}

/** From how many on a variant gets cheaper, and what so many cost; none where no offer says so now. */
export async function quantityPrices(app: App, variantId: number): Promise<{ quantity: number; totalMinor: Minor }[]> {
  const facts = (await app.catalogue.variantFacts([variantId])).get(variantId);
  if (!facts) return [];
  const { lane } = await liveLane(app);
  const steps = offersOf(lane.offers).flatMap((offer) =>
    touches(offer, lineFacts(facts)) ? (offerFacts(offer).quantities?.(offer) ?? []) : [],
  );
  const quantities = [...new Set(steps)].filter((from) => from > 1 && from <= MOST_PER_LINE).sort((a, b) => a - b);
  if (quantities.length === 0) return [];
  const { quote } = await quoter(app);
  const one = quote(facts).totalMinor;
  return quantities
    .map((quantity) => ({ quantity, ...quote(facts, { ...ONE, quantity }) }))
    .filter(({ quantity, totalMinor }) => totalMinor < one * quantity)
    .map(({ quantity, totalMinor }) => ({ quantity, totalMinor }));
}

/** What so many of each of some variants cost by themselves, with a code where there is one. */
export async function quoteEach(
  app: App,
  variants: readonly VariantFacts[],
  wanted: Wanted,
  code: string,
): Promise<Minor[]> {
  const { quote, quoteWithCode: quoteBy } = await quoter(app);
  return variants.map(
    (facts) => (code === '' ? null : quoteBy(facts, wanted, code)) ?? quote(facts, wanted).totalMinor,
  );
}

/** What goods cost by themselves with a code; null where it takes nothing off them now. */
export async function quoteWithCode(
  app: App,
  facts: VariantFacts,
  wanted: Wanted,
  code: string,
): Promise<Minor | null> {
  return (await quoter(app)).quoteWithCode(facts, wanted, code);
}

/** What is being chosen, priced; null when there is no such variant. */
export async function quoteChoice(app: App, variantId: number, wanted: Wanted): Promise<ChoicePrice | null> {
  const facts = (await app.catalogue.variantFacts([variantId])).get(variantId);
  if (!facts) return null;
  const { quote } = await quoter(app);
  const { totalMinor, fullMinor } = quote(facts, wanted);
  // With quantity prices, the full price of one is the price shown now.
  const one = wanted.quantity > 1 ? quote(facts, { ...wanted, quantity: 1 }) : null;
  const isFullShown = facts.lowMinor !== null || (one !== null && one.totalMinor === one.fullMinor);
  return {
    eachMinor: minor(Math.max(0, facts.priceMinor + wanted.unitMinor)),
    onceMinor: minor(wanted.onceMinor),
    totalMinor,
    wasTotalMinor: totalMinor < fullMinor && isFullShown ? fullMinor : null,
    hasParts: wanted.quantity !== 1 || wanted.onceMinor !== 0,
  };
}
