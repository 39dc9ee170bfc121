import { measureOf } from './measure';
import type { Product } from './product';

/** One attribute of several products, side by side. */
export interface ComparedRow {
  readonly key: string;
  /** In the order of the products; null: the product does not say. */
  readonly values: readonly (string | null)[];
  /** Whether the products say different things; what is missing is no difference. */
  readonly differs: boolean;
  /** Places of the best among them, where more or less of it is better and they are not all the same. */
  readonly best: readonly number[];
}

export interface ComparedBy {
  /** Names of attributes, in order; none: all there are, those that most products have first. */
  readonly order: readonly string[];
  readonly moreIsBetter: readonly string[];
  readonly lessIsBetter: readonly string[];
}

/** A list an owner typed: names with commas between them. */
export function namesIn(text: string): string[] {
  return [
    ...new Set(
      text
        .split(',')
        .map((name) => name.trim())
        .filter(Boolean),
    ),
  ];
}

/** The attributes of products as rows. An attribute none of them has is no row. */
export function compareProducts(
  products: readonly Pick<Product, 'attributes'>[],
  { order, moreIsBetter, lessIsBetter }: ComparedBy,
): ComparedRow[] {
  const held = new Map<string, number>();
  for (const { attributes } of products) for (const { key } of attributes) held.set(key, (held.get(key) ?? 0) + 1);
  const keys =
    order.length > 0
      ? order.filter((key) => held.has(key))
      : [...held.keys()].sort((a, b) => held.get(b)! - held.get(a)!);
  return keys.map((key) => {
    const values = products.map(
      ({ attributes }) => attributes.find((attribute) => attribute.key === key)?.value ?? null,
    );
    const said = values.filter((value) => value !== null);
    return {
      key,
      values,
      differs: new Set(said).size > 1,
      best: bestOf(values, moreIsBetter.includes(key) ? 1 : lessIsBetter.includes(key) ? -1 : 0),
    };
  });
}

/** Only numbers of one unit can be better than each other. */
function bestOf(values: readonly (string | null)[], direction: 1 | -1 | 0): number[] {
  if (direction === 0) return [];
  const measures = values.map((value) => (value === null ? null : measureOf(value)));
  const known = measures.filter((measure) => measure !== null);
  if (known.length < 2 || measures.some((measure, i) => measure === null && values[i] !== null)) return [];
  if (new Set(known.map(({ unit }) => unit)).size > 1) return [];
  const amounts = known.map(({ amount }) => amount * direction);
  const top = Math.max(...amounts);
  if (amounts.every((amount) => amount === top)) return [];
  return measures.flatMap((measure, i) => (measure && measure.amount * direction === top ? [i] : []));
}
