import type { AskedBulk } from '~/contract/studio/bulk';
import { useEffect, useState } from 'react';
import type { BulkChange } from '~/core/catalogue';
import { currencyOf } from '~/core/money';
import { ask } from '~/studio/data/api';
import { useAnswer } from '~/studio/data/query';
import { useSettled } from '~/studio/data/use-settled';
import { useShop } from '~/studio/data/sums';
import { money, plural } from '~/studio/data/format';
import { Modal } from '~/studio/fields/modal';
import { NumberField } from '~/studio/fields/number-field';
import { Segmented } from '~/studio/fields/segmented';
import { Tick } from '~/studio/fields/tick';

interface BulkResult {
  readonly rows: readonly {
    readonly name: string;
    readonly sku: string | null;
    readonly from: number;
    readonly to: number;
  }[];
  readonly count: number;
  readonly products: number;
  readonly withoutPrice: number;
  readonly hidesAll: boolean;
  readonly id: number | null;
}

interface Props {
  /** How the list is narrowed. */
  readonly list: AskedBulk['list'];
  /** Those that are ticked; none: all of the list. */
  readonly slugs: readonly string[];
  readonly total: number;
  readonly onClose: () => void;
}

const KINDS = { price: 'Price', tag: 'Tag', shown: 'Shown or not' } as const;
const ENDINGS = { none: 'As it comes', 0: 'Whole', 50: '.50', 90: '.90', 95: '.95', 99: '.99' } as const;
/** So long after the last key what it would do is asked again. */
const PAUSE_MS = 300;

