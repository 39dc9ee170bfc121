import type { Choices, Product, Variant } from '~/core/catalogue';
import { evaluateOptions, type Answers } from '~/core/options';

export interface Swap {
  readonly variantId: number;
  /** What carries over of the answers; what the better one does not ask is left behind. */
  readonly answers: Answers;
  /** What the shopper gets of it, where it can be chosen: “Medium, Night”. */
  readonly choices: string;
  /** Facts that change, as “Weight: 320 g → 280 g”. */
  readonly changes: readonly string[];
}

/**
 * What stands in the place of a line when its better one is taken: the variant that shares most of what was chosen and is left in
 * as many, with the answers it understands. Null where none is left, or where it asks for something that was never answered.
 */
export function swapFor(
  line: { readonly choices: Choices; readonly answers: Answers; readonly quantity: number },
  from: Pick<Product, 'attributes'>,
  to: Pick<Product, 'attributes' | 'variants' | 'options'>,
  today: string,
): Swap | null {
  const shared = ({ choices }: Variant) =>
    Object.entries(choices).filter(([axis, value]) => line.choices[axis] === value).length;
  const [best] = to.variants
    .filter(({ stock }) => stock === null || stock >= line.quantity)
    .toSorted((a, b) => shared(b) - shared(a));
  if (!best) return null;
  const asked = new Set(to.options.map(({ key }) => key));
  const known = Object.fromEntries(Object.entries(line.answers).filter(([key]) => asked.has(key)));
  const { problems, answers } = evaluateOptions(to.options, known, today);
  if (problems.length > 0) return null;
  return {
    variantId: best.id,
    answers,
    choices: Object.values(best.choices).join(', '),
    changes: changesOf(from, to),
  };
}

/** The facts in which one product differs from another, as “Weight: 320 g → 280 g”. */
export function changesOf(from: Pick<Product, 'attributes'>, to: Pick<Product, 'attributes'>): string[] {
  const before = new Map(from.attributes.map(({ key, value }) => [key, value]));
  return to.attributes.flatMap(({ key, value }) => {
    const old = before.get(key);
    return old === value ? [] : [old === undefined ? `${key}: ${value}` : `${key}: ${old} → ${value}`];
  });
}
