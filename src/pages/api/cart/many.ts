import { addManyOf } from '~/services/cart/add-many';
import { ensureCartToken } from '~/shop/cookies/cart-cookie';
import { serve } from '../_serve';

export const POST = serve('POST /api/cart/many', ({ app, language, body, context: { cookies, request, url } }) =>
  addManyOf(app, ensureCartToken(cookies, url.protocol === 'https:', request.headers), body, language),
);
