import { allocate, minor, type Minor } from '~/core/money';
import { fail, ok, type Result } from '~/core/problems';
import type { Order } from './order';

/** Units of a line, by its place on the order. */
export interface RefundedUnits {
  readonly line: number;
  readonly quantity: number;
}

/** Money given back, and what for. */
export interface Refund {
  readonly id: number;
  readonly at: number;
  readonly amountMinor: Minor;
  readonly units: readonly RefundedUnits[];
  readonly delivery: boolean;
  /** Whether the units went back on the shelf. */
  readonly restocked: boolean;
  readonly reason: string;
}

export type RefundableOrder = Pick<Order, 'deliveryMinor' | 'taxMinor' | 'taxIncluded' | 'taxBasisPoints' | 'steps'> & {
  readonly lines: readonly Pick<Order['lines'][number], 'quantity' | 'totalMinor' | 'taxBasisPoints'>[];
};

export interface PaidPart {
  /** Discounts and tax included. */
  readonly amountMinor: Minor;
  readonly taxMinor: Minor;
}

/**
 * What was paid for each line and for delivery: what it cost and, where that came on top, the tax at its own rate. The tax of a
 * rate is shared over what has that rate by the largest remainder, so that the parts make up the whole.
 */
export function paidParts(order: RefundableOrder): {
  readonly lines: readonly PaidPart[];
  readonly delivery: PaidPart;
} {
  const bases = [...order.lines.map((line) => line.totalMinor), order.deliveryMinor];
  const taxes = taxParts(order, bases);
  const parts = bases.map((base, i): PaidPart => {
    const taxMinor = taxes[i]!;
    return { amountMinor: order.taxIncluded ? base : minor(base + taxMinor), taxMinor };
  });
  return { lines: parts.slice(0, -1), delivery: parts.at(-1)! };
}

function taxParts({ lines, steps, taxMinor, taxBasisPoints }: RefundableOrder, bases: readonly number[]): Minor[] {
  const taxes = new Map<number, number>();
  for (const step of steps)
    if (step.code === 'tax-included' || step.code === 'tax-on-top')
      taxes.set(step.basisPoints, (taxes.get(step.basisPoints) ?? 0) + step.amountMinor);
  const usual = taxBasisPoints ?? (taxes.size === 1 ? [...taxes.keys()][0]! : null);
  // Orders from before rates were kept: one tax over everything.
  if (usual === null) return allocate(taxMinor, bases);
  const rates = [...lines.map((line) => line.taxBasisPoints ?? usual), usual];
  const parts = bases.map(() => 0);
  for (const [rate, amount] of taxes) {
    const ofRate = bases.map((base, i) => (rates[i] === rate ? base : 0));
    for (const [i, part] of allocate(minor(amount), ofRate).entries()) parts[i]! += part;
  }
  return parts.map(minor);
}

export interface Refundable {
  readonly lines: readonly { readonly quantity: number; readonly amountMinor: Minor }[];
  /** 0 when it was given back, or nothing was paid for it. */
  readonly deliveryMinor: Minor;
  readonly totalMinor: Minor;
}

const unitsOf = (refunds: readonly Pick<Refund, 'units'>[], line: number) =>
  refunds.flatMap((refund) => refund.units).reduce((sum, units) => sum + (units.line === line ? units.quantity : 0), 0);

/** The part of an amount that falls on the first so many of its units. All of them: the whole amount, to the cent. */
const upTo = (amount: number, units: number, of: number) => Math.round((amount * units) / of);

/** What can still be given back of an order. */
export function refundable(order: RefundableOrder, refunds: readonly Pick<Refund, 'units' | 'delivery'>[]): Refundable {
  const paid = paidParts(order);
  const lines = order.lines.map((line, i) => {
    const done = unitsOf(refunds, i);
    const amount = paid.lines[i]!.amountMinor;
    return { quantity: line.quantity - done, amountMinor: minor(amount - upTo(amount, done, line.quantity)) };
  });
  const deliveryMinor = refunds.some((refund) => refund.delivery) ? minor(0) : paid.delivery.amountMinor;
  const totalMinor = minor(lines.reduce((sum, line) => sum + line.amountMinor, 0) + deliveryMinor);
  return { lines, deliveryMinor, totalMinor };
}

/**
 * What giving these units back comes to, to the cent, and how much of that is tax. However an order is given back piece by piece, the pieces together are
 * what was paid.
 */
export function planRefund(
  order: RefundableOrder,
  refunds: readonly Pick<Refund, 'units' | 'delivery'>[],
  wanted: { readonly units: readonly RefundedUnits[]; readonly delivery: boolean },
): Result<PaidPart> {
  const paid = paidParts(order);
  const left = refundable(order, refunds);
  let [amount, tax] = [0, 0];
  const seen = new Set<number>();
  for (const { line, quantity } of wanted.units) {
    const able = left.lines[line];
    if (!able || seen.has(line)) return fail(`units.${line}`, 'refund-line');
    if (quantity < 1 || quantity > able.quantity)
      return fail(`units.${line}`, 'refund-quantity', { left: able.quantity });
    seen.add(line);
    const done = unitsOf(refunds, line);
    const { quantity: of } = order.lines[line]!;
    const part = paid.lines[line]!;
    amount += upTo(part.amountMinor, done + quantity, of) - upTo(part.amountMinor, done, of);
    tax += upTo(part.taxMinor, done + quantity, of) - upTo(part.taxMinor, done, of);
  }
  if (wanted.delivery && refunds.some((refund) => refund.delivery)) return fail('delivery', 'refund-delivery');
  if (wanted.delivery) {
    amount += paid.delivery.amountMinor;
    tax += paid.delivery.taxMinor;
  }
  if (seen.size === 0 && !wanted.delivery) return fail('units', 'refund-nothing');
  return ok({ amountMinor: minor(amount), taxMinor: minor(tax) });
}

/** A charge of the buyer's card, by the key the provider knows it by. */
export interface Charged {
  readonly key: string;
  readonly amountMinor: number;
}

/**
 * From which charges an amount goes back: from the first as long as anything is left of it, then from the next. `before` is what went
 * back of them already. Never more of a charge than it was; what all of them do not hold is asked of the last, to be refused there.
 */
export function spreadRefund(charges: readonly Charged[], before: number, amountMinor: number): Charged[] {
  const shares: Charged[] = [];
  let [gone, left] = [before, amountMinor];
  for (const [i, { key, amountMinor: charged }] of charges.entries()) {
    const held = Math.max(0, charged - gone);
    gone = Math.max(0, gone - charged);
    const share = i === charges.length - 1 ? left : Math.min(left, held);
    if (share > 0) shares.push({ key, amountMinor: share });
    left -= share;
  }
  return shares;
}
