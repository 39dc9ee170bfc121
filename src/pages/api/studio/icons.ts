import { keepIcon, keepPicture } from '~/services/catalogue/keep-picture';
import { answer, refuse } from '../_respond';
import { withAccount } from '../_with-account';
import { readForm } from '../../_read-form';

const MOST_BYTES = { icon: 900_000, picture: 6_000_000 } as const;

/** Takes a picture in: an icon, or with `use=picture` one as large as a page shows it. */
export const POST = withAccount('editor', async ({ locals, request }) => {
  const form = await readForm(request);
  const file = form?.get('file');
  const use = form?.get('use') === 'picture' ? 'picture' : 'icon';
  if (!(file instanceof File) || file.size === 0) return refuse([{ path: 'file', code: 'missing' }]);
  if (file.size > MOST_BYTES[use])
    return refuse([{ path: 'file', code: 'body-too-large', facts: { limit: `${MOST_BYTES[use] / 1_000_000} MB` } }]);
  const bytes = new Uint8Array(await file.arrayBuffer());
  return answer(await (use === 'icon' ? keepIcon : keepPicture)(locals.app, bytes));
});
