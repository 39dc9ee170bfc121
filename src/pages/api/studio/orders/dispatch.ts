import { importDispatch } from '~/services/orders/import-dispatch';
import { answer } from '../../_respond';
import { withAccount } from '../../_with-account';

/** Marks the orders of a CSV file as sent. */
export const POST = withAccount('owner', async ({ locals, request }, account) =>
  answer(await importDispatch(locals.app, new Uint8Array(await request.arrayBuffer()), account.id)),
);
