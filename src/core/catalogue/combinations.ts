import slugify from 'slugify';
import type { ProductRecord, VariantRecord } from './product-record';

/** Variants of a product, at most. */
export const MOST_VARIANTS = 500;

/** The values of each axis as variants have them, in the order in which they come first. */
const valuesOfAxes = ({ axes, variants }: Pick<ProductRecord, 'axes' | 'variants'>): string[][] =>
  axes.map((axis) => [...new Set(variants.map(({ choices }) => choices[axis] ?? '').filter(Boolean))]);

const keyOf = (axes: readonly string[], choices: Readonly<Record<string, string>>) =>
  JSON.stringify(axes.map((axis) => choices[axis]?.toLowerCase() ?? ''));

/** The combinations of the axes' values that no variant has, as choices. */
export function missingCombinations(record: Pick<ProductRecord, 'axes' | 'variants'>): Record<string, string>[] {
  const { axes, variants } = record;
  if (axes.length === 0) return [];
  const values = valuesOfAxes(record);
  if (values.reduce((count, { length }) => count * length, 1) > MOST_VARIANTS) return [];
  const there = new Set(variants.map(({ choices }) => keyOf(axes, choices)));
  const all = values.reduce<Record<string, string>[]>(
    (made, of, i) => made.flatMap((choices) => of.map((value) => ({ ...choices, [axes[i]!]: value }))),
    [{}],
  );
  return all.filter((choices) => !there.has(keyOf(axes, choices)));
}

/** The variants with all missing combinations made: at the price of the first, with nothing in stock, and an SKU of their own. */
export function withCombinations(record: ProductRecord): VariantRecord[] {
  const [first] = record.variants;
  const taken = new Set(record.variants.map(({ sku }) => sku));
  const fresh = missingCombinations(record).map((choices): VariantRecord => {
    const base = [commonSku(record), ...Object.values(choices).map((value) => slugify(value, { strict: true }))];
    return {
      id: null,
      sku: freeSku(base.filter(Boolean).join('-'), taken),
      choices,
      stock: 0,
      picture: null,
      priceMinor: first!.priceMinor,
      wasMinor: null,
      costMinor: first!.costMinor,
      weightGrams: first!.weightGrams,
    };
  });
  return [...record.variants, ...fresh];
}

/** An axis more with its values: what there is takes the first, and each other value makes all of it once more, with nothing in stock. */
export function addAxis(record: ProductRecord, name: string, values: readonly string[]): ProductRecord {
  const axes = [...record.axes, name];
  const [first = '', ...others] = [...new Set(values)];
  const own = record.variants.map((variant) => ({ ...variant, choices: { ...variant.choices, [name]: first } }));
  const taken = new Set(own.map(({ sku }) => sku));
  const fresh = others.flatMap((value) =>
    own.map((variant): VariantRecord => ({
      ...variant,
      id: null,
      sku: freeSku(`${variant.sku}-${slugify(value, { strict: true })}`, taken),
      choices: { ...variant.choices, [name]: value },
      stock: 0,
      wasMinor: null,
    })),
  );
  return { ...record, axes, variants: [...own, ...fresh] };
}

/** What the SKUs of all variants begin with, up to a joint. */
function commonSku({ variants }: Pick<ProductRecord, 'variants'>): string {
  const [first, ...others] = variants.map(({ sku }) => sku);
  if (others.length === 0) return first!;
  let length = 0;
  while (length < first!.length && others.every((sku) => sku[length] === first![length])) length += 1;
  return first!.slice(0, length).replace(/[-_. ]?[^-_. ]*$/, '') || first!;
}

function freeSku(wanted: string, taken: Set<string>): string {
  const base = wanted.slice(0, 74);
  let sku = base;
  for (let n = 2; taken.has(sku); n += 1) sku = `${base}-${n}`;
  taken.add(sku);
  return sku;
}
