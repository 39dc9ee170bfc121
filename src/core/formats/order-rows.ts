import type { CsvRow } from './catalogue-rows';

/** What a column of past orders can hold. */
export const ORDER_FIELDS = {
  ignore: { label: 'Leave out', words: [] },
  order: {
    label: 'Order number',
    words: ['order', 'orderid', 'ordernumber', 'invoice', 'bestellung', 'bestellnummer'],
  },
  product: {
    label: 'SKU or product name',
    words: ['sku', 'itemnumber', 'product', 'productname', 'item', 'name', 'title', 'artikel', 'artikelnummer'],
  },
  date: { label: 'Day of the order', words: ['date', 'day', 'orderdate', 'placedat', 'createdat', 'created', 'datum'] },
} as const;

export type OrderField = keyof typeof ORDER_FIELDS;

/** What each column most likely holds, by its heading; each field is given to one column, a SKU before a name. */
export function matchOrderColumns(headings: readonly string[]): OrderField[] {
  const bare = headings.map((heading) => heading.toLowerCase().replace(/[^\p{L}\d]/gu, ''));
  const columns: OrderField[] = headings.map(() => 'ignore');
  for (const field of ['order', 'product', 'date'] as const)
    for (const word of ORDER_FIELDS[field].words) {
      const at = bare.findIndex((heading, i) => heading === word && columns[i] === 'ignore');
      if (at < 0) continue;
      columns[at] = field;
      break;
    }
  return columns;
}

export interface OrderRowsRead {
  /** In the order of their baskets. */
  readonly rows: readonly { readonly basket: number; readonly product: string; readonly week: number }[];
  readonly orders: number;
  /** Names that are not in the catalogue, with their number of rows, the most frequent first. */
  readonly unknown: readonly { readonly name: string; readonly rows: number }[];
  readonly problems: readonly {
    readonly row: number;
    readonly code: 'orders-day' | 'orders-cell';
    readonly value: string;
  }[];
  /** Whether days are known: without them what is only of a season cannot be told. */
  readonly hasDays: boolean;
}

const WEEK_MS = 604_800_000;

/**
 * Past orders out of a file, one product a row, in any order. `slugOf` knows SKUs and names in small letters. A row that names no
 * order, no product or a day that is none is left out and told of.
 */
export function readOrderRows(
  rows: readonly CsvRow[],
  columns: readonly OrderField[],
  slugOf: (name: string) => string | undefined,
): OrderRowsRead {
  const at = (field: OrderField) => columns.indexOf(field);
  const [orderAt, productAt, dateAt] = [at('order'), at('product'), at('date')];
  const days = rows.map(({ cells }) => (dateAt < 0 ? '' : (cells[dateAt] ?? '').trim()));
  const isMonthFirst = days.some((day) => Number(PARTS.exec(day)?.[2]) > 12);
  const baskets = new Map<string, { readonly week: number; readonly products: string[] }>();
  const unknown = new Map<string, number>();
  const problems: OrderRowsRead['problems'][number][] = [];
  rows.forEach(({ row, cells }, i) => {
    const [order, product] = [(cells[orderAt] ?? '').trim(), (cells[productAt] ?? '').trim()];
    if (order === '' || product === '') return void problems.push({ row, code: 'orders-cell', value: '' });
    const moment = dateAt < 0 ? 0 : momentOf(days[i]!, isMonthFirst);
    if (Number.isNaN(moment)) return void problems.push({ row, code: 'orders-day', value: days[i]! });
    const slug = slugOf(product.toLowerCase());
    if (slug === undefined) return void unknown.set(product, (unknown.get(product) ?? 0) + 1);
    const basket = baskets.get(order) ?? { week: Math.max(0, Math.floor(moment / WEEK_MS)), products: [] };
    basket.products.push(slug);
    baskets.set(order, basket);
  });
  return {
    rows: [...baskets.values()].flatMap(({ week, products }, basket) =>
      products.map((product) => ({ basket, product, week })),
    ),
    orders: baskets.size,
    unknown: [...unknown].map(([name, count]) => ({ name, rows: count })).sort((a, b) => b.rows - a.rows),
    problems,
    hasDays: dateAt >= 0,
  };
}

const PARTS = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})/;

/** A day as files have it: ISO 8601 (time and all), `24.12.2026`, `24/12/2026`, or with the month first; NaN: none. */
function momentOf(text: string, isMonthFirst: boolean): number {
  const iso = /^(\d{4})-(\d{2})-(\d{2})(?!\d)/.exec(text);
  const parts = iso ? null : PARTS.exec(text);
  const [year, month, day] = iso
    ? [Number(iso[1]), Number(iso[2]), Number(iso[3])]
    : parts
      ? [Number(parts[3]), Number(parts[isMonthFirst ? 1 : 2]), Number(parts[isMonthFirst ? 2 : 1])]
      : [NaN, NaN, NaN];
  const moment = Date.UTC(year, month - 1, day);
  const read = new Date(moment);
  // The 31st of February is no day.
  return read.getUTCMonth() === month - 1 && read.getUTCDate() === day ? moment : NaN;
}
