import type { APIRoute } from 'astro';
import { z } from 'zod';
import { keepUpload } from '~/services/files/uploads';
import { ensureCartToken } from '~/shop/cart-cookie';
import { answer, check, refuse } from '../_respond';
import { readForm } from '../../_read-form';

const fieldsSchema = z.strictObject({ product: z.string().min(1).max(120), option: z.string().min(1).max(40) });

/** Takes a shopper's file for an option of a product; it belongs to the shopper's cart. */
export const POST: APIRoute = async ({ locals, cookies, request, url, clientAddress }) => {
  const form = await readForm(request);
  const file = form?.get('file');
  if (!form || !(file instanceof File) || file.size === 0) return refuse([{ path: 'file', code: 'missing' }], locals);
  const fields = check({ product: form.get('product'), option: form.get('option') }, fieldsSchema);
  if (!fields.ok) return refuse(fields.problems, locals);
  return answer(
    await keepUpload(locals.app, {
      ...fields.value,
      cartToken: ensureCartToken(cookies, url.protocol === 'https:'),
      name: file.name,
      bytes: new Uint8Array(await file.arrayBuffer()),
      from: clientAddress,
    }),
  );
};
