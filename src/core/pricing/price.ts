import { findBest, inTurn, MOST_SEARCHED, runOffers, takenBy, type Combination } from './combine';
import { halfUp } from './half-up';
import { fullPrice, judgeOffers, plainCode, type Refusal } from './judge';
import type { PricedOffer, PricingInput } from './pricing.schema';
import { beginning, cartOf, type OfferStep, type TakingOffer } from './state';

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
  judgeOffers(input, (offer, refusal) => {
    if (refusal) refused[offer.id] = refusal;
    else if (isTaking(offer)) able.push(offer);
    else gifts.push({ offerId: offer.id, variant: offer.variant, quantity: offer.quantity });
  });
  const start = beginning(cart, deliveryMinor);
  const alone = able.map((offer) => runOffers(cart, start, [offer]));
  const searched = alone.length <= MOST_SEARCHED ? alone : thoseThatTakeMost(alone);
  // What takes nothing alone may take something beside others: a set can leave it what it needs. All are searched.
  const best = findBest(cart, start, searched);
  const taken: Record<string, number> = {};
  for (const { id } of best.offers) taken[id] = takenBy(id, best.steps);
  let chosen: readonly string[] | null = null;
  for (const one of alone) {
    const [offer] = one.offers as [TakingOffer];
    if (Object.hasOwn(taken, offer.id)) continue;
    if (!searched.includes(one)) refused[offer.id] = { code: 'not-searched' };
    else if (offer.kind === 'deliveryOff' && deliveryMinor === null)
      refused[offer.id] = { code: 'delivery-not-chosen' };
    else if (takenBy(offer.id, one.steps) === 0) refused[offer.id] = { code: 'no-effect' };
    else refused[offer.id] = { code: 'outdone', by: (chosen ??= best.offers.map(({ id }) => id)) };
  }
  const { lines } = best.state;
  const delivery = best.state.deliveryMinor;
  const goods = sum(lines);
  const taxMinor = taxOf(input, lines, delivery ?? 0);
  return {
    lines,
    deliveryMinor: delivery,
    taxMinor,
    totalMinor: goods + (delivery ?? 0) + (input.tax.included ? 0 : taxMinor),
    taken,
    refused,
    gifts,
    codes: input.codes.map((typed) => codeAnswer(typed, input.offers, refused)),
    receipt: { ...receiptOf(input, best.steps), isGoodsDearer: alone.some(({ state }) => sum(state.lines) < goods) },
  };
}

function sum(amounts: readonly number[]): number {
  let all = 0;
  for (const amount of amounts) all += amount;
  return all;
}

/** Of more than can be searched, those that take most alone. */
function thoseThatTakeMost(alone: readonly Combination[]): readonly Combination[] {
  const takenAlone = ({ offers, steps }: Combination) => takenBy(offers[0]!.id, steps);
  return alone
    .toSorted((a, b) => takenAlone(b) - takenAlone(a) || inTurn(a.offers[0]!, b.offers[0]!))
    .slice(0, MOST_SEARCHED);
}

function receiptOf(input: PricingInput, steps: readonly OfferStep[]): Omit<Priced['receipt'], 'isGoodsDearer'> {
  const lines = input.lines.map((line) => ({ id: line.id, fullMinor: fullPrice(line), steps: [] as OfferStep[] }));
  const delivery: OfferStep[] = [];
  for (const step of steps) (step.line === null ? delivery : lines[step.line]!.steps).push(step);
  return { lines, delivery };
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
  let usual = deliveryMinor;
  let others: Map<number, number> | null = null;
  for (let i = 0; i < lines.length; i += 1) {
    const rate = lines[i]!.taxBasisPoints ?? tax.basisPoints;
    if (rate === tax.basisPoints) usual += costs[i]!;
    else (others ??= new Map()).set(rate, (others.get(rate) ?? 0) + costs[i]!);
  }
  const taxAt = (rate: number, base: number) => halfUp(base * rate, tax.included ? 10_000 + rate : 10_000);
  let all = taxAt(tax.basisPoints, usual);
  for (const [rate, base] of others ?? []) all += taxAt(rate, base);
  return all;
}
