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
import { Tick } from '~/studio/fields/tick';
import { ChangeForm, WhatChanges, type BulkResult, type Chosen } from './bulk-form';

interface Props {
  /** How the list is narrowed. */
  readonly list: AskedBulk['list'];
  /** Those that are ticked; none: all of the list. */
  readonly slugs: readonly string[];
  readonly total: number;
  readonly onClose: () => void;
}

/** So long after the last key what it would do is asked again. */
const PAUSE_MS = 300;

/** Changes all products a search found at once: old and new are seen first, and it can be undone. */
export function BulkDialog({ list, slugs, total, onClose }: Props) {
  const shop = useShop();
  const { exponent } = currencyOf(shop.currency);
  const [chosen, setChosen] = useState<Chosen>({ kind: 'price', percent: 10, ending: 'none', tag: '', on: true });
  const { kind, percent, ending, tag, on } = chosen;
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
          <ChangeForm
            chosen={chosen}
            hasEndings={exponent > 0}
            onChange={(part) => setChosen({ ...chosen, ...part })}
          />
        )}
        {done && (
          <p role="status" className="text-moss">
            Done: {plural(done.count, 'change', 'changes')} in {plural(done.products, 'product', 'products')}. The open
            shop shows it already.
          </p>
        )}
        {shown && shown.count > 0 && <WhatChanges shown={shown} text={text} />}
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
          <BulkButtons
            done={done}
            busy={busy}
            undo={undo}
            onClose={onClose}
            preview={preview}
            isSure={isSure}
            apply={apply}
          />
        </div>
      </div>
    </Modal>
  );
}

function BulkButtons({
  done,
  busy,
  undo,
  onClose,
  preview,
  isSure,
  apply,
}: {
  done: BulkResult | null;
  busy: boolean;
  undo: (id: number) => Promise<void>;
  onClose: () => void;
  preview: BulkResult | null;
  isSure: boolean;
  apply: () => Promise<void>;
}) {
  return done ? (
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
  );
}
