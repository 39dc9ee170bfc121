import type { SayShop, ShopWord } from '~/core/words';
import { minor, type Minor } from '~/core/money';
import { discountName, discountsOf, fullMinorOf, lineMinorOf } from '~/core/pricing';
import type { Order } from './order';

export interface ReceiptRow {
  readonly quantity: number;
  readonly name: string;
  /** Choices and answers, each as one text. */
  readonly notes: readonly string[];
  /** After the offers on the line; discounts on the whole order are listed below. */
  readonly amountMinor: Minor;
  /** Before them; null where none lowers it. */
  readonly wasMinor: Minor | null;
}

export interface ReceiptSum {
  readonly kind: 'subtotal' | 'discount' | 'delivery' | 'tax' | 'total' | 'taxWithin';
  readonly label: string;
  readonly amountMinor: Minor;
}

/** An order as a list that adds up from top to bottom: lines before offers, what each offer takes off, what comes on top. */
export interface Receipt {
  readonly lines: readonly ReceiptRow[];
  readonly sums: readonly ReceiptSum[];
  /** What came off when it was paid, that had not been shown before; null: nothing. */
  readonly cameOffMinor: Minor | null;
}

export function receiptOf(order: Order, say: SayShop): Receipt {
  const lines = order.lines.map((line): ReceiptRow => {
    const [amountMinor, fullMinor] = [lineMinorOf(line), fullMinorOf(line)];
    const gift = line.steps.find((step) => step.code === 'gift');
    return {
      quantity: line.quantity,
      name: line.name,
      notes: [
        line.choices,
        ...line.answers.map((answer) => `${answer.label}: ${answer.text}`),
        ...(gift ? [gift.name] : []),
      ].filter(Boolean),
      amountMinor,
      wasMinor: gift ? minor(gift.valueMinor * line.quantity) : amountMinor < fullMinor ? fullMinor : null,
    };
  });
  const sum = (kind: ReceiptSum['kind'] & ShopWord, amountMinor: Minor): ReceiptSum => ({
    kind,
    label: say(kind),
    amountMinor,
  });
  const discounts = discountsOf(order.lines).map((discount): ReceiptSum => ({
    kind: 'discount',
    label: discountName(discount) || say('discount'),
    amountMinor: minor(-discount.amountMinor),
  }));
  // A rate of nothing is no tax.
  const isTaxed = order.taxMinor !== 0;
  return {
    lines,
    sums: [
      ...(lines.length > 1 || discounts.length > 0 ? [sum('subtotal', order.subtotalMinor)] : []),
      ...discounts,
      ...(order.delivery === 'none' ? [] : [sum('delivery', order.deliveryMinor)]),
      ...(order.taxIncluded || !isTaxed ? [] : [sum('tax', order.taxMinor)]),
      sum('total', order.totalMinor),
      ...(order.taxIncluded && isTaxed ? [sum('taxWithin', order.taxMinor)] : []),
    ],
    cameOffMinor: order.shownTotalMinor === null ? null : minor(order.shownTotalMinor - order.totalMinor),
  };
}

/** Whether something of an order is given, and told as free: a gift, or delivery. */
export const isFree = (sum: { readonly kind: string; readonly amountMinor: number }): boolean =>
  sum.kind === 'delivery' && sum.amountMinor === 0;

/** Where an order goes, line by line; none when nothing is sent. */
export function addressLines({ name, address }: Pick<Order, 'name' | 'address'>, country: string): readonly string[] {
  if (!address.line1) return [];
  return [name, address.line1, address.line2, `${address.postcode} ${address.city}`, country].filter(Boolean);
}
