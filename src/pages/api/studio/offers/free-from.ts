import { z } from 'zod';
import { currencyOf } from '~/core/money';
import { freeFrom, sumsToTry } from '~/core/pricing';
import { pastOrders } from '~/services/offers/goods';
import { showDraft } from '~/services/draft/edit-draft';
import { readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

const askedSchema = z.strictObject({ share: z.number().min(0).max(1), reach: z.number().min(0).max(1) });

/** What free delivery from each of some sums would leave of an order. */
export const POST = withAccount('owner', async ({ locals, request }) => {
  const body = await readBody(request, askedSchema);
  if (!body.ok) return refuse(body.problems);
  const { shop } = (await showDraft(locals.app)).lane;
  const sums = sumsToTry(currencyOf(shop.currency));
  return Response.json(freeFrom(await pastOrders(locals.app), sums, body.value, shop.tax));
});
