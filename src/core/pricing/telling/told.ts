import { assertNever } from '~/core/problems';
import { priceCart } from '../engine/price';
import type { LineSelection, Offer, PricedLine, PricedOffer } from '../engine/pricing.schema';
import { fits } from '../engine/selection';
import { isAbout, isRunning } from '../engine/touches';

/** What an offer takes off: a part in basis points, or a sum in minor units. */
export type Off = { readonly basisPoints: number } | { readonly amountMinor: number };

/** What an offer does for goods that its price does not show, as far as one line beside the price can say it. */
export type ToldEffect =
  | { readonly code: 'same-set'; readonly buy: number; readonly get: number; readonly basisPoints: number }
  | {
      readonly code: 'gets' | 'comes-with';
      readonly buy: number;
      readonly get: number;
      readonly basisPoints: number;
      /** The other goods of it. */
      readonly what: LineSelection;
    }
  | {
      readonly code: 'bundle';
      readonly items: readonly { readonly selection: LineSelection; readonly quantity: number }[];
      readonly priceMinor: number;
    }
  | { readonly code: 'capped'; readonly off: Off; readonly maxMinor: number }
  | { readonly code: 'order'; readonly off: Off; readonly what: LineSelection }
  | {
      readonly code: 'together';
      readonly from: number;
      readonly what: LineSelection;
      readonly each: Off | { unitMinor: number };
    }
  | { readonly code: 'off'; readonly off: Off }
  /** What one costs by it alone. */
  | { readonly code: 'price'; readonly amountMinor: number }
  | { readonly code: 'gift'; readonly variant: string; readonly quantity: number };

/** An offer that is told beside a price, with what it asks for. */
export interface Told {
  readonly offerId: string;
  readonly effect: ToldEffect;
  readonly when: Pick<
    Offer['when'],
    'shopper' | 'birthdayDays' | 'countries' | 'minGoodsMinor' | 'minQuantity' | 'counts'
  >;
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
  if (!offer.on || offer.kind === 'deliveryOff' || offer.when.code !== null || offer.when.sources.length > 0)
    return false;
  return isRunning(offer, at) && !shown.includes(offer);
}

/** Goods as offers are told of them: with several prices no single one can be told. */
export interface ToldGoods {
  readonly line: PricedLine;
  readonly isOnePrice: boolean;
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
    const isTouched = offer.kind === 'gift' ? fits(line, offer.when.counts) : isAbout(offer, line);
    const effect = isTouched ? effectOf(offer, goods) : null;
    if (effect === null) return [];
    const { shopper, birthdayDays, countries, minGoodsMinor, minQuantity, counts } = offer.when;
    return [
      {
        offerId: offer.id,
        effect,
        when: { shopper, birthdayDays, countries, minGoodsMinor, minQuantity, counts },
        perShopper: offer.limits.perShopper,
        isWhileAlone: effect.code === 'price' || (effect.code === 'off' && !asksWho(offer)),
      },
    ];
  });
  return told.sort((a, b) => ORDER.indexOf(a.effect.code) - ORDER.indexOf(b.effect.code));
}

const offOf = (offer: Extract<PricedOffer, { kind: 'percentOff' | 'amountOff' }>): Off =>
  offer.kind === 'percentOff' ? { basisPoints: offer.basisPoints } : { amountMinor: offer.amountMinor };

function effectOf(offer: PricedOffer, { line, isOnePrice }: ToldGoods): ToldEffect | null {
  switch (offer.kind) {
    case 'deliveryOff':
      return null;
    case 'gift':
      return { code: 'gift', variant: offer.variant, quantity: offer.quantity };
    case 'buyGet': {
      const { buyQuantity: buy, getQuantity: get, basisPoints } = offer;
      const [isBought, isGot] = [fits(line, offer.buy), fits(line, offer.get)];
      if (isBought && isGot) return { code: 'same-set', buy, get, basisPoints };
      return isBought
        ? { code: 'gets', buy, get, basisPoints, what: offer.get }
        : { code: 'comes-with', buy, get, basisPoints, what: offer.buy };
    }
    case 'bundle':
      return { code: 'bundle', items: offer.items, priceMinor: offer.priceMinor };
    case 'percentOff':
    case 'amountOff':
      if (offer.target === 'order') return { code: 'order', off: offOf(offer), what: offer.selection };
      if (offer.maxMinor !== null) return { code: 'capped', off: offOf(offer), maxMinor: offer.maxMinor };
      return asksWho(offer) || !isOnePrice ? { code: 'off', off: offOf(offer) } : priceBy(offer, line);
    case 'quantityBreaks':
    case 'priceIs':
      if (offer.kind === 'quantityBreaks' && offer.count === 'selection') {
        const [first] = offer.breaks.toSorted((a, b) => a.from - b.from);
        return { code: 'together', from: first!.from, what: offer.selection, each: first! };
      }
      return priceBy(offer, line);
    default:
      return assertNever(offer);
  }
}

const asksWho = ({ when, limits }: PricedOffer) =>
  when.shopper !== 'any' || when.birthdayDays !== null || when.countries.length > 0 || limits.perShopper !== null;

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
