import type { OrderRow as FormRow } from '~/core/catalogue';

export type { FormRow };

/** Rows drawn by the server at once; the others come with script as they are needed, without it by links to pages. */
export const ROWS_AT_ONCE = 100;

/** Rows as the page carries them: values alone, and of long texts only what a column shows. */
export function packRows(rows: readonly FormRow[], columns: readonly string[]): string {
  const packed = rows.map((row) => [
    ...[row.variantId, row.slug, row.name, row.choices, row.sku],
    ...[columns.includes('shortText') ? row.shortText : '', row.priceMinor, row.stock, row.isOpen],
    columns.includes('picture') ? row.picture : null,
  ]);
  // Nothing in it may end the element it stands in.
  return JSON.stringify(packed).replaceAll('<', '\\u003c');
}

export function unpackRows(text: string): FormRow[] {
  type Packed = [number, string, string, string, string, string, number, number | null, boolean, string | null];
  return (JSON.parse(text) as Packed[]).map(
    ([variantId, slug, name, choices, sku, shortText, priceMinor, stock, isOpen, picture]) => ({
      ...{ variantId, slug, name, choices, sku, shortText, priceMinor, stock, isOpen, picture },
    }),
  );
}

/** What is looked through of each row, worked out once. */
const texts = new WeakMap<FormRow, string>();

/** Rows that hold every word typed, in what their columns show. */
export function findRows(
  rows: readonly FormRow[],
  columns: readonly string[],
  typed: string,
  language: string,
): FormRow[] {
  const lower = (text: string) => text.toLocaleLowerCase(language);
  const words = lower(typed).split(/\s+/).filter(Boolean);
  if (words.length === 0) return [...rows];
  return rows.filter((row) => {
    let text = texts.get(row);
    if (text === undefined) {
      text = lower(`${row.name} ${row.choices} ${row.sku} ${columns.includes('shortText') ? row.shortText : ''}`);
      texts.set(row, text);
    }
    return words.every((word) => text.includes(word));
  });
}

/** Rows in the order of a column; `quantityOf` is what stands in the row now. */
export function sortRows(
  rows: readonly FormRow[],
  { column, isDown }: { readonly column: string; readonly isDown: boolean },
  quantityOf: (row: FormRow) => number,
  language: string,
): FormRow[] {
  const { compare } = new Intl.Collator(language, { numeric: true });
  const numbers: Readonly<Record<string, (row: FormRow) => number>> = {
    price: (row) => row.priceMinor,
    sum: (row) => row.priceMinor * quantityOf(row),
    quantity: quantityOf,
    stock: (row) => row.stock ?? Number.MAX_SAFE_INTEGER,
  };
  const number = Object.hasOwn(numbers, column) ? numbers[column] : undefined;
  const text = (row: FormRow) => String(row[column as keyof FormRow] ?? '');
  const order = (a: FormRow, b: FormRow) => (number ? number(a) - number(b) : compare(text(a), text(b)));
  return rows.toSorted((a, b) => (isDown ? order(b, a) : order(a, b)));
}
