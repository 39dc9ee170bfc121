import { usualSum, type Currency } from '~/core/money';
import { NO_GIFT, offerSchema, type Offer, type OfferKind } from '~/core/pricing';

/** What an offer can do, as an owner chooses it. */
export const KINDS: Readonly<Record<OfferKind, { readonly label: string; readonly help: string }>> = {
  percentOff: { label: 'Percent off', help: 'A share off each item, or off the whole order.' },
  amountOff: { label: 'Amount off', help: 'A sum off each item, or off the whole order.' },
  priceIs: { label: 'Special price', help: 'Items are sold at a price of their own.' },
  quantityBreaks: { label: 'Quantity discount', help: 'Whoever takes more pays less for each.' },
  buyGet: { label: 'Buy some, get some', help: 'Whoever buys some gets others free or cheaper.' },
  bundle: { label: 'Bundle price', help: 'Certain items together at one price.' },
  deliveryOff: { label: 'Delivery discount', help: 'Delivery free, cheaper, or at a flat rate.' },
  gift: { label: 'Gift', help: 'An item is put in at nothing.' },
};

/** How an offer of a kind begins: small, harmless, off, and in one group with all others, so that an item is lowered once unless somebody says so. */
export function beginOffer(kind: OfferKind, currency: Currency): Offer {
  const about = (euros: number) => usualSum(euros, currency);
  const own: Readonly<Record<OfferKind, object>> = {
    percentOff: { target: 'lines', basisPoints: 1000 },
    amountOff: { target: 'order', amountMinor: about(5) },
    priceIs: { selection: { only: {} }, unitMinor: about(10) },
    quantityBreaks: { breaks: [{ from: 5, basisPoints: 500 }] },
    buyGet: { buyQuantity: 2, getQuantity: 1, basisPoints: 10_000 },
    bundle: { items: [{ selection: { only: {} }, quantity: 1 }], priceMinor: about(50) },
    deliveryOff: { basisPoints: 10_000, when: { minGoodsMinor: about(50) } },
    gift: { variant: NO_GIFT, quantity: 1, when: { minGoodsMinor: about(50) } },
  };
  return offerSchema.parse({
    kind,
    name: KINDS[kind].label,
    on: false,
    combine: { group: 'discounts', per: 'item' },
    ...own[kind],
  });
}
