import type { SayShop, ShopWord } from '~/core/lane';
import { minor, sumMinor, type Minor } from '~/core/money';
import type { Order } from './order';

export interface ReceiptLine {
  readonly quantity: number;
  readonly name: string;
  /** Choices and answers, each as one text. */
  readonly notes: readonly string[];
  /** Before offers. */
  readonly amountMinor: Minor;
}

export interface ReceiptSum {
  readonly kind: 'subtotal' | 'discount' | 'delivery' | 'tax' | 'total' | 'taxWithin';
  readonly label: string;
  readonly amountMinor: Minor;
}

/** An order as a list that adds up from top to bottom: lines before offers, what is taken off, what comes on top. */
export interface Receipt {
  readonly lines: readonly ReceiptLine[];
  readonly sums: readonly ReceiptSum[];
}

export function receiptOf(order: Order, say: SayShop): Receipt {
  const lines = order.lines.map((line) => ({
    quantity: line.quantity,
    name: line.name,
    notes: [
      line.choices,
      ...line.answers.map((answer) => `${answer.label}: ${answer.text}`),
      ...line.steps.map((step) => (step.code === 'gift' ? step.name : '')),
    ].filter(Boolean),
    amountMinor: sumMinor([
      line.totalMinor,
      ...line.steps.flatMap((step) => (step.code === 'offer' ? [minor(-step.amountMinor)] : [])),
    ]),
  }));
  const sum = (kind: ReceiptSum['kind'] & ShopWord, amountMinor: Minor) => ({ kind, label: say(kind), amountMinor });
  const { coupon, discountMinor } = order;
  const label = coupon ? say('discountWith', { code: coupon }) : say('discount');
  return {
    lines,
    sums: [
      ...(lines.length > 1 || discountMinor > 0 ? [sum('subtotal', order.subtotalMinor)] : []),
      ...(discountMinor > 0 ? [{ kind: 'discount' as const, label, amountMinor: minor(-discountMinor) }] : []),
      ...(order.delivery === 'none' ? [] : [sum('delivery', order.deliveryMinor)]),
      ...(order.taxIncluded ? [] : [sum('tax', order.taxMinor)]),
      sum('total', order.totalMinor),
      ...(order.taxIncluded ? [sum('taxWithin', order.taxMinor)] : []),
    ],
  };
}

/** What buyers and the shop call an order by. */
export function orderNumber(order: Pick<Order, 'id'>): string {
  return String(1000 + order.id);
}

/** The order that goes by a number. */
export const orderId = (number: number): number => number - 1000;

/** Where an order goes, line by line; none when nothing is sent. */
export function addressLines({ name, address }: Pick<Order, 'name' | 'address'>, country: string): readonly string[] {
  if (!address.line1) return [];
  return [name, address.line1, address.line2, `${address.postcode} ${address.city}`, country].filter(Boolean);
}
