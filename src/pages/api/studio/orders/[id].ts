import { actOnOrder, orderActionSchema } from '~/services/orders/fulfilment';
import { answer, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** Packs, sends, refunds or cancels an order; answers how it is then. */
export const POST = withAccount('owner', async ({ locals, params, request }, account) => {
  const body = await readBody(request, orderActionSchema);
  if (!body.ok) return refuse(body.problems);
  const id = /^\d{1,12}$/.test(params['id']!) ? Number(params['id']) : 0;
  return answer(await actOnOrder(locals.app, id, body.value, account.id));
});
