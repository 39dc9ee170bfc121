import { fail } from '~/core/problems';
import { refusalOf } from '~/services/accounts/access';
import { openUpload } from '~/services/files/uploads';
import { cartToken } from '~/shop/cookies/cart-cookie';
import { serve } from '../_serve';

const INLINE = ['image/png', 'image/jpeg'];

/** A kept file, for its owner and the shop; others get the same answer as for one that never was. */
export const GET = serve('GET /api/uploads/[id]', async ({ app, account, params, context: { cookies } }) => {
  const who = { cartToken: cartToken(cookies), isShop: refusalOf(account, 'owner') === null };
  const found = await openUpload(app, params.id, who);
  if (!found) return fail('id', 'not-found');
  const { upload, bytes } = found;
  const way = INLINE.includes(upload.type) ? 'inline' : 'attachment';
  return new Response(bytes as Uint8Array<ArrayBuffer>, {
    headers: {
      'content-type': upload.type,
      'content-disposition': `${way}; filename*=UTF-8''${encodeURIComponent(upload.name)}`,
      // Nothing in it may run, whatever it turns out to be.
      'content-security-policy': "default-src 'none'; sandbox",
      'cache-control': 'private, max-age=300',
    },
  });
});
