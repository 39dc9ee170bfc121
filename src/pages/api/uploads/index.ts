import type { APIRoute } from 'astro';
import { z } from 'zod';
import { keepUpload } from '~/services/files/uploads';
import { ensureCartToken } from '~/shop/cookies/cart-cookie';
import { answer, check, refuse } from '../_respond';

const key = z
  .string()
  .min(1)
  .regex(/^[^\0]*$/);
const aboutSchema = z.strictObject({ product: key.max(120), option: key.max(40), name: z.string().max(400) });

/**
 * Takes a shopper's file for an option of a product; it belongs to the shopper's cart. The body is the file and nothing else: a
 * form could not be sent from other sites, and the address says what it is for.
 */
export const POST: APIRoute = async ({ locals, cookies, request, url, clientAddress }) => {
  const about = check(Object.fromEntries(url.searchParams), aboutSchema);
  if (!about.ok) return refuse(about.problems, locals);
  const bytes = new Uint8Array(await request.arrayBuffer());
  if (bytes.length === 0) return refuse([{ path: 'file', code: 'missing' }], locals);
  return answer(
    await keepUpload(locals.app, {
      ...about.value,
      cartToken: ensureCartToken(cookies, url.protocol === 'https:', request.headers),
      bytes,
      from: clientAddress,
    }),
  );
};
