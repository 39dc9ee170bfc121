import type { APIRoute } from 'astro';
import { keepIcon } from '~/services/keep-icon';
import { answer, refuse } from '../_respond';

const MOST_BYTES = 900_000;

export const POST: APIRoute = async ({ locals, request }) => {
  if (locals.account?.role === 'viewer') return refuse([{ path: '', code: 'not-allowed' }]);
  const form = await request.formData().catch(() => null);
  const file = form?.get('file');
  if (!(file instanceof File) || file.size === 0) return refuse([{ path: 'file', code: 'missing' }]);
  if (file.size > MOST_BYTES) return refuse([{ path: 'file', code: 'body-too-large', facts: { limit: '0.9 MB' } }]);
  return answer(await keepIcon(locals.app, new Uint8Array(await file.arrayBuffer())));
};
