import { minor, sumMinor, type Minor } from '~/core/money';
import { isSameCode } from '../basis/codes';
import { taxOf, type TaxRule } from '../basis/tax';
import type { OfferStep } from '../engine/acting';
import { isOnDelivery } from '../engine/touches';
import { offerFacts, type PricedOffer } from '../offers';
import type { PricedLine } from '../basis/line';
import { priceLine, type LinePrice, type PriceStep } from './price-line';
import { priceCart, type OfferRefusal } from '../engine/price';
import type { PricingInput } from '../engine/pricing.schema';
import { thresholdOf, type ThresholdView } from './threshold';

/** Everything a price hangs on besides goods and offers. */
export interface Circumstances {
  /** Milliseconds since 1970. */
  readonly at: number;
  /** YYYY-MM-DD, of the shop. */
  readonly today: string;
  readonly shopper: PricingInput['shopper'];
  /** ISO 3166-1; null while it is not known. */
  readonly country: string | null;
  readonly source: string | null;
  /** MM-DD */
  readonly birthday: string | null;
  readonly used: PricingInput['used'];
}

export interface GoodsInput {
  readonly lines: readonly PricedLine[];
  /** One array a revision: what can be found out of the offers alone is found out once. */
  readonly offers: readonly PricedOffer[];
  readonly tax: TaxRule;
  /** null: not chosen yet. */
  readonly deliveryMinor: Minor | null;
  readonly deliveryMethod: string | null;
  /** One by itself stands for itself. */
  readonly codes: readonly (string | TypedCode)[];
  readonly circumstances: Circumstances;
}

/** A code as it was typed, and as offers know it: the same, but for one of a list of which each works once. */
export interface TypedCode {
  readonly typed: string;
  /** Empty: no offer's. */
  readonly code: string;
  /** The offer it was good for, where it has been used already. */
  readonly usedBy: string | null;
}

const asTyped = (code: string | TypedCode): TypedCode =>
  typeof code === 'string' ? { typed: code, code, usedBy: null } : code;

/** What became of a code. */
export interface PricedCode {
  readonly code: string;
  readonly offerId: string | null;
  readonly takenMinor: Minor;
  /** Null when it counts. */
  readonly refusal: OfferRefusal | { readonly code: 'unknown' } | null;
}

/** A priced cart with its receipt: every amount is the sum of the steps that explain it. */
export interface PricedGoods {
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
  readonly codes: readonly PricedCode[];
  /** How far the goods are from free delivery; null without such an offer. */
  readonly freeDelivery: ThresholdView | null;
  readonly taken: Readonly<Record<string, number>>;
  readonly refused: Readonly<Record<string, OfferRefusal>>;
  readonly gifts: readonly { readonly offerId: string; readonly variant: string; readonly quantity: number }[];
  /** Another combination would make the goods cheaper, and all together dearer. */
  readonly isGoodsDearer: boolean;
}

const USED_UP = { code: 'used-up' } as const;

/** The one entry point for prices: everything shown and everything charged comes from here. Rules: docs/pricing.md. */
export function priceGoods(input: GoodsInput): PricedGoods {
  const { offers, tax, deliveryMinor: fullDelivery } = input;
  const codes = input.codes.map(asTyped);
  const asked = engineInput(input, codes);
  const priced = priceCart(asked);
  const byId = new Map(offers.map((offer) => [offer.id, offer]));
  const stepOf = ({ offerId, amountMinor }: OfferStep): PriceStep => {
    const offer = byId.get(offerId)!;
    const { name, when } = offer;
    const isOfOrder = offerFacts(offer).stage(offer) === 4;
    // One of a list of codes is its own; any other is written as its owner writes it.
    const coupon = when.code === null ? null : when.isOneTime ? codeTyped(codes, when.code) : when.code;
    return { code: 'offer', amountMinor: minor(-amountMinor), offerId, name, coupon, isOfOrder };
  };
  const lines = input.lines.map((line, i): LinePrice => {
    const full = priceLine(line);
    return {
      ...full,
      totalMinor: minor(priced.lines[i]!),
      steps: [...full.steps, ...priced.receipt.lines[i]!.steps.map(stepOf)],
    };
  });
  const subtotalMinor = sumMinor(lines.map((line) => line.fullMinor));
  const goodsMinor = sumMinor(lines.map((line) => line.totalMinor));
  const deliverySteps: PriceStep[] =
    fullDelivery === null
      ? []
      : [{ code: 'delivery', amountMinor: fullDelivery }, ...priced.receipt.delivery.map(stepOf)];
  return {
    lines,
    subtotalMinor,
    discountMinor: minor(subtotalMinor - goodsMinor),
    deliveryMinor: priced.deliveryMinor === null ? null : minor(priced.deliveryMinor),
    taxMinor: minor(priced.taxMinor),
    totalMinor: minor(priced.totalMinor),
    steps: [...deliverySteps, ...taxSteps(input.lines, lines, priced.deliveryMinor ?? 0, tax)],
    codes: priced.codes.map(({ offerId, refusal }, i) => {
      const { typed, usedBy } = codes[i]!;
      const when = byId.get(offerId ?? '')?.when;
      return {
        code: when?.code && !when.isOneTime ? when.code : typed.trim(),
        offerId: usedBy ?? offerId,
        takenMinor: minor(offerId === null ? 0 : (priced.taken[offerId] ?? 0)),
        refusal: usedBy !== null ? USED_UP : offerId === null ? { code: 'unknown' as const } : refusal,
      };
    }),
    freeDelivery: thresholdOf(offers, priced.refused, isOnDelivery),
    taken: priced.taken,
    refused: priced.refused,
    gifts: priced.gifts,
    isGoodsDearer: priced.receipt.isGoodsDearer,
  };
}

function engineInput(
  { lines, offers, tax, circumstances, deliveryMinor, deliveryMethod }: GoodsInput,
  codes: readonly TypedCode[],
): PricingInput {
  const { at, today, shopper, country, source, birthday, used } = circumstances;
  return {
    lines,
    offers,
    codes: codes.map(({ code }) => code),
    at: new Date(at).toISOString(),
    today,
    shopper,
    country,
    source,
    birthday,
    used,
    deliveryMinor,
    deliveryMethod,
    tax,
  };
}

const codeTyped = (codes: readonly TypedCode[], wanted: string): string | null =>
  codes.find(({ code }) => isSameCode(code, wanted))?.typed.trim() ?? null;

/** Once a rate, over all lines of that rate; delivery is taxed at the shop's. The highest first; a rate of nothing is no tax. */
function taxSteps(
  asked: readonly PricedLine[],
  lines: readonly LinePrice[],
  deliveryMinor: number,
  tax: TaxRule,
): PriceStep[] {
  const bases = new Map<number, number>();
  const add = (rate: number, amount: number) => bases.set(rate, (bases.get(rate) ?? 0) + amount);
  for (const [i, line] of lines.entries()) add(asked[i]!.taxBasisPoints ?? tax.basisPoints, line.totalMinor);
  if (deliveryMinor > 0 || bases.size === 0) add(tax.basisPoints, deliveryMinor);
  return [...bases]
    .filter(([rate]) => rate > 0)
    .sort(([a], [b]) => b - a)
    .map(([basisPoints, base]) => ({
      code: tax.included ? ('tax-included' as const) : ('tax-on-top' as const),
      amountMinor: minor(taxOf(base, basisPoints, tax.included)),
      basisPoints,
    }));
}
