import { fail, ok, type Result } from '~/core/problems';
import type { Refund, Refundable, RefundedUnits } from './refund';

/** Items a buyer sends back, as its owner noted them. */
export interface ItemReturn {
  readonly id: number;
  readonly at: number;
  readonly units: readonly RefundedUnits[];
  readonly note: string;
  /** null: still on its way. */
  readonly cameAt: number | null;
  /** Whether they went back on the shelf when they came. */
  readonly restocked: boolean;
}

/** Units of each line that can still come back: those that are neither back nor noted. */
export const stillToReturn = (
  lines: readonly { readonly quantity: number }[],
  returns: readonly Pick<ItemReturn, 'units'>[],
): number[] =>
  lines.map(({ quantity }, line) =>
    returns
      .flatMap(({ units }) => units)
      .reduce((left, units) => left - (units.line === line ? units.quantity : 0), quantity),
  );

/** Whether a refund put any of these back on the shelf already. */
export const wasRestocked = (
  units: readonly RefundedUnits[],
  refunds: readonly Pick<Refund, 'units' | 'restocked'>[],
): boolean =>
  refunds.some(
    (refund) => refund.restocked && refund.units.some(({ line }) => units.some((unit) => unit.line === line)),
  );

/** Whether these units can come back: no more of a line than was sent and is not back, or noted, already. */
export function checkReturn(
  lines: readonly { readonly quantity: number }[],
  returns: readonly Pick<ItemReturn, 'units'>[],
  units: readonly RefundedUnits[],
): Result<null> {
  if (units.length === 0) return fail('units', 'return-nothing');
  const able = stillToReturn(lines, returns);
  const seen = new Set<number>();
  for (const { line, quantity } of units) {
    const left = able[line];
    if (left === undefined || seen.has(line)) return fail(`units.${line}`, 'refund-line');
    seen.add(line);
    if (quantity < 1 || quantity > left) return fail(`units.${line}`, 'return-quantity', { left });
  }
  return ok(null);
}

/** Of units that come back, those whose money is not given back yet. */
export const stillToRefund = (units: readonly RefundedUnits[], left: Refundable): RefundedUnits[] =>
  units.flatMap(({ line, quantity }) => {
    const able = Math.min(quantity, left.lines[line]?.quantity ?? 0);
    return able > 0 ? [{ line, quantity: able }] : [];
  });
