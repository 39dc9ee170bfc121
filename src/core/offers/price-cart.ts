import { minor, sumMinor, type Minor } from '~/core/money';
import type { Offer } from './offer.schema';

/** Tax on goods and delivery. Included: prices already hold it. 10 000 basis points = 100 %. */
export interface TaxRule {
  readonly basisPoints: number;
  readonly included: boolean;
}

export interface PriceableLine {
  readonly id: string;
  readonly quantity: number;
  readonly unitPriceMinor: Minor;
}

/** One reason why an amount is what it is; the interface puts it into words. */
export type PriceStep =
  | { readonly code: 'list-price'; readonly amountMinor: Minor; readonly quantity: number; readonly unitMinor: Minor }
  | { readonly code: 'delivery'; readonly amountMinor: Minor }
  | {
      readonly code: 'free-delivery';
      readonly amountMinor: Minor;
      readonly offerId: string;
      readonly thresholdMinor: Minor;
    }
  | { readonly code: 'tax-included' | 'tax-on-top'; readonly amountMinor: Minor; readonly basisPoints: number };

export interface LinePrice {
  readonly lineId: string;
  readonly fullMinor: Minor;
  readonly totalMinor: Minor;
  readonly steps: readonly PriceStep[];
}

/** The priced cart with its receipt: every amount is the sum of the steps that explain it. */
export interface PricedCart {
  readonly lines: readonly LinePrice[];
  readonly subtotalMinor: Minor;
  readonly discountMinor: Minor;
  /** null until delivery is chosen. */
  readonly deliveryMinor: Minor | null;
  readonly taxMinor: Minor;
  readonly totalMinor: Minor;
  readonly steps: readonly PriceStep[];
}

export interface PriceInput {
  readonly lines: readonly PriceableLine[];
  readonly offers: readonly Offer[];
  readonly tax: TaxRule;
  readonly deliveryMinor: Minor | null;
}

/** The one entry point for prices: everything shown and everything charged comes from here. */
export function priceCart(input: PriceInput): PricedCart {
  const lines = input.lines.map(priceLine);
  const subtotalMinor = sumMinor(lines.map((line) => line.totalMinor));
  const delivery = priceDelivery(input.deliveryMinor, subtotalMinor, input.offers);
  const net = minor(subtotalMinor + (delivery.totalMinor ?? 0));
  const tax = taxStep(net, input.tax);
  return {
    lines,
    subtotalMinor,
    discountMinor: minor(sumMinor(lines.map((line) => line.fullMinor)) - subtotalMinor),
    deliveryMinor: delivery.totalMinor,
    taxMinor: tax.amountMinor,
    totalMinor: input.tax.included ? net : minor(net + tax.amountMinor),
    steps: [...delivery.steps, tax],
  };
}

function priceLine(line: PriceableLine): LinePrice {
  const full = minor(line.unitPriceMinor * line.quantity);
  const step: PriceStep = {
    code: 'list-price',
    amountMinor: full,
    quantity: line.quantity,
    unitMinor: line.unitPriceMinor,
  };
  return { lineId: line.id, fullMinor: full, totalMinor: full, steps: [step] };
}

function priceDelivery(full: Minor | null, subtotalMinor: Minor, offers: readonly Offer[]) {
  if (full === null) return { totalMinor: null, steps: [] };
  const steps: PriceStep[] = [{ code: 'delivery', amountMinor: full }];
  const free = offers.find(
    (offer) => offer.on && offer.kind === 'freeShipping' && subtotalMinor >= offer.thresholdMinor,
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

/** What is still missing for free delivery; null when no such offer is on. Zero: reached. */
export function missingForFreeDelivery(subtotalMinor: Minor, offers: readonly Offer[]): Minor | null {
  const thresholds = offers
    .filter((offer) => offer.on && offer.kind === 'freeShipping')
    .map((offer) => offer.thresholdMinor);
  return thresholds.length === 0 ? null : minor(Math.max(0, Math.min(...thresholds) - subtotalMinor));
}
