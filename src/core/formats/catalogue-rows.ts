import { parseAmount, type DecimalMark, type Minor, type SumStyle } from '~/core/money';
import type { ProblemCode } from '~/core/problems';
import { headingName, type ColumnField } from './catalogue-columns';

/** One record of the file; `row` is the line it starts on, counted from 1 with the heading. */
export interface CsvRow {
  readonly row: number;
  readonly cells: readonly string[];
}

export interface RowProblem {
  readonly row: number;
  readonly code: ProblemCode;
  readonly facts: Readonly<Record<string, string | number>>;
}

/** A variant as a file states it; null: the file does not say, keep what is there. */
export interface VariantRecord {
  readonly row: number;
  readonly sku: string;
  readonly choices: Readonly<Record<string, string>>;
  readonly priceMinor: Minor;
  readonly wasMinor: Minor | null;
  readonly costMinor: Minor | null;
  readonly stock: number | null;
  readonly weightGrams: number | null;
  readonly imageSrc: string | null;
}

/** A product gathered from its rows; null: the file does not say. */
export interface ProductRecord {
  readonly name: string;
  readonly rows: readonly number[];
  readonly brand: string | null;
  readonly shortText: string | null;
  readonly fullText: string | null;
  readonly categories: readonly (readonly string[])[] | null;
  readonly tags: readonly string[] | null;
  readonly images: readonly string[] | null;
  readonly attributes: readonly { readonly key: string; readonly value: string }[];
  readonly axes: readonly string[];
  readonly variants: readonly VariantRecord[];
}

export interface RowOptions {
  readonly headings: readonly string[];
  readonly columns: readonly ColumnField[];
  /** How its prices are written. */
  readonly sums: SumStyle;
}

const LIMITS = { name: 200, short: 1000, full: 20_000, brand: 120 } as const;
const REQUIRED = ['name', 'sku', 'price'] as const;

/** The fields a file cannot do without that no column was found for. */
export function missingColumns(columns: readonly ColumnField[]): ColumnField[] {
  return REQUIRED.filter((field) => !columns.includes(field));
}

/** How a file writes prices; or one of them, with what it would be either way, where nothing in the file tells. */
export type FoundMark =
  | { readonly mark: DecimalMark }
  | { readonly mark: null; readonly text: string; readonly point: Minor; readonly comma: Minor };

const PRICES: readonly ColumnField[] = ['price', 'sale', 'was', 'cost'];

/** Finds how prices are written by those that can be read in one way only. */
export function findDecimalMark(
  rows: readonly CsvRow[],
  { columns, exponent }: { readonly columns: readonly ColumnField[]; readonly exponent: number },
): FoundMark {
  const places = columns.flatMap((column, i) => (PRICES.includes(column) ? [i] : []));
  const votes = { point: 0, comma: 0 };
  let unclear: FoundMark | null = null;
  for (const { cells } of rows)
    for (const i of places) {
      const text = (cells[i] ?? '').trim();
      const [point, comma] = (['point', 'comma'] as const).map((mark) => parseAmount(text, { exponent, mark })) as [
        Minor | null,
        Minor | null,
      ];
      if (point !== null && comma !== null) {
        if (point !== comma) unclear ??= { mark: null, text, point, comma };
      } else if (point !== null) votes.point += 1;
      else if (comma !== null) votes.comma += 1;
    }
  if (votes.point === 0 && votes.comma === 0 && unclear) return unclear;
  return { mark: votes.comma > votes.point ? 'comma' : 'point' };
}

/**
 * Gathers rows into products: rows with the same name, or with an empty name under one, are variants of one product.
 * A product with a bad row is refused whole, so that no half of it reaches the shop; every bad cell is reported.
 */
export function readCatalogueRows(
  rows: readonly CsvRow[],
  options: RowOptions,
): { products: ProductRecord[]; problems: RowProblem[] } {
  const problems: RowProblem[] = [];
  const groups = new Map<string, CsvRow[]>();
  const nameColumn = options.columns.indexOf('name');
  let current = '';
  for (const row of rows) {
    const name = (row.cells[nameColumn] ?? '').trim();
    if (name) current = name;
    if (!current) {
      problems.push({
        row: row.row,
        code: 'csv-missing-cell',
        facts: { column: options.headings[nameColumn] ?? 'Name' },
      });
      continue;
    }
    const group = groups.get(current);
    if (group) group.push(row);
    else groups.set(current, [row]);
  }
  const skuRows = new Map<string, number>();
  const products: ProductRecord[] = [];
  for (const [name, group] of groups) {
    const before = problems.length;
    const product = readProduct({ name, rows: group }, options, skuRows, problems);
    if (problems.length === before) products.push(product);
  }
  return { products, problems };
}

