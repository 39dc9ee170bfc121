import { ok } from '~/core/problems';
import { suggestNear } from '~/services/catalogue/suggest';
import { cartToken } from '~/shop/cookies/cart-cookie';
import { serve } from './_serve';

export const GET = serve('GET /api/suggestions', async ({ app, account, language, query, context }) =>
  ok(
    await suggestNear(app, query.near.split(' ').slice(0, 60), {
      cartToken: cartToken(context.cookies, context.request.headers),
      most: query.most,
      // Why something is suggested is for the shop’s own people.
      explains: account !== null,
      language,
    }),
  ),
);
