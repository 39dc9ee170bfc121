import type { Goods } from '~/core/lane';

/** Where a buy link leads when its goods are in the cart. */
export const LEADS = ['cart', 'checkout', 'product'] as const;
export type Leads = (typeof LEADS)[number];

export interface LinkedGoods extends Goods {
  readonly leads: Leads;
  /** Id of the piece it was made from, by which the shop counts what it earned. */
  readonly link: string;
}

/** The address of a buy link: the whole choice, so that nobody has to choose again, even where the piece is gone. */
export function linkAddress(origin: string, { sku, quantity, code, leads, link }: LinkedGoods): string {
  const query = new URLSearchParams({
    sku,
    ...(quantity !== 1 && { quantity: String(quantity) }),
    ...(code && { code }),
    ...(leads !== 'cart' && { to: leads }),
    ...(link && { link }),
  });
  return `${origin}/shop/buy?${query}`;
}

/** A link's address as it came, wild ones made sensible: what is no number is one, what leads nowhere leads to the cart. */
export function readLink(query: URLSearchParams): LinkedGoods {
  const quantity = Number(query.get('quantity') ?? 1);
  const to = LEADS.find((one) => one === query.get('to'));
  return {
    sku: (query.get('sku') ?? '').trim().slice(0, 120),
    quantity: Number.isInteger(quantity) && quantity >= 1 ? Math.min(quantity, 999) : 1,
    code: (query.get('code') ?? '').trim().slice(0, 60),
    leads: to ?? 'cart',
    link: /^[a-z0-9-]{1,60}$/.test(query.get('link') ?? '') ? query.get('link')! : '',
  };
}
