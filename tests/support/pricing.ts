import { pricingInputSchema, priceCart, type Priced, type PricingInput } from '~/core/pricing';

/** A line as tests write it: `10 × 2` of product `a`, in minor units. */
export interface ShortLine {
  readonly product?: string;
  readonly unit: number;
  readonly quantity?: number;
  readonly options?: number;
  readonly once?: number;
  readonly tags?: readonly string[];
  readonly categories?: readonly string[];
  readonly tax?: number;
}

export const line = (unit: number, quantity = 1, product = 'a', more: Partial<ShortLine> = {}): ShortLine => ({
  unit,
  quantity,
  product,
  ...more,
});

/** An input with lines as tests write them, tax of 20 % included and delivery of 4.90. */
export function cartInput(lines: readonly ShortLine[], offers: readonly object[], over: object = {}): PricingInput {
  return pricingInputSchema.parse({
    lines: lines.map(({ product = 'a', unit, quantity = 1, options, once, tags, categories, tax }, i) => ({
      id: `l${i}`,
      product,
      variant: `${product}-1`,
      quantity,
      unitMinor: unit,
      tags: [...(tags ?? [])],
      categories: [...(categories ?? [])],
      taxBasisPoints: tax,
      ...(options !== undefined && { unitOptionsMinor: options }),
      ...(once !== undefined && { onceOptionsMinor: once }),
    })),
    offers: offers.map((offer, i) => ({ id: `o${i}`, ...offer })),
    at: '2026-11-26T12:00:00Z',
    deliveryMinor: 490,
    tax: { basisPoints: 2000, included: true },
    ...over,
  });
}

export const price = (lines: readonly ShortLine[], offers: readonly object[], over: object = {}): Priced =>
  priceCart(cartInput(lines, offers, over));

/** Selections as tests write them. */
export const only = (...products: string[]) => ({ only: { products } });
export const grouped = (group = 'discounts') => ({ combine: { group } });
export const alone = { combine: { alone: true } };
