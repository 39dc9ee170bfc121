import type { CartView } from '~/core/cart';
import type { CartChangeRequest } from '~/runtime/cart-change';

/** What the cart will most likely be; the server's answer replaces it. Of an add only the count: its price is the server's to say. */
export function optimisticCart(view: CartView, request: CartChangeRequest): CartView {
  if (request.kind === 'add') return { ...view, count: view.count + (request.quantity ?? 1) };
  if (request.kind === 'coupon-off') return { ...view, codes: view.codes.filter(({ code }) => code !== request.code) };
  if (request.kind !== 'set' && request.kind !== 'remove') return view;
  const line = view.lines.find(({ id }) => id === request.lineId);
  if (!line) return view;
  const quantity = request.kind === 'remove' ? 0 : request.quantity;
  type Sum = typeof line.totalMinor;
  // What counts once for the line stays; what offers take is taken to grow with it.
  const once = line.fullMinor - line.unitMinor * line.quantity;
  const full = quantity > 0 ? once + line.unitMinor * quantity : 0;
  const total = line.fullMinor > 0 ? Math.round((full * line.totalMinor) / line.fullMinor) : full;
  const own = line.fullMinor > 0 ? Math.round((full * line.lineMinor) / line.fullMinor) : full;
  const sums = { totalMinor: total as Sum, fullMinor: full as Sum, lineMinor: own as Sum };
  const changed = quantity > 0 ? [{ ...line, quantity, ...sums }] : [];
  const [moreFull, more] = [full - line.fullMinor, total - line.totalMinor];
  return {
    ...view,
    lines: view.lines.flatMap((other) => (other === line ? changed : [other])),
    count: view.count + quantity - line.quantity,
    subtotalMinor: (view.subtotalMinor + moreFull) as Sum,
    discountMinor: (view.discountMinor + moreFull - more) as Sum,
    totalMinor: (view.totalMinor + more) as Sum,
  };
}
