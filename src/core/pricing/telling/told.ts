import { fits } from '../basis/selection';
import type { PricedLine } from '../basis/line';
import type { ToldEffect } from '../basis/told-words';
import { asksFor, type When } from '../conditions';
import { priceCart } from '../engine/price';
import { isAbout, isRunning } from '../engine/touches';
import { offerFacts, type PricedOffer, type ToldGoods } from '../offers';

/** An offer that is told beside a price, with what it asks for. */
export interface Told {
  readonly offerId: string;
  readonly effect: ToldEffect;
  readonly when: When;
  /** How often one shopper gets it; how often all do is nobody's business. */
  readonly perShopper: number | null;
  /** Whether another offer can take its place. */
  readonly isWhileAlone: boolean;
}

/** In which order offers are told: those that ask for nothing but goods first. */
const ORDER: readonly ToldEffect['code'][] = [
  ...(['same-set', 'gets', 'comes-with', 'bundle', 'together', 'price', 'off'] as const),
  ...(['capped', 'order', 'gift'] as const),
];

/** Whether an offer is one to be told beside some price: it runs, and no price shows it. */
export function isTellable(offer: PricedOffer, shown: readonly PricedOffer[], at: number): boolean {
  const { on } = offer;
  if (!on || offerFacts(offer).stage(offer) === 5 || asksFor(offer, 'code', 'visit')) return false;
  return isRunning(offer, at) && !shown.includes(offer);
}

/**
 * The offers that touch goods and are not in the price shown for them, in the order they are told. Those that need a code, or a
 * visit from somewhere, are for the cart to tell. `shown`: those that are in the price; `at`: milliseconds since 1970.
 */
export function toldOffers(
  goods: ToldGoods,
  offers: readonly PricedOffer[],
  shown: readonly PricedOffer[],
  at: number,
): readonly Told[] {
  const { line } = goods;
  const told = offers.flatMap((offer): Told[] => {
    if (!isTellable(offer, shown, at)) return [];
    const isTouched = offerFacts(offer).stage(offer) === null ? fits(line, offer.when.counts) : isAbout(offer, line);
    const effect = isTouched ? effectOf(offer, goods) : null;
    if (effect === null) return [];
    return [
      {
        offerId: offer.id,
        effect,
        // When it ends is not told beside a price, and so is not sent there.
        when: { ...offer.when, from: null, until: null },
        perShopper: offer.limits.perShopper,
        isWhileAlone: effect.code === 'price' || (effect.code === 'off' && !asksWho(offer)),
      },
    ];
  });
  return told.sort((a, b) => ORDER.indexOf(a.effect.code) - ORDER.indexOf(b.effect.code));
}

function effectOf(offer: PricedOffer, goods: ToldGoods): ToldEffect | null {
  const facts = offerFacts(offer);
  const effect = facts.tells(offer, goods);
  if (effect !== 'by-price') return effect;
  const off = facts.off?.(offer);
  // A share or a sum can be said where no one price can.
  return off && (asksWho(offer) || !goods.isOnePrice) ? { code: 'off', off } : priceBy(offer, goods.line);
}

const asksWho = (offer: PricedOffer) => asksFor(offer, 'buyer', 'address') || offer.limits.perShopper !== null;

/** What one costs by an offer alone, its conditions met; null where that is no less. */
function priceBy(offer: PricedOffer, line: PricedLine): ToldEffect | null {
  const { lines } = priceCart({
    lines: [line],
    offers: [
      {
        ...offer,
        when: {
          ...offer.when,
          shopper: 'any',
          birthdayDays: null,
          countries: [],
          minGoodsMinor: null,
          minQuantity: null,
        },
        limits: { total: null, perShopper: null },
      },
    ],
    codes: [],
    at: new Date(offer.when.from ?? 0).toISOString(),
    today: null,
    shopper: 'new',
    country: null,
    source: null,
    birthday: null,
    used: {},
    deliveryMinor: null,
    deliveryMethod: null,
    tax: { basisPoints: 0, included: true },
  });
  return lines[0]! < line.unitMinor * line.quantity ? { code: 'price', amountMinor: lines[0]! } : null;
}
