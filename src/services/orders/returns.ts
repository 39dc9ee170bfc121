import { checkReturn, takenBy, type RefundedUnits } from '~/core/orders';
import { fail, ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';

export type ReturnAction =
  | { readonly action: 'return'; readonly units: readonly RefundedUnits[]; readonly note: string }
  | { readonly action: 'return-came'; readonly returnId: number; readonly restock: boolean }
  | { readonly action: 'return-dropped'; readonly returnId: number };

/** Notes items of an order that are returned, and what became of them. Money is given back by a refund, separately. */
export function keepReturn(app: App, orderId: number, action: ReturnAction, accountId: number): Promise<Result<null>> {
  return app.db.inTransaction(async () => {
    const token = await app.orders.tokenOf(orderId);
    const order = token === null ? null : await app.orders.find(token);
    if (!order) return fail('', 'not-found');
    if (order.status !== 'paid') return fail('', 'order-unpaid');
    const at = app.now();
    const told = (what: 'order-return' | 'order-return-came' | 'order-return-dropped') =>
      app.audit.write({ at, accountId, action: what, facts: { order: orderId } });
    const returns = await app.orders.listReturns(orderId);
    if (action.action === 'return') {
      const checked = checkReturn(order.lines, returns, action.units);
      if (!checked.ok) return checked;
      await app.orders.insertReturn(orderId, accountId, { at, units: action.units, note: action.note });
      await told('order-return');
      return ok(null);
    }
    const noted = returns.find(({ id }) => id === action.returnId);
    if (!noted) return fail('', 'not-found');
    if (noted.cameAt !== null) return fail('', 'return-here');
    if (action.action === 'return-dropped') {
      await app.orders.dropReturn(noted.id);
      await told('order-return-dropped');
      return ok(null);
    }
    await app.orders.endReturn(noted.id, { cameAt: at, restocked: action.restock });
    const back = takenBy(noted.units.map(({ line, quantity }) => ({ ...order.lines[line]!, quantity })));
    if (action.restock)
      for (const { variantId, quantity } of back) await app.catalogue.returnStock(variantId, quantity);
    await told('order-return-came');
    return ok(null);
  });
}