function readProduct(
  { name, rows }: { readonly name: string; readonly rows: readonly CsvRow[] },
  options: RowOptions,
  skuRows: Map<string, number>,
  problems: RowProblem[],
): ProductRecord {
  const first = rows[0]!;
  const text = (field: keyof typeof LIMITS) => {
    const index = options.columns.indexOf(field);
    const found = rows.map((row) => (row.cells[index] ?? '').trim()).find(Boolean) ?? null;
    if (found && found.length > LIMITS[field]) {
      problems.push({
        row: first.row,
        code: 'csv-too-long',
        facts: { column: options.headings[index] ?? field, limit: LIMITS[field] },
      });
    }
    return found;
  };
  text('name');
  const list = (field: ColumnField, mark: RegExp) => {
    const index = options.columns.indexOf(field);
    const values = rows
      .flatMap((row) => (row.cells[index] ?? '').split(mark))
      .map((value) => value.trim())
      .filter(Boolean);
    return values.length > 0 ? [...new Set(values)] : null;
  };
  const images = list('image', /[\s|]+/);
  for (const image of images ?? []) {
    if (!/^(https?:\/\/[^\s"'<>]+|\/[^\s"'<>/][^\s"'<>]*)$/.test(image))
      problems.push({ row: first.row, code: 'csv-image', facts: { value: image } });
  }
  const variants = rows.map((row) => readVariant(row, options, skuRows, problems));
  checkAxes(variants, problems);
  return {
    name,
    rows: rows.map((row) => row.row),
    brand: text('brand'),
    shortText: text('short'),
    fullText: text('full'),
    categories:
      list('category', /[;|]/)?.map((path) =>
        path
          .split('>')
          .map((step) => step.trim())
          .filter(Boolean),
      ) ?? null,
    tags: list('tags', /[,;|]/),
    images,
    attributes: named(first, options, 'attribute'),
    axes: Object.keys(variants[0]!.choices),
    variants,
  };
}

function named(row: CsvRow, options: RowOptions, field: 'attribute' | 'choice') {
  return options.columns.flatMap((column, i) => {
    const value = (row.cells[i] ?? '').trim();
    return column === field && value ? [{ key: headingName(options.headings[i] ?? ''), value }] : [];
  });
}

function readVariant(
  row: CsvRow,
  options: RowOptions,
  skuRows: Map<string, number>,
  problems: RowProblem[],
): VariantRecord {
  const cell = (field: ColumnField) => (row.cells[options.columns.indexOf(field)] ?? '').trim();
  const heading = (field: ColumnField) => options.headings[options.columns.indexOf(field)] ?? field;
  const report = (code: ProblemCode, facts: RowProblem['facts']) => {
    problems.push({ row: row.row, code, facts });
    return null;
  };
  const price = (field: ColumnField) => {
    if (!cell(field)) return null;
    const example = options.sums.mark === 'comma' ? '1.234,50' : '1,234.50';
    return (
      parseAmount(cell(field), options.sums) ??
      report('csv-price', { value: cell(field), column: heading(field), example })
    );
  };
  const count = (field: ColumnField) => {
    if (!cell(field)) return null;
    return /^\d{1,9}$/.test(cell(field))
      ? Number(cell(field))
      : report('csv-number', { value: cell(field), column: heading(field) });
  };
  const sku = cell('sku');
  if (!sku) report('csv-missing-cell', { column: heading('sku') });
  else if (sku.length > 80) report('csv-too-long', { column: heading('sku'), limit: 80 });
  else if (skuRows.has(sku)) report('csv-duplicate-sku', { sku, row: skuRows.get(sku)! });
  else skuRows.set(sku, row.row);
  if (!cell('price')) report('csv-missing-cell', { column: heading('price') });
  return {
    row: row.row,
    sku,
    choices: Object.fromEntries(named(row, options, 'choice').map(({ key, value }) => [key, value])),
    ...pricesOf({ usual: price('price') ?? (0 as Minor), sale: price('sale'), was: price('was') }),
    costMinor: price('cost'),
    stock: count('stock'),
    weightGrams: count('weight'),
    imageSrc: null,
  };
}

/** A reduced price, where there is one below the usual, is what is asked for; what it was before is then the usual one. */
function pricesOf({ usual, sale, was }: { usual: Minor; sale: Minor | null; was: Minor | null }) {
  return sale !== null && sale < usual
    ? { priceMinor: sale, wasMinor: was ?? usual }
    : { priceMinor: usual, wasMinor: was };
}

/** Every variant of a product answers the same choices, each in its own way. */
function checkAxes(variants: readonly VariantRecord[], problems: RowProblem[]): void {
  const axes = (variant: VariantRecord) => Object.keys(variant.choices).join(', ') || 'none';
  const seen = new Map<string, number>();
  for (const variant of variants) {
    if (axes(variant) !== axes(variants[0]!)) {
      problems.push({
        row: variant.row,
        code: 'csv-axes-differ',
        facts: { found: axes(variant), expected: axes(variants[0]!) },
      });
      continue;
    }
    const values = Object.values(variant.choices).join(', ') || 'none';
    const earlier = seen.get(values);
    if (earlier !== undefined)
      problems.push({ row: variant.row, code: 'csv-duplicate-variant', facts: { choices: values, row: earlier } });
    else seen.set(values, variant.row);
  }
}
