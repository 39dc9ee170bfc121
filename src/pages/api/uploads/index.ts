import { keepUpload } from '~/services/files/uploads';
import { ensureCartToken } from '~/shop/cookies/cart-cookie';
import { serve } from '../_serve';

/** The body is the file and nothing else: a form could not be sent from other sites, and the address says what it is for. */
export const POST = serve('POST /api/uploads', ({ app, query, bytes, context }) => {
  const { cookies, request, url, clientAddress } = context;
  const token = ensureCartToken(cookies, url.protocol === 'https:', request.headers);
  return keepUpload(app, { ...query, cartToken: token, bytes, from: clientAddress });
});
