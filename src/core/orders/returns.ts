import { fail, ok, type Result } from '~/core/problems';
import type { Refundable, RefundedUnits } from './refund';

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

/** Units of a line that are on their way back, or are back. */
const returned = (returns: readonly Pick<ItemReturn, 'units'>[], line: number): number =>
  returns.flatMap(({ units }) => units).reduce((sum, units) => sum + (units.line === line ? units.quantity : 0), 0);

/** Whether these units can come back: no more of a line than was sent and is not back, or noted, already. */
export function checkReturn(
  lines: readonly { readonly quantity: number }[],
  returns: readonly Pick<ItemReturn, 'units'>[],
  units: readonly RefundedUnits[],
): Result<null> {
  if (units.length === 0) return fail('units', 'return-nothing');
  const seen = new Set<number>();
  for (const { line, quantity } of units) {
    if (!lines[line] || seen.has(line)) return fail(`units.${line}`, 'refund-line');
    seen.add(line);
    const left = lines[line].quantity - returned(returns, line);
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
