import { namesIn, type OrderRow } from '~/core/catalogue';
import { fill } from '~/core/words/fill';
import type { OrderFormPart, OrderFormPiece } from './definition';

/** A column as it stands: of the part for attributes there is one for each of them. */
export interface FormColumn {
  readonly key: string;
  readonly part: OrderFormPart;
  readonly label: string;
  /** The attribute it shows. */
  readonly attribute?: string;
}

const MOST_ATTRIBUTES = 12;
const USUAL_ATTRIBUTES = 3;

/** What the rows of a form must tell. */
export function shapeOfRows({ settings, parts }: OrderFormPiece): {
  readonly rows: 'variant' | 'product';
  readonly described: boolean;
} {
  return { rows: settings.rows, described: parts.some(({ key }) => key === 'category' || key === 'attributes') };
}

/** The attributes that have columns: those that are named, else those that most rows have. */
export function attributesOf({ settings, parts }: OrderFormPiece, rows: readonly OrderRow[]): string[] {
  if (!parts.some(({ key }) => key === 'attributes')) return [];
  const held = new Map<string, number>();
  for (const { attributes } of rows) for (const key of Object.keys(attributes)) held.set(key, (held.get(key) ?? 0) + 1);
  const named = namesIn(settings.attributes);
  if (named.length > 0) return named.filter((name) => held.has(name)).slice(0, MOST_ATTRIBUTES);
  return [...held.keys()].sort((a, b) => held.get(b)! - held.get(a)!).slice(0, USUAL_ATTRIBUTES);
}

export function columnsOf({ parts, words }: OrderFormPiece, attributes: readonly string[]): FormColumn[] {
  return parts.flatMap(({ key }): FormColumn[] =>
    key === 'attributes'
      ? attributes.map((attribute) => ({ key: `attribute:${attribute}`, part: key, label: attribute, attribute }))
      : [{ key, part: key, label: words[key] }],
  );
}

/** What a column says of a row in words. */
export function textIn(row: OrderRow, { part, attribute }: FormColumn): string {
  if (attribute !== undefined) return row.attributes[attribute] ?? '';
  if (part === 'category') return row.categories.join(', ');
  if (part === 'rating') return row.stars === null ? '' : row.stars.toFixed(1);
  return part in row ? String(row[part as keyof OrderRow] ?? '') : '';
}

const PADDING = '1.2rem';
/** Figures stand on one line; an arrow beside the heading says how it is sorted. */
const ARROW = 2;
/** A column is no narrower than its longest word, up to so many letters; SKUs are never broken. */
const WORD = 16;
/** No column asks for more than so many letters. */
const MOST_LETTERS = 44;
const TIMES = { usual: 1, narrow: 0.6, wide: 1.7 } as const;

interface Held {
  readonly piece: OrderFormPiece;
  readonly rows: readonly OrderRow[];
  readonly money: (amountMinor: number) => string;
}

/** Columns as tracks of a grid, each as wide as what it holds: rows are grids of their own, and must agree. */
export function tracksOf(columns: readonly FormColumn[], { piece, rows, money }: Held): string {
  const { settings, words } = piece;
  const longest = (texts: Iterable<string>) => {
    let most = 0;
    for (const text of texts) most = Math.max(most, text.length);
    return most;
  };
  const wordsOf = (text: string) => text.split(/[\s-]/);
  const dearest = rows.reduce((most, { priceMinor }) => Math.max(most, priceMinor), 0);
  const tracks = columns.map((column) => {
    const times = TIMES[settings.columns[column.part]?.width ?? 'usual'];
    const least = longest(wordsOf(column.label)) + ARROW;
    const fixed = (letters: number) => `calc(${round(Math.max(letters, least) * times)}ch + ${PADDING})`;
    switch (column.part) {
      case 'picture':
        return `max(calc(${round(3 * times)}rem + ${PADDING}), ${fixed(0)})`;
      case 'price':
        return fixed(money(dearest).length + 1);
      case 'sum':
        return fixed(money(dearest * 10).length + 1);
      case 'stock':
      case 'rating':
        return fixed(longest(rows.map((row) => textIn(row, column))));
      case 'quantity': {
        // Rows that cannot be added show the reason here.
        const why = longest([...wordsOf(words.soldOut), ...wordsOf(words.choose)]);
        return `max(${fixed(why)}, 5.8rem)`;
      }
      default: {
        const texts = rows.map((row) => textIn(row, column));
        const word = column.part === 'sku' ? longest(texts) : Math.min(WORD, longest(texts.flatMap(wordsOf)));
        const letters = Math.min(MOST_LETTERS, Math.max(least, longest(texts)));
        return `minmax(calc(${Math.max(least, word)}ch + ${PADDING}), ${round(letters * times)}fr)`;
      }
    }
  });
  const adds = settings.adds;
  return [
    adds !== 'rows' && `calc(1.35rem + ${PADDING})`,
    ...tracks,
    adds !== 'ticks' && `calc(${words.addOne.length}ch + 4rem)`,
  ]
    .filter(Boolean)
    .join(' ');
}

const round = (value: number) => Math.round(value * 10) / 10;

/** A list to narrow the rows by: a choice of variants, the category or an attribute. */
export interface FormFilter {
  readonly key: string;
  readonly label: string;
  readonly values: readonly string[];
}

const MOST_VALUES = 60;

/** The lists above a table, in the order of what they are about; one with a single value would narrow nothing. */
export function filtersOf(
  piece: OrderFormPiece,
  rows: readonly OrderRow[],
  columns: readonly FormColumn[],
  language: string,
): FormFilter[] {
  if (!piece.settings.filterLists) return [];
  const axes = [...new Set(rows.flatMap(({ axes: own }) => Object.keys(own)))];
  const keys = [
    ...columns.filter(({ part }) => part === 'category').map(({ key, label }) => ({ key, label })),
    ...axes.map((axis) => ({ key: `axis:${axis}`, label: axis })),
    ...columns.filter(({ attribute }) => attribute !== undefined).map(({ key, label }) => ({ key, label })),
  ];
  const { compare } = new Intl.Collator(language, { numeric: true });
  return keys
    .map(({ key, label }) => ({
      key,
      label,
      values: [...new Set(rows.flatMap((row) => filterValues(row, key)))].sort(compare).slice(0, MOST_VALUES),
    }))
    .filter(({ values }) => values.length > 1);
}

/** What a row has of what is filtered by. */
export function filterValues(row: OrderRow, key: string): readonly string[] {
  if (key === 'category') return row.categories;
  const [kind, ...name] = key.split(':');
  const value = (kind === 'axis' ? row.axes : row.attributes)[name.join(':')];
  return value ? [value] : [];
}

/** How a row’s stars are read out. */
export const starsText = (stars: number, { words }: OrderFormPiece, language: string): string =>
  fill(words.stars, { stars: stars.toFixed(1) }, language);
