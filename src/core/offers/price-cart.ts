import { allocate, minor, sumMinor, type Minor } from '~/core/money';
import { judgeCoupon, type CouponRefusal } from './judge-coupon';
import type { Coupon, Offer } from './offer.schema';
import { priceLine, type LinePrice, type PriceableLine, type PriceStep } from './price-line';

/** Tax on goods and delivery. Included: prices already hold it. 10 000 basis points = 100 %. */
export interface TaxRule {
  readonly basisPoints: number;
  readonly included: boolean;
}

export type PricedCoupon =
  | { readonly code: string; readonly offerId: string; readonly takenMinor: Minor; readonly refusal: null }
  | { readonly code: string; readonly offerId: null; readonly takenMinor: Minor; readonly refusal: CouponRefusal };

/** The priced cart with its receipt: every amount is the sum of the steps that explain it. */
export interface PricedCart {
  readonly lines: readonly LinePrice[];
  /** The lines before offers. */
  readonly subtotalMinor: Minor;
  /** What offers take off the lines; zero or more. */
  readonly discountMinor: Minor;
  /** null until delivery is chosen. */
  readonly deliveryMinor: Minor | null;
  readonly taxMinor: Minor;
  readonly totalMinor: Minor;
  /** What belongs to no line: delivery and tax. */
  readonly steps: readonly PriceStep[];
  readonly coupon: PricedCoupon | null;
}

export interface PriceInput {
  readonly lines: readonly PriceableLine[];
  readonly offers: readonly Offer[];
  readonly tax: TaxRule;
  readonly deliveryMinor: Minor | null;
  /** The way of delivery the sum is of; null: not chosen, the usual one is meant. */
  readonly deliveryMethod?: string | null;
  /** As typed; null without. */
  readonly coupon?: string | null;
  /** YYYY-MM-DD in the shop's zone; needed to judge a coupon. */
  readonly today?: string;
}

/** The one entry point for prices: everything shown and everything charged comes from here. */
export function priceCart(input: PriceInput): PricedCart {
  const full = input.lines.map(priceLine);
  const subtotalMinor = sumMinor(full.map((line) => line.fullMinor));
  const { lines, coupon } = takeCoupon(full, subtotalMinor, input);
  const goodsMinor = sumMinor(lines.map((line) => line.totalMinor));
  const delivery = priceDelivery(input, goodsMinor);
  const net = minor(goodsMinor + (delivery.totalMinor ?? 0));
  const tax = taxStep(net, input.tax);
  return {
    lines,
    subtotalMinor,
    discountMinor: minor(subtotalMinor - goodsMinor),
    deliveryMinor: delivery.totalMinor,
    taxMinor: tax.amountMinor,
    totalMinor: input.tax.included ? net : minor(net + tax.amountMinor),
    steps: [...delivery.steps, tax],
    coupon,
  };
}

function takeCoupon(
  lines: readonly LinePrice[],
  subtotalMinor: Minor,
  { coupon: typed, offers, today }: PriceInput,
): { lines: readonly LinePrice[]; coupon: PricedCoupon | null } {
  if (!typed) return { lines, coupon: null };
  const judged = judgeCoupon(typed, offers, subtotalMinor, today ?? '');
  if (!judged.ok) {
    const refused = { code: typed, offerId: null, takenMinor: minor(0), refusal: judged.refusal };
    return { lines, coupon: refused };
  }
  const { id, code } = judged.coupon;
  const taken = amountsOff(judged.coupon, lines, subtotalMinor);
  const priced = lines.map((line, i): LinePrice => {
    const off = taken[i]!;
    if (off === 0) return line;
    const step: PriceStep = { code: 'coupon', amountMinor: minor(-off), offerId: id, coupon: code };
    return { ...line, totalMinor: minor(line.totalMinor - off), steps: [...line.steps, step] };
  });
  return { lines: priced, coupon: { code, offerId: id, takenMinor: sumMinor(taken), refusal: null } };
}

/** Percent: rounded once a line, half up. Amount: no more than the goods, shared in proportion so that the cents add up. */
function amountsOff(coupon: Coupon, lines: readonly LinePrice[], subtotalMinor: Minor): Minor[] {
  if (coupon.kind === 'couponPercent')
    return lines.map((line) => minor(Math.round((line.totalMinor * coupon.basisPoints) / 10_000)));
  return allocate(
    minor(Math.min(coupon.amountMinor, subtotalMinor)),
    lines.map((line) => line.totalMinor),
  );
}

/** Whether a way of delivery is one an offer makes free; an offer that names none means all. */
function covers(offer: Extract<Offer, { kind: 'freeShipping' }>, method: string | null): boolean {
  return offer.methods.length === 0 || method === null || offer.methods.includes(method);
}

function priceDelivery({ deliveryMinor: full, deliveryMethod = null, offers }: PriceInput, goodsMinor: Minor) {
  if (full === null) return { totalMinor: null, steps: [] };
  const steps: PriceStep[] = [{ code: 'delivery', amountMinor: full }];
  const free = offers.find(
    (offer): offer is Extract<Offer, { kind: 'freeShipping' }> =>
      offer.on && offer.kind === 'freeShipping' && goodsMinor >= offer.thresholdMinor && covers(offer, deliveryMethod),
  );
  if (!free || full === 0) return { totalMinor: full, steps };
  steps.push({
    code: 'free-delivery',
    amountMinor: minor(-full),
    offerId: free.id,
    thresholdMinor: minor(free.thresholdMinor),
  });
  return { totalMinor: minor(0), steps };
}

/** Rounded half up once on the whole, as a receipt states it. */
function taxStep(amountMinor: Minor, tax: TaxRule): PriceStep & { code: 'tax-included' | 'tax-on-top' } {
  const base = tax.included ? 10_000 + tax.basisPoints : 10_000;
  return {
    code: tax.included ? 'tax-included' : 'tax-on-top',
    amountMinor: minor(Math.round((amountMinor * tax.basisPoints) / base)),
    basisPoints: tax.basisPoints,
  };
}

/** How far goods worth so much (after offers) are from free delivery; null when no such offer is on. */
export function freeDelivery(
  goodsMinor: Minor,
  offers: readonly Offer[],
): { readonly thresholdMinor: Minor; readonly missingMinor: Minor } | null {
  const thresholds = offers.flatMap((offer) =>
    offer.on && offer.kind === 'freeShipping' ? [offer.thresholdMinor] : [],
  );
  if (thresholds.length === 0) return null;
  const thresholdMinor = minor(Math.min(...thresholds));
  return { thresholdMinor, missingMinor: minor(Math.max(0, thresholdMinor - goodsMinor)) };
}
