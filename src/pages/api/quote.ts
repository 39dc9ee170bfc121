import { fail, ok } from '~/core/problems';
import { quoteChoice } from '~/services/cart/quote-product';
import { serve } from './_serve';

export const GET = serve('GET /api/quote', async ({ app, query: { variant, quantity, unit, once } }) => {
  const price = await quoteChoice(app, variant, { quantity, unitMinor: unit, onceMinor: once });
  return price ? ok(price) : fail('variant', 'not-found');
});
