import { useState } from 'react';
import { planRefund, type Order, type Refundable, type RefundableOrder } from '~/core/orders';
import { Tick } from '../shared/tick';
import { Modal } from '../shared/modal';
import { NumberField } from '../shared/number-field';

export interface RefundWish {
  readonly units: readonly { readonly line: number; readonly quantity: number }[];
  readonly delivery: boolean;
  readonly restock: boolean;
  readonly reason: string;
  /** The rest of the order, which is cancelled with it. */
  readonly isWhole: boolean;
}

interface Props {
  readonly order: Omit<RefundableOrder, 'lines'> & Pick<Order, 'lines'>;
  readonly left: Refundable;
  readonly isWhole: boolean;
  readonly busy: boolean;
  readonly problem: string | null;
  readonly sum: (amountMinor: number) => string;
  readonly onClose: () => void;
  readonly onGive: (wish: RefundWish) => void;
}

/** What was given back already, as the sums need it: by units, and delivery. */
function doneOf(order: Props['order'], left: Refundable) {
  return [
    {
      units: order.lines.flatMap((line, i) => {
        const quantity = line.quantity - left.lines[i]!.quantity;
        return quantity > 0 ? [{ line: i, quantity }] : [];
      }),
      delivery: order.deliveryMinor > 0 && left.deliveryMinor === 0,
    },
  ];
}

/** Chooses units and says what giving them back comes to, to the cent, before it is done. */
export function RefundDialog({ order, left, isWhole, busy, problem, sum, onClose, onGive }: Props) {
  const [units, setUnits] = useState<readonly number[]>(left.lines.map(({ quantity }) => (isWhole ? quantity : 0)));
  const [delivery, setDelivery] = useState(isWhole && left.deliveryMinor > 0);
  const [restock, setRestock] = useState(true);
  const [reason, setReason] = useState('');
  const wanted = units.flatMap((quantity, line) => (quantity > 0 ? [{ line, quantity }] : []));
  const planned = planRefund(order, doneOf(order, left), { units: wanted, delivery });
  const amount = isWhole ? left.totalMinor : planned.ok ? planned.value.amountMinor : 0;
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
            {order.lines.map((line, i) => (
              <li key={i} className="flex items-center gap-3">
                <span className="me-auto">
                  {line.name} {line.choices && <span className="text-gravel">{line.choices}</span>}
                </span>
                <NumberField
                  label={`Units of ${line.name} to refund`}
                  value={units[i]!}
                  min={0}
                  max={left.lines[i]!.quantity}
                  className="w-20"
                  onChange={(quantity) => setUnits(units.map((old, j) => (j === i ? quantity : old)))}
                />
                <span className="w-16 text-gravel">of {left.lines[i]!.quantity}</span>
              </li>
            ))}
            {left.deliveryMinor > 0 && (
              <li>
                <Tick label={`Delivery, ${sum(left.deliveryMinor)}`} checked={delivery} onChange={setDelivery} />
              </li>
            )}
          </ul>
        )}
        {planned.ok && planned.value.taxMinor > 0 && (
          <p className="help">Of the refund, {sum(planned.value.taxMinor)} is tax.</p>
        )}
        <Tick label="Put the items back in stock" checked={restock} onChange={setRestock} />
        <label className="flex flex-col gap-1">
          Reason, for yourself
          <input className="field" maxLength={300} value={reason} onChange={(event) => setReason(event.target.value)} />
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
            onClick={() => onGive({ units: wanted, delivery, restock, reason, isWhole })}
          >
            {isWhole ? `Cancel it and refund ${sum(amount)}` : `Refund ${sum(amount)}`}
          </button>
        </div>
      </div>
    </Modal>
  );
}
