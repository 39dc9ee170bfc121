import { fail, ok } from '~/core/problems';
import { linkFacts } from '~/services/links/linked-goods';
import { serve } from '../_serve';

export const GET = serve('GET /api/studio/links', async ({ app, query: { asks, ...goods } }) => {
  const facts = await linkFacts(app, goods, { forMail: true, asks: asks === '1' });
  return facts ? ok(facts) : fail('sku', 'not-found');
});
