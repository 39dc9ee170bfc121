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
  /** Of the amount: what was given as goodwill. */
  readonly sumMinor: Minor;
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

/** What a refund was for, as the sums of the next one need it. */
export type Done = Pick<Refund, 'units' | 'delivery' | 'sumMinor' | 'amountMinor'>;
/** What is to be given back: units of lines, delivery, and a sum as goodwill. */
export type Wish = Pick<Refund, 'units' | 'delivery' | 'sumMinor'>;

/** What can still be given back of an order: never more in all than was paid, whatever was given as goodwill. */
export function refundable(order: RefundableOrder, refunds: readonly Done[]): Refundable {
  const paid = paidParts(order);
  const lines = order.lines.map((line, i) => {
    const done = unitsOf(refunds, i);
    const amount = paid.lines[i]!.amountMinor;
    return { quantity: line.quantity - done, amountMinor: minor(amount - upTo(amount, done, line.quantity)) };
  });
  const deliveryMinor = refunds.some((refund) => refund.delivery) ? minor(0) : paid.delivery.amountMinor;
  const given = refunds.reduce((sum, { amountMinor }) => sum + amountMinor, 0);
  const totalMinor = minor(Math.max(0, wholeOf(paid).amountMinor - given));
  return { lines, deliveryMinor, totalMinor };
}

const wholeOf = ({ lines, delivery }: ReturnType<typeof paidParts>): PaidPart => ({
  amountMinor: minor(lines.reduce<number>((sum, line) => sum + line.amountMinor, delivery.amountMinor)),
  taxMinor: minor(lines.reduce<number>((sum, line) => sum + line.taxMinor, delivery.taxMinor)),
});

/**
 * What giving this back comes to, to the cent, and how much of that is tax; goodwill holds tax as all
 * that is left of the order does. However an order is given back piece by piece, the pieces together are what was paid.
 */
export function planRefund(order: RefundableOrder, refunds: readonly Done[], wanted: Wish): Result<PaidPart> {
  const fault = faultOf(order, refunds, wanted);
  if (fault) return fault;
  const paid = paidParts(order);
  const whole = wholeOf(paid);
  let before: PaidPart = { amountMinor: minor(0), taxMinor: minor(0) };
  for (const [i, refund] of refunds.entries()) {
    const { taxMinor } = shareOf({ order, paid, done: refunds.slice(0, i), before }, refund);
    before = {
      amountMinor: minor(before.amountMinor + refund.amountMinor),
      taxMinor: minor(before.taxMinor + taxMinor),
    };
  }
  const left = whole.amountMinor - before.amountMinor;
  const share = shareOf({ order, paid, done: refunds, before }, wanted);
  if (wanted.sumMinor > 0 && share.amountMinor > left)
    return fail('sumMinor', 'refund-sum', { leftMinor: Math.max(0, left - (share.amountMinor - wanted.sumMinor)) });
  return ok(share);
}

/** What is wrong with a wish; null where nothing is. */
function faultOf(order: RefundableOrder, refunds: readonly Done[], wanted: Wish): ReturnType<typeof fail> | null {
  const left = refundable(order, refunds);
  const seen = new Set<number>();
  for (const { line, quantity } of wanted.units) {
    const able = left.lines[line];
    if (!able || seen.has(line)) return fail(`units.${line}`, 'refund-line');
    if (quantity < 1 || quantity > able.quantity)
      return fail(`units.${line}`, 'refund-quantity', { left: able.quantity });
    seen.add(line);
  }
  if (wanted.delivery && refunds.some((refund) => refund.delivery)) return fail('delivery', 'refund-delivery');
  return seen.size === 0 && !wanted.delivery && wanted.sumMinor === 0 ? fail('units', 'refund-nothing') : null;
}

/** What was paid for each part of an order, and what was refunded of it. */
interface Account {
  readonly order: RefundableOrder;
  readonly paid: ReturnType<typeof paidParts>;
  readonly done: readonly Done[];
  readonly before: PaidPart;
}

/** What a wish comes to behind `done`, of which `before` was given: its units and delivery as far as anything is left of what was paid. */
function shareOf({ order, paid, done, before }: Account, wanted: Wish): PaidPart {
  let [amount, tax] = [0, 0];
  for (const { line, quantity } of wanted.units) {
    const units = unitsOf(done, line);
    const { quantity: of } = order.lines[line]!;
    const part = paid.lines[line]!;
    amount += upTo(part.amountMinor, units + quantity, of) - upTo(part.amountMinor, units, of);
    tax += upTo(part.taxMinor, units + quantity, of) - upTo(part.taxMinor, units, of);
  }
  if (wanted.delivery) {
    amount += paid.delivery.amountMinor;
    tax += paid.delivery.taxMinor;
  }
  const whole = wholeOf(paid);
  const left = whole.amountMinor - before.amountMinor;
  const taxLeft = whole.taxMinor - before.taxMinor;
  // What was given before as goodwill is not given again.
  const own = Math.max(0, Math.min(amount, left));
  const all = own + wanted.sumMinor;
  if (all >= left && wanted.sumMinor + amount > 0 && left > 0)
    return { amountMinor: minor(all), taxMinor: minor(taxLeft) };
  const rest = left - own;
  const ownTax = Math.min(amount === 0 ? 0 : Math.round((tax * own) / amount), taxLeft);
  const free = rest <= 0 ? 0 : Math.round(((taxLeft - ownTax) * wanted.sumMinor) / rest);
  // What rounding leaves to the last refund is never more tax than money.
  const least = taxLeft - (left - all);
  return { amountMinor: minor(all), taxMinor: minor(Math.max(ownTax + free, least)) };
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

export type StoredRefund = Refund & { readonly key: string; readonly state: 'asked' | 'done' };
