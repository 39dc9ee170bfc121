/** A variant as a page or feed of another shop tells of it; what is not said is empty. */
export interface FoundVariant {
  readonly name: string;
  readonly sku: string;
  /** As it is written, with a point. */
  readonly price: string;
  readonly was: string;
  /** ISO 4217. */
  readonly currency: string;
  readonly isSoldOut: boolean;
  readonly pictures: readonly string[];
  /** What tells it from the others: size, colour … */
  readonly choices: Readonly<Record<string, string>>;
}

export interface FoundGoods {
  readonly name: string;
  readonly text: string;
  readonly brand: string;
  /** `Toys > Whistles`. */
  readonly category: string;
  readonly variants: readonly FoundVariant[];
}

/** Why something found cannot be brought in. */
export type LeftOut = {
  readonly name: string;
  readonly why: 'no-sku' | 'no-price' | 'currency';
  readonly said: string;
};

const HEADINGS = [
  'Name',
  'SKU',
  'Price',
  'Price before',
  'Stock',
  'Full text',
  'Brand',
  'Category',
  'Pictures',
] as const;
/** Where variants differ in nothing that is said, their names tell them apart. */
const VARIANT = 'Variant';

/**
 * What was found as rows of a catalogue file, the headings first, and what has to stay out: nothing without SKU or price, nothing in
 * another currency than the shop's. A product of which a variant stays out goes without that one.
 */
export function goodsRows(
  goods: readonly FoundGoods[],
  currency: string,
): { readonly rows: readonly (readonly string[])[]; readonly leftOut: readonly LeftOut[] } {
  const leftOut: LeftOut[] = [];
  const seen = new Set<string>();
  const kept = goods.flatMap((one) => {
    const variants = one.variants.filter((variant) => {
      const why = whyNot(variant, currency);
      if (why) leftOut.push({ name: variant.name || one.name, why, said: why === 'currency' ? variant.currency : '' });
      // Lists and pages of products name the same twice.
      if (why || seen.has(variant.sku)) return false;
      seen.add(variant.sku);
      return true;
    });
    return variants.length > 0 ? [{ ...one, variants: toldApart(variants) }] : [];
  });
  const choices = [...new Set(kept.flatMap(({ variants }) => variants.flatMap((one) => Object.keys(one.choices))))];
  const rows = kept.flatMap(({ name, text, brand, category, variants }) =>
    variants.map((variant, i) => [
      i === 0 ? name || variant.name : '',
      variant.sku,
      variant.price,
      variant.was,
      variant.isSoldOut ? '0' : '',
      ...(i === 0 ? [text, brand, category] : ['', '', '']),
      variant.pictures.join(' '),
      ...choices.map((choice) => variant.choices[choice] ?? ''),
    ]),
  );
  return { rows: [[...HEADINGS, ...choices.map((choice) => `choice: ${choice}`)], ...rows], leftOut };
}

function whyNot({ sku, price, currency: own }: FoundVariant, currency: string): LeftOut['why'] | null {
  if (sku === '') return 'no-sku';
  if (price === '') return 'no-price';
  return own !== '' && own.toUpperCase() !== currency ? 'currency' : null;
}

/** Variants by what all of them say and say differently; where that does not tell them apart, by their names or numbers. */
function toldApart(variants: readonly FoundVariant[]): FoundVariant[] {
  if (variants.length === 1) return [{ ...variants[0]!, choices: {} }];
  const names = Object.keys(variants[0]!.choices).filter((name) => {
    const values = variants.map(({ choices }) => choices[name] ?? '');
    return values.every((value) => value !== '') && new Set(values).size > 1;
  });
  const told = variants.map((one) => ({
    ...one,
    choices: Object.fromEntries(names.map((name) => [name, one.choices[name]!])),
  }));
  if (new Set(told.map(({ choices }) => JSON.stringify(choices))).size === variants.length) return told;
  const areNamed = new Set(variants.map(({ name }) => name)).size === variants.length;
  return variants.map((one) => ({ ...one, choices: { [VARIANT]: areNamed ? one.name : one.sku } }));
}

/** A number as a file of ours has it: `EUR 1,299.00` is `1299.00`; empty where there is none. */
export function plainPrice(said: string): string {
  const [digits] = /\d[\d.,\s]*/.exec(said) ?? [''];
  const bare = digits.replace(/\s/g, '').replace(/[.,]$/, '');
  // Of two marks the last is the decimal one; a single comma before one or two digits is, too.
  const decimal = /^(.*?)[.,](\d{1,2})$/.exec(bare);
  return decimal ? `${decimal[1]!.replace(/[.,]/g, '')}.${decimal[2]}` : bare.replace(/[.,](?=\d{3}(\D|$))/g, '');
}
