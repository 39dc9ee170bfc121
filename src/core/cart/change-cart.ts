import { assertNever, fail, ok, type Result } from '~/core/problems';

/** Most of one variant in one order; a slip of the finger should not order 1,000 kites. */
export const MOST_PER_LINE = 99;

/** What a cart remembers; everything else is looked up when it is priced. */
export interface CartLine {
  readonly id: string;
  readonly variantId: number;
  readonly quantity: number;
}

export type CartChange =
  | { readonly kind: 'add'; readonly variantId: number; readonly quantity: number; readonly newLineId: string }
  | { readonly kind: 'set'; readonly lineId: string; readonly quantity: number }
  | { readonly kind: 'remove'; readonly lineId: string };

/** What must be known of a variant to let it into a cart. */
export interface StockFacts {
  readonly name: string;
  readonly stock: number | null;
}

/**
 * The cart after a change. Adding a variant that is there already raises its line; quantity 0 removes a line. Refused,
 * with nothing changed, when stock or the limit per line do not allow it.
 */
export function changeCart(
  lines: readonly CartLine[],
  change: CartChange,
  factsOf: (variantId: number) => StockFacts | undefined,
): Result<CartLine[]> {
  switch (change.kind) {
    case 'add': {
      const existing = lines.find((line) => line.variantId === change.variantId);
      const quantity = (existing?.quantity ?? 0) + change.quantity;
      const checked = checkQuantity(change.variantId, quantity, factsOf);
      if (!checked.ok) return checked;
      if (existing) return ok(lines.map((line) => (line === existing ? { ...line, quantity } : line)));
      return ok([...lines, { id: change.newLineId, variantId: change.variantId, quantity }]);
    }
    case 'set': {
      const line = lines.find((candidate) => candidate.id === change.lineId);
      if (!line) return fail('lineId', 'line-gone');
      if (change.quantity === 0) return ok(lines.filter((other) => other !== line));
      const checked =
        change.quantity <= line.quantity ? ok(null) : checkQuantity(line.variantId, change.quantity, factsOf);
      if (!checked.ok) return checked;
      return ok(lines.map((other) => (other === line ? { ...other, quantity: change.quantity } : other)));
    }
    case 'remove':
      if (!lines.some((line) => line.id === change.lineId)) return fail('lineId', 'line-gone');
      return ok(lines.filter((line) => line.id !== change.lineId));
    default:
      return assertNever(change);
  }
}

function checkQuantity(
  variantId: number,
  quantity: number,
  factsOf: (variantId: number) => StockFacts | undefined,
): Result<null> {
  const facts = factsOf(variantId);
  if (!facts) return fail('variantId', 'not-found');
  if (quantity > MOST_PER_LINE) return fail('quantity', 'quantity-limit', { limit: MOST_PER_LINE });
  if (facts.stock === null || quantity <= facts.stock) return ok(null);
  if (facts.stock <= 0) return fail('quantity', 'sold-out', { name: facts.name });
  return fail('quantity', 'not-enough-stock', { name: facts.name, stock: facts.stock });
}
