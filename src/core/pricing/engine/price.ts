import { plainCode } from '../basis/codes';
import { cartOf, costOf, MOST_SEARCHED, standingsOf } from '../basis/standing';
import { taxOf } from '../basis/tax';
import { lackOf } from '../conditions';
import type { PricedOffer } from '../offers';
import { inTurn, type Acting, type OfferStep } from './acting';
import { compileOffers, filterApplicable, type Refusal } from './compiled-offers';
import { findBest } from './combine';
import type { PricingInput } from './pricing.schema';
import { allAlone, runOffers, type Alone } from './run';

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

/**
 * The price of a cart with the best legal combination of offers, and why each offer is in it or not. Rules: docs/pricing.md.
 * The order of the offers does not matter; sums are exact in minor units.
 */
export function priceCart(input: PricingInput): Priced {
  const { deliveryMinor } = input;
  const compiled = compileOffers(input.offers);
  const applicable = filterApplicable(compiled, input);
  const refused: Record<string, OfferRefusal> = {};
  const stands = (offer: PricedOffer) => {
    const refusal = lackOf(offer, input.lines);
    if (refusal) refused[offer.id] = refusal;
    return refusal === null;
  };
  const able = applicable.acting.filter(({ offer }) => stands(offer));
  const gifts = applicable.gifts
    .filter(({ offer }) => stands(offer))
    .map(({ offer: { id }, gift: { variant, quantity } }) => ({ offerId: id, variant, quantity }));
  const cart = cartOf(input.lines, input.deliveryMethod);
  const standings = standingsOf(compiled.memory, cart, deliveryMinor);
  const alone = allAlone(cart, standings, able);
  // What takes nothing alone may take something beside others: a set can leave it what it needs. All are searched.
  const searched = alone.length <= MOST_SEARCHED ? alone : allAlone(cart, standings, thoseThatTakeMost(alone));
  const best = findBest(cart, standings, searched);
  const taken: Record<string, number> = {};
  const receipt = input.lines.map((line, i) => ({
    id: line.id,
    fullMinor: standings.start.lines[i]!,
    steps: [] as OfferStep[],
  }));
  const delivery: OfferStep[] = [];
  const after = runOffers(cart, standings, best, ({ id }, line, amountMinor) => {
    taken[id] = (taken[id] ?? 0) + amountMinor;
    (line === null ? delivery : receipt[line]!.steps).push({ offerId: id, line, amountMinor });
  });
  let outdone: OfferRefusal | null = null;
  let isGoodsDearer = false;
  for (const one of alone) {
    const { offer } = one.acting;
    isGoodsDearer ||= one.goodsMinor < after.goodsMinor;
    if (best.includes(one.acting)) continue;
    if (searched !== alone && !searched.some(({ acting }) => acting === one.acting)) refused[offer.id] = NOT_SEARCHED;
    else if (one.acting.stage === 5 && deliveryMinor === null) refused[offer.id] = DELIVERY_NOT_CHOSEN;
    else if (one.takenMinor === 0) refused[offer.id] = NO_EFFECT;
    else refused[offer.id] = outdone ??= { code: 'outdone', by: inTurn(best).map(({ offer: { id } }) => id) };
  }
  Object.assign(refused, applicable.refused);
  const lines = input.lines.map((_, i) => after.lines[i]!);
  const taxMinor = taxOfCart(input, lines, after.deliveryMinor);
  return {
    lines,
    deliveryMinor: deliveryMinor === null ? null : after.deliveryMinor,
    taxMinor,
    totalMinor: costOf(after) + (input.tax.included ? 0 : taxMinor),
    taken,
    refused,
    gifts,
    codes: input.codes.map((typed) => codeAnswer(typed, compiled.byCode.get(plainCode(typed)) ?? [], refused)),
    receipt: { lines: receipt, delivery, isGoodsDearer },
  };
}

const NOT_SEARCHED = Object.freeze({ code: 'not-searched' });
const DELIVERY_NOT_CHOSEN = Object.freeze({ code: 'delivery-not-chosen' });
const NO_EFFECT = Object.freeze({ code: 'no-effect' });

/** Of more than can be searched, those that take most alone; as they act. */
function thoseThatTakeMost(alone: readonly Alone[]): readonly Acting[] {
  const most = alone
    .toSorted((a, b) => b.takenMinor - a.takenMinor || a.acting.turn - b.acting.turn)
    .slice(0, MOST_SEARCHED);
  return alone.flatMap((one) => (most.includes(one) ? one.acting : []));
}

function codeAnswer(
  typed: string,
  own: readonly PricedOffer[],
  refused: Readonly<Record<string, OfferRefusal>>,
): Priced['codes'][number] {
  const used = own.find(({ id }) => !Object.hasOwn(refused, id)) ?? own[0];
  return {
    typed,
    offerId: used?.id ?? null,
    refusal: used && Object.hasOwn(refused, used.id) ? refused[used.id]! : null,
  };
}

/** Once a rate over all its lines; delivery at the shop's. */
function taxOfCart({ lines, tax }: PricingInput, costs: readonly number[], deliveryMinor: number): number {
  let usual = deliveryMinor;
  let others: Map<number, number> | null = null;
  for (let i = 0; i < lines.length; i += 1) {
    const rate = lines[i]!.taxBasisPoints ?? tax.basisPoints;
    if (rate === tax.basisPoints) usual += costs[i]!;
    else (others ??= new Map()).set(rate, (others.get(rate) ?? 0) + costs[i]!);
  }
  let all = taxOf(usual, tax.basisPoints, tax.included);
  for (const [rate, base] of others ?? []) all += taxOf(base, rate, tax.included);
  return all;
}
