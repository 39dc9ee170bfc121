import type { OrderRow as FormRow } from '~/core/catalogue';
import { filterValues, textIn, type FormColumn } from './columns';

export type { FormRow };

/** Rows drawn by the server at once; the others come with script as they are needed, without it by links to pages. */
export const ROWS_AT_ONCE = 100;

/** Rows as the page carries them: values alone, and of long texts and lists only what a column or a filter shows. */
export function packRows(rows: readonly FormRow[], columns: readonly FormColumn[], hasFilters = false): string {
  const has = (part: string) => columns.some((column) => column.part === part);
  const attributes = columns.flatMap(({ attribute }) => attribute ?? []);
  const packed = rows.map((row): PackedRow => [
    ...([row.variantId, row.slug, row.name, row.choices, row.sku, has('shortText') ? row.shortText : ''] as const),
    ...([row.priceMinor, row.stock, row.isOpen, has('picture') ? row.picture : null] as const),
    has('category') ? row.categories : [],
    has('rating') ? row.stars : null,
    hasFilters ? row.axes : {},
    Object.fromEntries(attributes.flatMap((key) => (row.attributes[key] ? [[key, row.attributes[key]]] : []))),
  ]);
  // Nothing in it may close the script element.
  return JSON.stringify(packed).replaceAll('<', '\\u003c');
}

type PackedRow = readonly [
  ...[variantId: number, slug: string, name: string, choices: string, sku: string, shortText: string],
  ...[priceMinor: number, stock: number | null, isOpen: boolean, picture: string | null],
  ...[categories: readonly string[], stars: number | null],
  ...[axes: Readonly<Record<string, string>>, attributes: Readonly<Record<string, string>>],
];

export function unpackRows(text: string): FormRow[] {
  return (JSON.parse(text) as PackedRow[]).map(
    // prettier-ignore
    ([variantId, slug, name, choices, sku, shortText, priceMinor, stock, isOpen, picture, categories, stars, axes, attributes]) => ({
      variantId, slug, name, choices, sku, shortText, priceMinor, stock, isOpen, picture,
      categories, stars, axes, attributes,
    }),
  );
}

/** The text of each row that is searched, computed once. */
const texts = new WeakMap<FormRow, string>();
const ALWAYS_SEARCHED = ['name', 'choices', 'sku'] as const;
const SEARCHED: readonly string[] = ['shortText', 'category', 'attributes'];

/** Rows that hold every word typed in what their columns show, and have what each filter asks for. */
export function findRows(
  rows: readonly FormRow[],
  columns: readonly FormColumn[],
  { typed, filters, language }: { typed: string; filters: ReadonlyMap<string, string>; language: string },
): FormRow[] {
  const lower = (text: string) => text.toLocaleLowerCase(language);
  const words = lower(typed).split(/\s+/).filter(Boolean);
  const textOf = (row: FormRow) => {
    let text = texts.get(row);
    if (text === undefined) {
      const shown = columns.filter(({ part }) => SEARCHED.includes(part)).map((column) => textIn(row, column));
      text = lower([...ALWAYS_SEARCHED.map((key) => row[key]), ...shown].join(' '));
      texts.set(row, text);
    }
    return text;
  };
  const asked = [...filters].filter(([, value]) => value !== '');
  return rows.filter(
    (row) =>
      asked.every(([key, value]) => filterValues(row, key).includes(value)) &&
      (words.length === 0 || words.every((word) => textOf(row).includes(word))),
  );
}

/** Rows in the order of a column; `quantityOf` is what stands in the row now. */
export function sortRows(
  rows: readonly FormRow[],
  { column, isDown }: { readonly column: FormColumn; readonly isDown: boolean },
  quantityOf: (row: FormRow) => number,
  language: string,
): FormRow[] {
  const { compare } = new Intl.Collator(language, { numeric: true });
  const numbers: Readonly<Record<string, (row: FormRow) => number>> = {
    price: (row) => row.priceMinor,
    sum: (row) => row.priceMinor * quantityOf(row),
    quantity: quantityOf,
    stock: (row) => row.stock ?? Number.MAX_SAFE_INTEGER,
    rating: (row) => row.stars ?? 0,
  };
  const number = Object.hasOwn(numbers, column.part) ? numbers[column.part] : undefined;
  const text = (row: FormRow) => textIn(row, column);
  const order = (a: FormRow, b: FormRow) => (number ? number(a) - number(b) : compare(text(a), text(b)));
  return rows.toSorted((a, b) => (isDown ? order(b, a) : order(a, b)));
}
