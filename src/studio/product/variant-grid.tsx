import { useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react';
import type { ProductRecord, VariantRecord } from '~/core/catalogue';
import type { Shop } from '~/core/lane';
import { readSum, writeSum } from '~/core/money';
import { sumProblem, sumStyle } from '~/studio/data/sums';

/** A column of the grid: how a cell is written, and what the variant is with a text in it; else what is wrong with the text. */
interface Column {
  readonly key: string;
  readonly label: string;
  readonly isNumber?: boolean;
  readonly text: (variant: VariantRecord) => string;
  readonly put: (variant: VariantRecord, text: string) => VariantRecord | string;
}

interface Props {
  readonly record: ProductRecord;
  readonly shop: Shop;
  readonly onChange: (variants: VariantRecord[]) => void;
  /** What the server said of cells, by `row.key`. */
  readonly problems: Readonly<Record<string, string>>;
}

function columnsOf(axes: readonly string[], shop: Shop): Column[] {
  const style = sumStyle(shop);
  const sum = (amount: number | null) => (amount === null ? '' : writeSum(amount, style));
  const withSum = (variant: VariantRecord, key: 'priceMinor' | 'wasMinor' | 'costMinor', text: string) => {
    const read = readSum(text, style);
    return read.kind === 'sum' ? { ...variant, [key]: read.amountMinor } : sumProblem(read, text, shop)!;
  };
  const withWhole = (variant: VariantRecord, key: 'stock' | 'weightGrams', text: string) =>
    /^\d{1,8}$/.test(text) ? { ...variant, [key]: Number(text) } : 'Enter a whole number.';
  const optional = (key: 'wasMinor' | 'costMinor', label: string): Column => ({
    key,
    label,
    isNumber: true,
    text: (variant) => sum(variant[key]),
    put: (variant, text) => (text === '' ? { ...variant, [key]: null } : withSum(variant, key, text)),
  });
  return [
    ...axes.map((axis): Column => ({
      key: axis,
      label: axis,
      text: (variant) => variant.choices[axis] ?? '',
      put: (variant, text) => ({ ...variant, choices: { ...variant.choices, [axis]: text } }),
    })),
    {
      key: 'sku',
      label: 'SKU',
      text: (variant) => variant.sku,
      put: (variant, text) => (text === '' ? 'Enter an SKU.' : { ...variant, sku: text }),
    },
    {
      key: 'priceMinor',
      label: 'Price',
      isNumber: true,
      text: (variant) => sum(variant.priceMinor),
      put: (variant, text) => withSum(variant, 'priceMinor', text),
    },
    optional('wasMinor', 'Price before'),
    optional('costMinor', 'Cost'),
    {
      key: 'stock',
      label: 'Stock',
      isNumber: true,
      text: (variant) => (variant.stock === null ? '' : String(variant.stock)),
      put: (variant, text) => (text === '' ? { ...variant, stock: null } : withWhole(variant, 'stock', text)),
    },
    {
      key: 'weightGrams',
      label: 'Weight (g)',
      isNumber: true,
      text: (variant) => String(variant.weightGrams),
      put: (variant, text) => withWhole(variant, 'weightGrams', text),
    },
  ];
}

/** Variants as in a spreadsheet: arrows and Enter move, a copied block is pasted from the cell on. */
export function VariantGrid({ record, shop, onChange, problems }: Props) {
  const { variants, axes } = record;
  const columns = columnsOf(axes, shop);
  const table = useRef<HTMLTableElement>(null);
  const [typed, setTyped] = useState<{ row: number; key: string; text: string } | null>(null);
  const [said, setSaid] = useState<string | null>(null);

  function focus(row: number, column: number): void {
    table.current?.querySelector<HTMLInputElement>(`[data-cell="${row} ${column}"]`)?.focus();
  }

  function type(row: number, column: Column, text: string): void {
    setTyped({ row, key: column.key, text });
    const put = column.put(variants[row]!, text.trim());
    if (typeof put !== 'string') onChange(variants.map((variant, i) => (i === row ? put : variant)));
  }

  /** What cannot be kept is said, and stands there as it was before. */
  function leave(row: number, column: Column): void {
    if (typed?.row !== row || typed.key !== column.key) return;
    const put = column.put(variants[row]!, typed.text.trim());
    setSaid(typeof put === 'string' ? `${column.label}, row ${row + 1}: ${put} Nothing was changed there.` : null);
    setTyped(null);
  }

  function onKey(event: KeyboardEvent<HTMLInputElement>, row: number, column: number): void {
    const to = { ArrowUp: -1, ArrowDown: 1, Enter: event.shiftKey ? -1 : 1 }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    focus(row + to, column);
  }

  function onPaste(event: ClipboardEvent<HTMLInputElement>, row: number, column: number): void {
    const text = event.clipboardData.getData('text/plain').replace(/\r?\n$/, '');
    if (!/[\t\n]/.test(text)) return;
    event.preventDefault();
    const next = [...variants];
    let refused = 0;
    let reason: string | undefined;
    for (const [i, line] of text.split(/\r?\n/).entries())
      for (const [j, cell] of line.split('\t').entries()) {
        const [variant, into] = [next[row + i], columns[column + j]];
        const put = variant && into?.put(variant, cell.trim());
        if (typeof put === 'object') next[row + i] = put;
        else {
          refused += 1;
          reason ??= put;
        }
      }
    setTyped(null);
    onChange(next);
    setSaid(
      refused === 0
        ? null
        : `${refused} pasted ${refused === 1 ? 'cell' : 'cells'} did not fit and ${refused === 1 ? 'was' : 'were'} left out: ${reason ?? 'there is no such row or column.'}`,
    );
  }

  function add(): void {
    const last = variants.at(-1)!;
    const skus = new Set(variants.map(({ sku }) => sku));
    let n = variants.length + 1;
    while (skus.has(`${last.sku}-${n}`)) n += 1;
    const fresh = {
      ...last,
      id: null,
      sku: `${last.sku}-${n}`,
      choices: Object.fromEntries(axes.map((axis) => [axis, ''])),
    };
    onChange([...variants, fresh]);
    requestAnimationFrame(() => focus(variants.length, 0));
  }

  return (
    <div className="flex flex-col gap-2">
      <div className="panel overflow-x-auto">
        <table ref={table} className="w-full border-collapse" aria-label="Variants">
          <GridHead columns={columns} />
          <tbody>
            {variants.map((variant, row) => (
              <tr key={variant.id ?? `new ${row}`} className="border-t border-slab">
                {columns.map((column, i) => {
                  const isTyped = typed?.row === row && typed.key === column.key;
                  const put = isTyped ? column.put(variant, typed.text.trim()) : null;
                  const problem = typeof put === 'string' ? put : problems[`${row}.${column.key}`];
                  const isWrong = problem !== undefined;
                  return (
                    <td key={column.key} className="p-0">
                      <input
                        data-cell={`${row} ${i}`}
                        className={`w-full min-w-20 border-0 bg-transparent px-2 py-1.5 focus:bg-limestone ${column.isNumber ? 'text-end' : ''} ${isWrong ? 'bg-[#f9e4de]' : ''}`}
                        aria-label={`${column.label}, row ${row + 1}`}
                        aria-invalid={isWrong || undefined}
                        title={problem}
                        inputMode={column.isNumber ? 'decimal' : undefined}
                        placeholder={column.key === 'stock' ? 'not counted' : undefined}
                        value={isTyped ? typed.text : column.text(variant)}
                        onFocus={(event) => event.target.select()}
                        onChange={(event) => type(row, column, event.target.value)}
                        onBlur={() => leave(row, column)}
                        onKeyDown={(event) => onKey(event, row, i)}
                        onPaste={(event) => onPaste(event, row, i)}
                      />
                    </td>
                  );
                })}
                <td className="px-1">
                  {variants.length > 1 && (
                    <button
                      className="plain size-6 text-gravel hover:text-brick"
                      aria-label={`Remove ${variant.sku}`}
                      onClick={() => onChange(variants.filter((_, i) => i !== row))}
                    >
                      ×
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {said && (
        <p role="status" className="text-brick">
          {said}
        </p>
      )}
      <p className="help">
        Arrow keys and Enter move from cell to cell. Copy cells from a spreadsheet and paste them where they begin. An
        empty stock is not counted: it never sells out.
      </p>
      <button className="btn self-start" disabled={variants.length >= 500} onClick={add}>
        Add a variant
      </button>
    </div>
  );
}

function GridHead({ columns }: { columns: Column[] }) {
  return (
    <thead>
      <tr>
        {columns.map((column) => (
          <th
            key={column.key}
            scope="col"
            className={`px-2 py-1.5 font-semibold text-gravel ${column.isNumber ? 'text-end' : 'text-start'}`}
          >
            {column.label}
          </th>
        ))}
        <th>
          <span className="sr-only">Remove</span>
        </th>
      </tr>
    </thead>
  );
}
