import { removeLayout } from '~/services/lane/own-layouts';
import { answer } from '../../_respond';
import { withAccount } from '../../_with-account';

/** Forgets a layout. */
export const DELETE = withAccount('editor', async ({ locals, params }) =>
  answer(await removeLayout(locals.app, /^\d{1,12}$/.test(params['id']!) ? Number(params['id']) : 0)),
);
