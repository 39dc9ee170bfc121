import type { Problem } from '~/core/problems';
import { changeCart, type Cart, type VariantRules } from './change-cart';

export interface WantedItem {
  readonly variantId: number;
  readonly quantity: number;
}

export interface AddedMany {
  readonly cart: Cart;
  /** What went in, of what was wanted. */
  readonly added: readonly WantedItem[];
  readonly refused: readonly { readonly variantId: number; readonly problems: readonly Problem[] }[];
}

/**
 * Puts many things in at once, one after the other: what is refused is told with its reason, and keeps nothing else out;
 * with `whole` it keeps out everything. `newId` names lines.
 */
export function addMany(
  cart: Cart,
  items: readonly WantedItem[],
  rulesOf: (variantId: number) => VariantRules | undefined,
  { whole, newId }: { readonly whole: boolean; readonly newId: () => string },
): AddedMany {
  let now = cart;
  const added: WantedItem[] = [];
  const refused: { variantId: number; problems: readonly Problem[] }[] = [];
  for (const item of items) {
    const changed = changeCart(now, { kind: 'add', ...item, answers: {}, newLineId: newId() }, rulesOf);
    if (changed.ok) {
      now = changed.value;
      added.push(item);
    } else refused.push({ variantId: item.variantId, problems: changed.problems });
  }
  return whole && refused.length > 0 ? { cart, added: [], refused } : { cart: now, added, refused };
}
