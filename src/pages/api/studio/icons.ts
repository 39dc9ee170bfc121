import { keepIcon } from '~/services/keep-icon';
import { answer, refuse } from '../_respond';
import { withAccount } from '../_with-account';
import { readForm } from '../../_read-form';

const MOST_BYTES = 900_000;

export const POST = withAccount('editor', async ({ locals, request }) => {
  const form = await readForm(request);
  const file = form?.get('file');
  if (!(file instanceof File) || file.size === 0) return refuse([{ path: 'file', code: 'missing' }]);
  if (file.size > MOST_BYTES) return refuse([{ path: 'file', code: 'body-too-large', facts: { limit: '0.9 MB' } }]);
  return answer(await keepIcon(locals.app, new Uint8Array(await file.arrayBuffer())));
});
