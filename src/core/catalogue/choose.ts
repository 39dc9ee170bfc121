import { own } from '~/core/own';
import { fail, ok, type Result } from '~/core/problems';
import type { Product, Variant } from './product';

export type Choices = Readonly<Record<string, string>>;

export function isSoldOut(variant: Pick<Variant, 'stock'>): boolean {
  return variant.stock !== null && variant.stock <= 0;
}

/** The variant that answers every choice, or what is still to be chosen. A product without choices has one variant. */
export function resolveVariant(product: Pick<Product, 'axes' | 'variants'>, choices: Choices): Result<Variant> {
  const open = product.axes.filter((axis) => !own(choices, axis));
  if (open.length > 0) return fail('choices', 'choice-missing', { axes: open.join(', ') });
  const found = product.variants.find((variant) =>
    product.axes.every((axis) => own(variant.choices, axis) === own(choices, axis)),
  );
  return found ? ok(found) : fail('choices', 'no-such-variant');
}

/** Whether a value can still be had: `sold-out` when made but not in stock, `unmade` when no variant has it. */
export type Availability = 'available' | 'sold-out' | 'unmade';

export interface ChoiceValue {
  readonly value: string;
  readonly availability: Availability;
}

/** The values of one axis in catalogue order, each judged against the choices made on the other axes. */
export function valuesOf(product: Pick<Product, 'variants'>, axis: string, choices: Choices): ChoiceValue[] {
  const values = [...new Set(product.variants.map((variant) => own(variant.choices, axis) ?? ''))].filter(Boolean);
  return values.map((value) => {
    const matching = product.variants.filter((variant) =>
      Object.entries({ ...choices, [axis]: value }).every(
        ([key, chosen]) => !chosen || own(variant.choices, key) === chosen,
      ),
    );
    if (matching.length === 0) return { value, availability: 'unmade' };
    return { value, availability: matching.every(isSoldOut) ? 'sold-out' : 'available' };
  });
}

/** The choices a product opens with: those of the first variant in stock, else of the first. */
export function firstChoices(product: Pick<Product, 'variants'>): Choices {
  const variant = product.variants.find((candidate) => !isSoldOut(candidate)) ?? product.variants[0];
  return variant?.choices ?? {};
}

export function variantLabel(variant: Pick<Variant, 'choices'>): string {
  return Object.values(variant.choices).join(', ');
}
