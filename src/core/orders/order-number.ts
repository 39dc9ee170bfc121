/** What the number of an order is ahead of its id: the first order is not number 1. */
const AHEAD = 1000;

/** What buyers and the shop call an order by. */
export const orderNumber = ({ id }: { readonly id: number }): string => String(AHEAD + id);

/** The id of the order with a number as typed, with or without #; null: not an order number. */
export function readOrderNumber(typed: string): number | null {
  const [, digits] = /^#?(\d{4,12})$/.exec(typed.trim()) ?? [];
  const id = Number(digits ?? 0) - AHEAD;
  return id > 0 ? id : null;
}
