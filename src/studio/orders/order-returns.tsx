import type { SentAction } from '~/contract/studio/orders';
import { LETTERS } from '~/core/limits';
import { useState } from 'react';
import { stillToRefund, stillToReturn, wasRestocked, type ItemReturn, type RefundedUnits } from '~/core/orders';
import { Modal } from '~/studio/fields/modal';
import { Tick } from '~/studio/fields/tick';
import { moment } from '~/studio/data/format';
import { useShop } from '~/studio/data/sums';
import type { KeptOrder } from '~/contract/studio/orders';
import { chosenUnits, UnitsList } from './units-list';

interface Props {
  readonly kept: KeptOrder;
  readonly busy: boolean;
  readonly problem: string | null;
  readonly act: (action: SentAction) => Promise<boolean>;
  /** Opens the refund of what came back. */
  readonly onRefund: (units: readonly RefundedUnits[], restock: boolean) => void;
}

/** What a buyer sends back: noted, awaited, back on the shelf, its money given back. */
export function OrderReturns({ kept, busy, problem, act, onRefund }: Props) {
  const { order, returns, refunds, left, keeping } = kept;
  const shop = useShop();
  const [open, setOpen] = useState<'note' | ItemReturn | null>(null);
  const named = (units: readonly RefundedUnits[]) =>
    units.map(({ line, quantity }) => `${quantity} × ${order.lines[line]!.name}`).join(', ');
  const close = () => setOpen(null);
  const closing = async (action: SentAction) => {
    if (await act(action)) close();
  };
  return (
    <section className="panel flex flex-col items-start gap-2 px-4 py-3">
      <h2>Returns</h2>
      {returns.length === 0 && <p className="text-gravel">None.</p>}
      <ul className="flex flex-col gap-3">
        {returns.map((item) => {
          const owed = keeping.cancelledAt === null ? stillToRefund(item.units, left) : [];
          return (
            <li key={item.id}>
              <strong>{named(item.units)}</strong>, noted {moment(item.at, shop)}
              <span className="help block">
                {item.cameAt === null
                  ? 'on its way back'
                  : `back since ${moment(item.cameAt, shop)}${item.restocked ? '; back in stock' : ''}`}
                {item.note && `; ${item.note}`}
              </span>
              <span className="mt-1 flex flex-wrap gap-2">
                {item.cameAt === null && (
                  <>
                    <button className="btn" disabled={busy} onClick={() => setOpen(item)}>
                      It is back …
                    </button>
                    <button
                      className="btn"
                      disabled={busy}
                      onClick={() => void act({ action: 'return-dropped', returnId: item.id })}
                    >
                      Not coming after all
                    </button>
                  </>
                )}
                {owed.length > 0 && (
                  <button
                    className="btn"
                    disabled={busy}
                    onClick={() => onRefund(owed, item.cameAt !== null && !item.restocked)}
                  >
                    Refund these …
                  </button>
                )}
              </span>
            </li>
          );
        })}
      </ul>
      {order.status === 'paid' && (
        <button className="btn" disabled={busy} onClick={() => setOpen('note')}>
          Note a return …
        </button>
      )}
      {open === 'note' && <NoteReturn kept={kept} busy={busy} problem={problem} onClose={close} onNote={closing} />}
      {open !== null && open !== 'note' && (
        <CameBack
          what={named(open.units)}
          isOnShelf={wasRestocked(open.units, refunds)}
          busy={busy}
          problem={problem}
          onClose={close}
          onCame={(restock) => closing({ action: 'return-came', returnId: open.id, restock })}
        />
      )}
    </section>
  );
}

interface NoteProps {
  readonly kept: KeptOrder;
  readonly busy: boolean;
  readonly problem: string | null;
  readonly onClose: () => void;
  readonly onNote: (action: SentAction) => Promise<void>;
}

function NoteReturn({ kept: { order, returns }, busy, problem, onClose, onNote }: NoteProps) {
  const most = stillToReturn(order.lines, returns);
  const [units, setUnits] = useState<readonly number[]>(most.map(() => 0));
  const [note, setNote] = useState('');
  return (
    <Modal
      title="Note a return"
      text="What the buyer sends back. Nothing is refunded or put back in stock by this."
      onClose={onClose}
    >
      <div className="flex flex-col gap-3">
        <ul className="flex flex-col gap-2">
          <UnitsList lines={order.lines} most={most} units={units} what="that come back" onChange={setUnits} />
        </ul>
        <label className="flex flex-col gap-1">
          Note, for yourself
          <input
            className="field"
            maxLength={LETTERS.reason}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        </label>
        <Problem text={problem} />
        <div className="flex justify-end gap-2">
          <button className="btn" onClick={onClose}>
            Cancel
          </button>
          <button
            className="btn btn-go"
            disabled={busy || chosenUnits(units).length === 0}
            onClick={() => void onNote({ action: 'return', units: chosenUnits(units), note })}
          >
            Note it
          </button>
        </div>
      </div>
    </Modal>
  );
}

interface CameProps {
  readonly what: string;
  /** Whether a refund put them back in stock. */
  readonly isOnShelf: boolean;
  readonly busy: boolean;
  readonly problem: string | null;
  readonly onClose: () => void;
  readonly onCame: (restock: boolean) => Promise<void>;
}

function CameBack({ what, isOnShelf, busy, problem, onClose, onCame }: CameProps) {
  const [restock, setRestock] = useState(!isOnShelf);
  return (
    <Modal title="It is back" text={what} onClose={onClose}>
      <div className="flex flex-col gap-3">
        {isOnShelf && <p className="help">A refund put items of this line back in stock already.</p>}
        <Tick label="Put the items back in stock" checked={restock} onChange={setRestock} />
        <Problem text={problem} />
        <div className="flex justify-end gap-2">
          <button className="btn" onClick={onClose}>
            Cancel
          </button>
          <button className="btn btn-go" disabled={busy} onClick={() => void onCame(restock)}>
            It is back
          </button>
        </div>
      </div>
    </Modal>
  );
}

function Problem({ text }: { readonly text: string | null }) {
  return text === null ? null : (
    <p role="alert" className="text-brick">
      {text}
    </p>
  );
}
