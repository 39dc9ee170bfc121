import type { ColumnField, LeftOut } from '~/core/formats';
import { useShop } from '~/studio/data/sums';
import { count, money, plural } from '~/studio/data/format';

export interface ImportPreview {
  readonly encoding: string;
  readonly delimiter: string;
  readonly headings: readonly string[];
  readonly columns: readonly ColumnField[];
  readonly sample: readonly (readonly string[])[];
  readonly rows: number;
  readonly left: LeftOut;
  readonly columnProblems: readonly string[];
  readonly counts: {
    readonly productsCreated: number;
    readonly productsChanged: number;
    readonly variantsCreated: number;
    readonly variantsChanged: number;
    readonly rowsRefused: number;
  };
  readonly problems: readonly { readonly row: number; readonly message: string }[];
  readonly products: readonly { readonly name: string; readonly isNew: boolean; readonly variants: number }[];
  readonly changes: readonly {
    readonly name: string;
    readonly sku: string;
    readonly field: string;
    readonly from: string | number | null;
    readonly to: string | number;
  }[];
  readonly changeCount: number;
  readonly free: number;
}

export function WhatComesOfIt({ preview, refused }: { preview: ImportPreview; refused: number }) {
  return (
    <section className="grid grid-cols-2 gap-4">
      <div className="panel px-4 py-3" data-testid="plan">
        <h2>What it would do</h2>
        <p>
          <strong>{count(preview.counts.productsCreated)}</strong> new{' '}
          {preview.counts.productsCreated === 1 ? 'product' : 'products'},{' '}
          <strong>{count(preview.counts.productsChanged)}</strong> changed.
        </p>
        <p>
          <strong>{count(preview.counts.variantsCreated)}</strong> new{' '}
          {preview.counts.variantsCreated === 1 ? 'variant' : 'variants'},{' '}
          <strong>{count(preview.counts.variantsChanged)}</strong> changed.
        </p>
        <ul className="mt-2 max-h-44 overflow-auto">
          {preview.products.map((product) => (
            <li key={product.name} className="flex justify-between gap-3">
              <span className="truncate">{product.name}</span>
              <span className="text-gravel">
                {product.isNew ? 'new' : 'changed'}, {product.variants}
              </span>
            </li>
          ))}
        </ul>
      </div>
      <div className="panel px-4 py-3">
        <h2>{plural(refused, 'row', 'rows')} refused</h2>
        {refused === 0 ? (
          <p className="text-gravel">Every row can be read.</p>
        ) : (
          <>
            <p className="help">
              The other rows of the same product stay out with them, so that no half product reaches the shop.
            </p>
            <ul className="mt-2 max-h-44 overflow-auto">
              {preview.problems.map((item, i) => (
                <li key={i}>
                  <strong>Row {item.row}</strong> {item.message}
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
    </section>
  );
}

const FIELD_NAMES: Readonly<Record<string, string>> = {
  name: 'Name',
  brand: 'Brand',
  shortText: 'Short text',
  fullText: 'Full text',
  priceMinor: 'Price',
  wasMinor: 'Price before',
  costMinor: 'Cost',
  stock: 'Stock',
  weightGrams: 'Weight (g)',
};

/** Old and new of what is in the catalogue already. */
export function Changes({ preview }: { preview: ImportPreview }) {
  const shop = useShop();
  const text = (field: string, value: string | number | null) =>
    value === null || value === ''
      ? 'none'
      : field.endsWith('Minor')
        ? money(Number(value), shop)
        : String(value).slice(0, 120);
  return (
    <section className="panel max-h-72 overflow-auto px-4 py-3" data-testid="changes">
      <h2>{plural(preview.changeCount, 'change', 'changes')} in products that are there already</h2>
      <table className="tbl">
        <thead>
          <tr>
            <th>Product</th>
            <th>What</th>
            <th>Old</th>
            <th>New</th>
          </tr>
        </thead>
        <tbody>
          {preview.changes.map((change) => (
            <tr key={`${change.sku} ${change.field}`}>
              <td>
                {change.name} <span className="help">{change.sku}</span>
              </td>
              <td>{FIELD_NAMES[change.field] ?? change.field}</td>
              <td>{text(change.field, change.from)}</td>
              <td>{text(change.field, change.to)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {preview.changeCount > preview.changes.length && (
        <p className="help">and {count(preview.changeCount - preview.changes.length)} more</p>
      )}
    </section>
  );
}

/** What the file says and the catalogue does not take, and what new products then go without. */
export function LeftOutOf({ left: { columns, costs }, isNew }: { left: LeftOut; isNew: boolean }) {
  const names = columns.map(({ heading, filled }) => `“${heading}” (${plural(filled, 'cell', 'cells')})`);
  if (names.length === 0 && !(isNew && costs.length > 0)) return null;
  return (
    <div className="flex flex-col gap-1 border-s-4 border-mortar ps-3">
      {names.length > 0 && (
        <p>Left out: {new Intl.ListFormat('en').format(names)}. Choose above what a column holds, to take it along.</p>
      )}
      {isNew && costs.map((cost) => <p key={cost}>{cost}</p>)}
    </div>
  );
}
