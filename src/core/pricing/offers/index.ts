import { z } from 'zod';
import { usualSum, type Currency } from '~/core/money';
import { key } from '../basis/fields';
import { amountOff } from './amount-off';
import { bundle } from './bundle';
import { buyGet } from './buy-get';
import { deliveryOff } from './delivery-off';
import { gift } from './gift';
import { shared, type OfferFacts, type OfferOf } from './offer-kind';
import { percentOff } from './percent-off';
import { priceIs } from './price-is';
import { quantityBreaks } from './quantity-breaks';

/** Every kind of offer there is, a line each. */
const OFFERS = { percentOff, amountOff, priceIs, quantityBreaks, buyGet, bundle, deliveryOff, gift };

type Kinds = typeof OFFERS;
export type OfferKind = keyof Kinds;
/** An offer as a lane holds it, under its id. */
export type Offer = { [Kind in OfferKind]: OfferOf<Kind, Kinds[Kind]['shape']> }[OfferKind];
export type PricedOffer = Offer & { id: string };

export const OFFER_KINDS = Object.keys(OFFERS) as OfferKind[];

/** All that tells one kind from another. */
export const offerFacts = ({ kind }: { readonly kind: OfferKind }): OfferFacts<Offer> => OFFERS[kind];

/** Every kind of offer; `own` is what each holds besides. */
function anyOffer<Own extends z.ZodRawShape>(own: Own): z.ZodType<Offer & z.output<z.ZodObject<Own>>> {
  const [first, ...rest] = Object.values(OFFERS).map(({ kind, shape }) =>
    z.strictObject({ kind: z.literal(kind), ...own, ...shared, ...shape }),
  );
  const any: z.ZodType = z.discriminatedUnion('kind', [first!, ...rest]);
  return any as z.ZodType<Offer & z.output<z.ZodObject<Own>>>;
}

export const offerSchema = anyOffer({});
export const pricedOfferSchema = anyOffer({ id: key });

/** How an offer of a kind begins: small, harmless, off, and in one group with all others, so that an item is lowered once unless somebody says so. */
export function beginOffer(kind: OfferKind, currency: Currency): Offer {
  const facts = offerFacts({ kind });
  return offerSchema.parse({
    kind,
    name: facts.label,
    on: false,
    combine: { group: 'discounts', per: 'item' },
    ...facts.begins({ about: (euros) => usualSum(euros, currency) }),
  });
}

/** Standard delivery free of charge from a sum on. */
export const freeStandardDelivery = (minGoodsMinor: number): Offer =>
  offerSchema.parse({
    kind: deliveryOff.kind,
    name: 'Free delivery',
    when: { minGoodsMinor },
    methods: ['standard'],
    basisPoints: 10_000,
  });

export { NO_GIFT } from './gift';
export type { OfferFacts, ToldGoods } from './offer-kind';
