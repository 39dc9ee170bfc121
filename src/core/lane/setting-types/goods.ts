import { z } from 'zod';

/** Goods that a link or an offer names: a variant, so many, with a code. */
export const goodsSchema = z.strictObject({
  /** Of a variant; empty: none yet. */
  sku: z.string().trim().max(120),
  quantity: z.number().int().min(1).max(999),
  /** Typed into the cart with them; empty: none. */
  code: z.string().trim().max(60),
});
export type Goods = z.infer<typeof goodsSchema>;

export const NO_GOODS: Goods = { sku: '', quantity: 1, code: '' };

/** Goods as a part of a sentence. */
export const goodsText = ({ sku, quantity, code }: Goods): string =>
  sku === '' ? 'nothing yet' : [`${quantity} × ${sku}`, code && `with the code ${code}`].filter(Boolean).join(' ');
