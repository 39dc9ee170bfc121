import { z } from 'zod';
import { readOrderNumber } from '~/core/orders';
import { goodsOfOrder, goodsOfProducts } from '~/services/offers/goods';
import { refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

const MOST_PRODUCTS = 60;
const askedSchema = z.object({
  slugs: z
    .string()
    .max(8000)
    .default('')
    .transform((text) => text.split(',').filter(Boolean).slice(0, MOST_PRODUCTS)),
  order: z.coerce.number().int().positive().optional(),
});

/** Goods to try offers on: of products, or of an order with how many of each. Says what they cost the shop. */
export const GET = withAccount('editor', async ({ locals, url }) => {
  const asked = askedSchema.safeParse(Object.fromEntries(url.searchParams));
  if (!asked.success) return refuse([{ path: 'slugs', code: 'invalid' }]);
  const { order, slugs } = asked.data;
  if (order === undefined) return Response.json({ goods: await goodsOfProducts(locals.app, slugs), lines: [] });
  const id = readOrderNumber(String(order));
  const found = id === null ? null : await goodsOfOrder(locals.app, id);
  return found ? Response.json(found) : refuse([{ path: 'order', code: 'not-found' }]);
});
