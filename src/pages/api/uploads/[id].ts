import type { APIRoute } from 'astro';
import { refusalOf } from '~/services/accounts/access';
import { openUpload } from '~/services/files/uploads';
import { cartToken } from '~/shop/cookies/cart-cookie';
import { refuse } from '../_respond';

const INLINE = ['image/png', 'image/jpeg'];

/** A kept file, for its owner and the shop; others get the same answer as for one that never was. */
export const GET: APIRoute = async ({ locals, cookies, params }) => {
  const who = { cartToken: cartToken(cookies), isShop: refusalOf(locals.account, 'owner') === null };
  const found = await openUpload(locals.app, params['id']!, who);
  if (!found) return refuse([{ path: 'id', code: 'not-found' }]);
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
};
