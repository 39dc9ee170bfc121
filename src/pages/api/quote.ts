import type { APIRoute } from 'astro';
import { z } from 'zod';
import { MOST_PER_LINE } from '~/core/cart';
import { MOST_MINOR } from '~/core/money';
import { problemsFromZod } from '~/core/problems';
import { quoteChoice } from '~/services/cart/quote-product';
import { refuse } from './_respond';

const sum = z.coerce.number().int().min(-MOST_MINOR).max(MOST_MINOR).default(0);
const askedSchema = z.object({
  variant: z.coerce.number().int().positive(),
  quantity: z.coerce.number().int().min(1).max(MOST_PER_LINE).default(1),
  /** What options add to each, and once: as the browser worked it out, and only to be shown there. */
  unit: sum,
  once: sum,
});

/** What so many of a variant cost before they are in a cart. */
export const GET: APIRoute = async ({ locals, url }) => {
  const asked = askedSchema.safeParse(Object.fromEntries(url.searchParams));
  if (!asked.success) return refuse(problemsFromZod(asked.error));
  const { variant, quantity, unit, once } = asked.data;
  const price = await quoteChoice(locals.app, variant, { quantity, unitMinor: unit, onceMinor: once });
  return price
    ? Response.json(price, { headers: { 'cache-control': 'private, max-age=15' } })
    : refuse([{ path: 'variant', code: 'not-found' }]);
};
