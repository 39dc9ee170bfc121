import words from './column-words.json';

/** What a column of a catalogue file can hold. `choice` and `attribute` take their name from the heading. */
export const COLUMN_FIELDS = {
  ignore: { label: 'Leave out' },
  name: { label: 'Product name' },
  sku: { label: 'SKU' },
  price: { label: 'Price' },
  sale: { label: 'Reduced price' },
  was: { label: 'Price before' },
  cost: { label: 'Cost' },
  stock: { label: 'Stock' },
  weight: { label: 'Weight in grams' },
  short: { label: 'Short text' },
  full: { label: 'Full text' },
  brand: { label: 'Brand' },
  category: { label: 'Category' },
  tags: { label: 'Tags' },
  image: { label: 'Pictures' },
  choice: { label: 'A choice (such as size)' },
  attribute: { label: 'An attribute' },
} as const;

export type ColumnField = keyof typeof COLUMN_FIELDS;

/** Letters and digits alone: “Art.-Nr.” and “artnr” are one heading. */
const bareOf = (heading: string) => heading.toLowerCase().replace(/[^\p{L}\d]/gu, '');

/** Which field a heading means, in any of the languages of `column-words.json`; a word stands for its first field. */
const FIELD_OF = new Map(
  (Object.entries(words) as [ColumnField, string[]][])
    .flatMap(([field, said]) => said.map((word) => [bareOf(word), field] as const))
    .reverse(),
);

/**
 * What each column most likely holds, by its heading. `choice: Size` and `attribute: Span` say it outright. A field
 * other than choice and attribute is given to one column only; a heading nobody knows is left out.
 */
export function matchColumns(headings: readonly string[]): ColumnField[] {
  const taken = new Set<ColumnField>();
  return headings.map((heading) => {
    const said = /^\s*(choice|attribute)\s*:/i.exec(heading)?.[1]?.toLowerCase() as 'choice' | 'attribute' | undefined;
    if (said) return said;
    const found = FIELD_OF.get(bareOf(heading)) ?? 'ignore';
    if (found !== 'choice' && found !== 'ignore') {
      if (taken.has(found)) return 'ignore';
      taken.add(found);
    }
    return found;
  });
}

/** `choice: Size` → `Size`. */
export function headingName(heading: string): string {
  return heading.replace(/^\s*(choice|attribute)\s*:/i, '').trim();
}

/** What a shop goes without where no column holds it. */
const GOES_WITHOUT: Readonly<Partial<Record<ColumnField, string>>> = {
  stock: 'No column holds stock: new products are sold without being counted.',
  cost: 'No column holds costs: the margin guard cannot judge what has none.',
  image: 'No column holds pictures: new products have none.',
  category: 'No column holds categories: new products are found by search alone.',
  weight: 'No column holds weights: delivery by weight takes new products for weightless.',
};

export interface LeftOut {
  /** Headings of columns that are not taken, with how many cells of theirs say something. */
  readonly columns: readonly { readonly heading: string; readonly filled: number }[];
  /** What that costs, a sentence each. */
  readonly costs: readonly string[];
}

/** What an import leaves out of a file, and what the shop then goes without. */
export function leftOut(
  headings: readonly string[],
  columns: readonly ColumnField[],
  rows: readonly { readonly cells: readonly string[] }[],
): LeftOut {
  const ignored = headings.flatMap((heading, i) => {
    if (columns[i] !== 'ignore') return [];
    const filled = rows.filter(({ cells }) => (cells[i] ?? '').trim() !== '').length;
    return filled > 0 ? [{ heading: heading.trim() || `Column ${i + 1}`, filled }] : [];
  });
  const costs = (Object.entries(GOES_WITHOUT) as [ColumnField, string][])
    .filter(([field]) => !columns.includes(field))
    .map(([, sentence]) => sentence);
  return { columns: ignored, costs };
}