/** Changes all products a search found at once: old and new are seen first, and it can be undone. */
export function BulkDialog({ list, slugs, total, onClose }: Props) {
  const shop = useShop();
  const { exponent } = currencyOf(shop.currency);
  const [kind, setKind] = useState<keyof typeof KINDS>('price');
  const [percent, setPercent] = useState(10);
  const [ending, setEnding] = useState<keyof typeof ENDINGS>('none');
  const [tag, setTag] = useState('');
  const [on, setOn] = useState(true);
  const [done, setDone] = useState<BulkResult | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [isSure, setSure] = useState(false);
  const change: BulkChange | null =
    kind === 'price'
      ? { kind, percent, endMinor: ending === 'none' || exponent === 0 ? null : Number(ending) * 10 ** (exponent - 2) }
      : kind === 'shown'
        ? { kind, on }
        : tag.trim() === ''
          ? null
          : { kind, tag: tag.trim(), on };
  const wish = { list, slugs, change };
  const settled = useSettled(wish, PAUSE_MS);
  const isSettled = JSON.stringify(settled) === JSON.stringify(wish);
  const asking =
    settled.change && isSettled && !done ? { body: { list, slugs, change: settled.change, apply: false } } : null;
  const told = useAnswer('POST /api/studio/bulk', asking);
  const preview = told.answer;
  const problem = refused ?? told.problem;
  // What was refused, and what was agreed to, was about the wish before.
  useEffect(() => {
    setSure(false);
    setRefused(null);
  }, [JSON.stringify(wish)]);

  async function apply(): Promise<void> {
    setBusy(true);
    try {
      setDone(await ask('POST /api/studio/bulk', { body: { list, slugs, change: change!, apply: true } }));
      setRefused(null);
    } catch (error) {
      setRefused((error as Error).message);
    } finally {
      setBusy(false);
    }
  }

  async function undo(id: number): Promise<void> {
    setBusy(true);
    try {
      await ask('DELETE /api/studio/bulk/[id]', { params: { id } });
      location.reload();
    } catch (error) {
      setRefused((error as Error).message);
      setBusy(false);
    }
  }

  const text = (value: number) =>
    kind === 'price'
      ? money(value, shop)
      : kind === 'tag'
        ? value
          ? 'has the tag'
          : 'without'
        : value
          ? 'shown'
          : 'not shown';
  const shown = done ?? preview;
  return (
    <Modal
      title={`Change ${plural(total, 'product', 'products')} at once`}
      text={
        slugs.length > 0
          ? 'Those that are ticked.'
          : list.q
            ? `All that were found for “${list.q}”.`
            : 'All in the list.'
      }
      onClose={onClose}
      width={640}
    >
      <div className="flex flex-col gap-4">
        {!done && (
          <>
            <Segmented label="What to change" options={KINDS} value={kind} onChange={setKind} />
            {kind === 'price' && (
              <div className="flex flex-wrap items-center gap-3">
                <span className="flex items-center gap-2">
                  Raise by{' '}
                  <NumberField
                    label="Percent; below zero lowers"
                    value={percent}
                    min={-99}
                    max={1000}
                    step="any"
                    onChange={setPercent}
                  />{' '}
                  %
                </span>
                {exponent > 0 && (
                  <label className="flex items-center gap-2">
                    ending on
                    <select
                      className="field"
                      value={ending}
                      onChange={({ target: { value } }) => setEnding(value as keyof typeof ENDINGS)}
                    >
                      {Object.entries(ENDINGS).map(([key, label]) => (
                        <option key={key} value={key}>
                          {label}
                        </option>
                      ))}
                    </select>
                  </label>
                )}
                <span className="help">Below zero lowers.</span>
              </div>
            )}
            {kind === 'tag' && (
              <div className="flex items-center gap-3">
                <input
                  className="field"
                  aria-label="Tag"
                  placeholder="Tag"
                  maxLength={60}
                  value={tag}
                  onChange={(event) => setTag(event.target.value)}
                />
                <Segmented
                  label="Add or remove"
                  options={{ on: 'Add', off: 'Remove' }}
                  value={on ? 'on' : 'off'}
                  onChange={(key) => setOn(key === 'on')}
                />
              </div>
            )}
            {kind === 'shown' && (
              <Segmented
                label="In the shop"
                options={{ on: 'Show', off: 'Do not show' }}
                value={on ? 'on' : 'off'}
                onChange={(key) => setOn(key === 'on')}
              />
            )}
          </>
        )}
        {done && (
          <p role="status" className="text-moss">
            Done: {plural(done.count, 'change', 'changes')} in {plural(done.products, 'product', 'products')}. The open
            shop shows it already.
          </p>
        )}
        {shown && shown.count > 0 && (
          <div className="panel max-h-60 overflow-auto">
            <table className="tbl">
              <thead>
                <tr>
                  <th>Product</th>
                  <th className="num">Old</th>
                  <th className="num">New</th>
                </tr>
              </thead>
              <tbody>
                {shown.rows.map((row, i) => (
                  <tr key={i}>
                    <td>
                      {row.name} {row.sku && <span className="help">{row.sku}</span>}
                    </td>
                    <td className="num">{text(row.from)}</td>
                    <td className="num">{text(row.to)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {shown.count > shown.rows.length && (
              <p className="help px-3 py-2">and {shown.count - shown.rows.length} more</p>
            )}
          </div>
        )}
        {shown && shown.withoutPrice > 0 && (
          <p className="border-s-4 border-paint ps-3">
            {plural(shown.withoutPrice, 'stays as it is: it', 'stay as they are: they')} would be shown and cost
            nothing. Give it a price, or tick “It is free” on the product.
          </p>
        )}
        {shown && shown.count === 0 && <p className="help">Nothing would change.</p>}
        {preview?.hidesAll && !done && (
          <div className="flex flex-col gap-1.5 border-s-4 border-brick ps-3">
            <p role="status">The shop would show no product any more, to anybody, at once.</p>
            <Tick label="Hide everything all the same" checked={isSure} onChange={setSure} />
          </div>
        )}
        {problem && (
          <p role="alert" className="text-brick">
            {problem}
          </p>
        )}
        <div className="flex justify-end gap-2">
          {done ? (
            <>
              {done.id !== null && (
                <button className="btn" disabled={busy} onClick={() => void undo(done.id!)}>
                  Undo
                </button>
              )}
              <button className="btn btn-go" onClick={() => location.reload()}>
                OK
              </button>
            </>
          ) : (
            <>
              <button className="btn" onClick={onClose}>
                Cancel
              </button>
              <button
                className="btn btn-go"
                disabled={busy || !preview || preview.count === 0 || (preview.hidesAll && !isSure)}
                onClick={() => void apply()}
              >
                {preview ? `Make ${plural(preview.count, 'change', 'changes')}` : 'Make the changes'}
              </button>
            </>
          )}
        </div>
      </div>
    </Modal>
  );
}
