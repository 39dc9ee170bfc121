import { useState } from 'react';
import { LETTERS } from '~/core/limits';
import { minor } from '~/core/money';
import {
  planRefund,
  type Done,
  type Order,
  type Refundable,
  type RefundableOrder,
  type RefundedUnits,
} from '~/core/orders';
import { MoneyField } from '~/studio/fields/money-field';
import { Tick } from '~/studio/fields/tick';
import { Modal } from '~/studio/fields/modal';
import { chosenUnits, UnitsList } from './units-list';

export interface RefundWish {
  readonly units: readonly RefundedUnits[];
  readonly delivery: boolean;
  /** As goodwill, for no item. */
  readonly sumMinor: number;
  readonly restock: boolean;
  readonly reason: string;
  /** The rest of the order, which is cancelled with it. */
  readonly isWhole: boolean;
}

interface Props {
  readonly order: Omit<RefundableOrder, 'lines'> & Pick<Order, 'lines' | 'currency'>;
  /** What was given back already. */
  readonly done: readonly Done[];
  readonly left: Refundable;
  /** What is chosen at first. */
  readonly first: readonly RefundedUnits[];
  readonly restocks: boolean;
  readonly isWhole: boolean;
  readonly busy: boolean;
  readonly problem: string | null;
  readonly sum: (amountMinor: number) => string;
  readonly onClose: () => void;
  readonly onGive: (wish: RefundWish) => void;
}

/** Chooses units and says what giving them back comes to, to the cent, before it is done. */
export function RefundDialog({ order, done, left, first, restocks, isWhole, busy, problem, ...rest }: Props) {
  const { sum, onClose, onGive } = rest;
  const most = left.lines.map(({ quantity }) => quantity);
  const [units, setUnits] = useState<readonly number[]>(
    most.map((all, i) => (isWhole ? all : (first.find(({ line }) => line === i)?.quantity ?? 0))),
  );
  const [sumMinor, setSum] = useState(0);
  const [delivery, setDelivery] = useState(isWhole && left.deliveryMinor > 0);
  const [restock, setRestock] = useState(restocks);
  const [reason, setReason] = useState('');
  const wanted = chosenUnits(units);
  const planned = planRefund(order, done, { units: wanted, delivery, sumMinor: minor(sumMinor) });
  const amount = isWhole ? left.totalMinor : planned.ok ? planned.value.amountMinor : 0;
  const isTooMuch = !planned.ok && planned.problems[0]?.code === 'refund-sum';
  const free = done.reduce((all, one) => all + one.sumMinor, 0);
  return (
    <Modal
      title={isWhole ? 'Cancel the order' : 'Refund'}
      text={
        isWhole
          ? 'Everything that is left is refunded, and the buyer gets a mail.'
          : 'The buyer gets the money back the way they paid, and a mail.'
      }
      onClose={onClose}
    >
      <div className="flex flex-col gap-3">
        {!isWhole && (
          <ul className="flex flex-col gap-2">
            <UnitsList lines={order.lines} most={most} units={units} what="to refund" onChange={setUnits} />
            {left.deliveryMinor > 0 && (
              <li>
                <Tick label={`Delivery, ${sum(left.deliveryMinor)}`} checked={delivery} onChange={setDelivery} />
              </li>
            )}
            <li className="flex items-center gap-3">
              <span className="me-auto">
                Goodwill, for no item <span className="text-gravel">at most {sum(left.totalMinor)}</span>
              </span>
              <MoneyField label="Goodwill" valueMinor={sumMinor} currency={order.currency} onChange={setSum} />
            </li>
          </ul>
        )}
        {free > 0 && !isWhole && (
          <p className="help">
            {sum(free)} was refunded as goodwill. {sum(left.totalMinor)} of the order is left to refund.
          </p>
        )}
        {isTooMuch && (
          <p role="alert" className="text-brick">
            That is more than the {sum(left.totalMinor)} left of this order. Type a smaller sum, or choose less.
          </p>
        )}
        {planned.ok && planned.value.taxMinor > 0 && (
          <p className="help">Of the refund, {sum(planned.value.taxMinor)} is tax.</p>
        )}
        {wanted.length > 0 && <Tick label="Put the items back in stock" checked={restock} onChange={setRestock} />}
        <label className="flex flex-col gap-1">
          Reason, for yourself
          <input
            className="field"
            maxLength={LETTERS.reason}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
        </label>
        {problem && (
          <p role="alert" className="text-brick">
            {problem}
          </p>
        )}
        <div className="flex justify-end gap-2">
          <button className="btn" onClick={onClose}>
            {isWhole ? 'Keep the order' : 'Cancel'}
          </button>
          <button
            className="btn btn-stop"
            disabled={busy || (!isWhole && !planned.ok)}
            onClick={() => onGive({ units: wanted, delivery, sumMinor, restock, reason, isWhole })}
          >
            {isWhole ? `Cancel it and refund ${sum(amount)}` : `Refund ${sum(amount)}`}
          </button>
        </div>
      </div>
    </Modal>
  );
}
