import { findBest, inTurn, MOST_SEARCHED, runOffers, takenBy } from './combine';
import { halfUp } from './half-up';
import { fullPrice, plainCode, refusalOf, type Refusal } from './judge';
import type { PricedOffer, PricingInput } from './pricing.schema';
import { cartOf, type OfferStep, type TakingOffer } from './stages';

/** Why an offer is not in the price, with its facts. `by`: the offers that are. */
export type OfferRefusal =
  | Refusal
  | { readonly code: 'not-searched' | 'delivery-not-chosen' | 'no-effect' }
  | { readonly code: 'outdone'; readonly by: readonly string[] };

export interface Priced {
  /** What each line costs, in order. */
  readonly lines: readonly number[];
  readonly deliveryMinor: number | null;
  readonly taxMinor: number;
  readonly totalMinor: number;
  /** What each offer in the price takes. */
  readonly taken: Readonly<Record<string, number>>;
  readonly refused: Readonly<Record<string, OfferRefusal>>;
  /** Variants given for nothing; outside the sums. */
  readonly gifts: readonly { readonly offerId: string; readonly variant: string; readonly quantity: number }[];
  /** What became of each code, as typed: its offer, and why that is not in the price. */
  readonly codes: readonly {
    readonly typed: string;
    readonly offerId: string | null;
    readonly refusal: OfferRefusal | null;
  }[];
  readonly receipt: {
    /** Each line at full price, and every step down from it; they add up to what it costs. */
    readonly lines: readonly {
      readonly id: string;
      readonly fullMinor: number;
      readonly steps: readonly OfferStep[];
    }[];
    readonly delivery: readonly OfferStep[];
    /** Whether another combination would make the goods cheaper and delivery dearer, and more in all. */
    readonly isGoodsDearer: boolean;
  };
}

const isTaking = (offer: PricedOffer): offer is TakingOffer => offer.kind !== 'gift';

/**
 * The price of a cart with the best legal combination of offers, and why each offer is in it or not. Rules: docs/pricing.md.
 * The order of the offers does not matter; sums are exact in minor units.
 */
export function priceCart(input: PricingInput): Priced {
  const cart = cartOf(input.lines, input.deliveryMethod);
  const { deliveryMinor } = input;
  const refused: Record<string, OfferRefusal> = {};
  const able: TakingOffer[] = [];
  const gifts: { offerId: string; variant: string; quantity: number }[] = [];
  for (const offer of input.offers) {
    const refusal = refusalOf(offer, input);
    if (refusal) refused[offer.id] = refusal;
    else if (isTaking(offer)) able.push(offer);
    else gifts.push({ offerId: offer.id, variant: offer.variant, quantity: offer.quantity });
  }
  const alone = new Map(able.map((offer) => [offer.id, runOffers(cart, deliveryMinor, [offer])]));
  const takenAlone = (offer: TakingOffer) => takenBy(offer.id, alone.get(offer.id)!.steps);
  const searched =
    able.length <= MOST_SEARCHED
      ? able
      : able.toSorted((a, b) => takenAlone(b) - takenAlone(a) || inTurn(a, b)).slice(0, MOST_SEARCHED);
  // What takes nothing alone may take something beside others: a set can leave it what it needs. All are searched.
  const best = findBest(
    cart,
    deliveryMinor,
    searched.map(({ id }) => alone.get(id)!),
  );
  const chosen = best.offers.map(({ id }) => id);
  for (const offer of able) {
    if (chosen.includes(offer.id)) continue;
    refused[offer.id] = !searched.includes(offer)
      ? { code: 'not-searched' }
      : offer.kind === 'deliveryOff' && deliveryMinor === null
        ? { code: 'delivery-not-chosen' }
        : takenAlone(offer) === 0
          ? { code: 'no-effect' }
          : { code: 'outdone', by: chosen };
  }
  const { lines } = best.state;
  const goods = lines.reduce((sum, line) => sum + line, 0);
  const cheapestGoods = Math.min(
    ...[...alone.values()].map(({ state }) => state.lines.reduce((sum, line) => sum + line, 0)),
    goods,
  );
  const taxMinor = taxOf(input, lines, best.state.deliveryMinor ?? 0);
  return {
    ...{ lines, deliveryMinor: best.state.deliveryMinor, taxMinor },
    totalMinor: goods + (best.state.deliveryMinor ?? 0) + (input.tax.included ? 0 : taxMinor),
    taken: Object.fromEntries(chosen.map((id) => [id, takenBy(id, best.steps)])),
    ...{ refused, gifts },
    codes: input.codes.map((typed) => codeAnswer(typed, input.offers, refused)),
    receipt: {
      lines: input.lines.map((line, i) => ({
        ...{ id: line.id, fullMinor: fullPrice(line) },
        steps: best.steps.filter((step) => step.line === i),
      })),
      delivery: best.steps.filter((step) => step.line === null),
      isGoodsDearer: cheapestGoods < goods,
    },
  };
}

function codeAnswer(
  typed: string,
  offers: readonly PricedOffer[],
  refused: Readonly<Record<string, OfferRefusal>>,
): Priced['codes'][number] {
  const own = offers.filter(({ when }) => when.code !== null && plainCode(when.code) === plainCode(typed));
  const used = own.find(({ id }) => !Object.hasOwn(refused, id)) ?? own[0];
  return {
    typed,
    offerId: used?.id ?? null,
    refusal: used && Object.hasOwn(refused, used.id) ? refused[used.id]! : null,
  };
}

/** Once a rate over all its lines, half up; delivery at the shop's. */
function taxOf({ lines, tax }: PricingInput, costs: readonly number[], deliveryMinor: number): number {
  const bases = new Map([[tax.basisPoints, deliveryMinor]]);
  for (const [i, line] of lines.entries()) {
    const rate = line.taxBasisPoints ?? tax.basisPoints;
    bases.set(rate, (bases.get(rate) ?? 0) + costs[i]!);
  }
  let sum = 0;
  for (const [rate, base] of bases) sum += halfUp(base * rate, tax.included ? 10_000 + rate : 10_000);
  return sum;
}
