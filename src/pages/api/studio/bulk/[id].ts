import { undoMany } from '~/services/catalogue/change-many';
import { answer } from '../../_respond';
import { withAccount } from '../../_with-account';

/** Undoes a change of many products. */
export const DELETE = withAccount('editor', async ({ locals, params }, account) =>
  answer(await undoMany(locals.app, /^\d{1,12}$/.test(params['id']!) ? Number(params['id']) : 0, account.id)),
);
