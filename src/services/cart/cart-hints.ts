import type { Cart, CartHint } from '~/core/cart';
import {
  isSameCode,
  offersOf,
  thresholdOf,
  toldOffers,
  type GoodsInput,
  type PricedGoods,
  waitsForBuyer,
  isOnDelivery,
  pricedLine,
} from '~/core/pricing';
import type { RequestContext } from '~/services/request-context';
import { tellerOf } from '~/services/offers/tell-offers';
import type { Good } from './cart-goods';
import { typedCodes } from '~/services/offers/one-time-codes';

/** The most codes told at once; more would fill the cart. */
const MOST_CODES = 2;
/** The most offers looked at for a cart. */
const MOST_TRIED = 8;

const MOST_TOLD = 2;

/** A cart as hints are found for it. */
interface Hinted {
  readonly cart: Cart;
  readonly goods: readonly Good[];
  readonly priced: PricedGoods;
  readonly isBuyerKnown: boolean;
}

/**
 * What the owner tells shoppers of in the cart: codes that would make it cheaper than it is, and the next offer it lacks something for.
 * Each is tried by pricing the cart with it, so that every promise is kept.
 */
export async function hintsOf(
  context: RequestContext,
  of: Hinted,
  priceWith: (codes: GoodsInput['codes']) => PricedGoods,
): Promise<CartHint[]> {
  if (of.cart.lines.length === 0) return [];
  return [...(await hintsAtPay(context, of)), ...(await hintsNow(context, of, priceWith))];
}

/** What comes off once it is known who buys: told until then, in the shopper's language. */
async function hintsAtPay(
  { app, live, language }: RequestContext,
  { goods, priced, isBuyerKnown }: Hinted,
): Promise<CartHint[]> {
  if (isBuyerKnown) return [];
  const at = app.now();
  const offers = offersOf(live.lane.offers).filter(
    ({ id, when }) => when.code === null && waitsForBuyer(priced.refused[id] ?? null),
  );
  if (offers.length === 0) return [];
  const told = goods.flatMap(({ priceable, facts }) =>
    toldOffers({ line: pricedLine(facts, priceable.quantity), isOnePrice: false }, offers, [], at),
  );
  const word = await tellerOf(app, live, language, told);
  const texts = [...new Map(told.map((one) => [one.offerId, one])).values()].flatMap((one) => word(one) ?? []);
  return texts.slice(0, MOST_TOLD).map((text) => ({ kind: 'told' as const, text }));
}

async function hintsNow(
  { app, live: { lane } }: RequestContext,
  { cart, priced }: Pick<Hinted, 'cart' | 'priced'>,
  priceWith: (codes: GoodsInput['codes']) => PricedGoods,
): Promise<CartHint[]> {
  const told = offersOf(lane.offers).filter(({ on, told: isTold }) => on && isTold);
  if (told.length === 0) return [];
  const takesCode = cart.codes.length === 0 || lane.shop.severalCodes;
  const untyped = told.flatMap(({ when: { code, isOneTime } }) =>
    code !== null && !isOneTime && !cart.codes.some((typed) => isSameCode(typed, code)) ? [code] : [],
  );
  const codes = await Promise.all(
    (takesCode ? [...new Set(untyped)] : []).slice(0, MOST_TRIED).map(async (code) => {
      const withIt = priceWith(await typedCodes(app, lane, [...cart.codes, code]));
      return { kind: 'code' as const, code, savedMinor: priced.totalMinor - withIt.totalMinor };
    }),
  );
  const lacking = thresholdOf(
    told.filter((offer) => !isOnDelivery(offer)),
    priced.refused,
    // An offer that was reached is in the receipt already.
    ({ id, when }) => when.code === null && priced.refused[id]?.code === 'needs-more',
  );
  const offer = lacking && lane.offers[lacking.offerId];
  return [
    ...codes
      .filter(({ savedMinor }) => savedMinor > 0)
      .sort((a, b) => b.savedMinor - a.savedMinor || a.code.localeCompare(b.code))
      .slice(0, MOST_CODES),
    ...(offer && lacking
      ? [
          {
            kind: 'more' as const,
            name: offer.name,
            missingMinor: lacking.missingMinor,
            thresholdMinor: lacking.thresholdMinor,
          },
        ]
      : []),
  ];
}
