import { MOST_CODES } from '~/core/limits';
import { own } from '~/core/own';
import { fail, ok } from '~/core/problems';
import { showDraft } from '~/services/draft/edit-draft';
import { codesCsv, makeCodes } from '~/services/offers/one-time-codes';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/offers/codes', async ({ app, account, query: { offer, as } }) => {
  if (as !== 'csv') return ok(await app.codes.count(offer));
  await app.audit.write({ at: app.now(), accountId: account.id, action: 'codes-exported', facts: { offer } });
  return new Response(await codesCsv(app, offer), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="codes.csv"',
      'cache-control': 'no-store',
    },
  });
});

export const POST = serve('POST /api/studio/offers/codes', async ({ app, account, body: { offer: id, count } }) => {
  const offer = own((await showDraft(app)).lane.offers, id);
  if (!offer?.when.isOneTime) return fail('offer', 'not-found');
  const { made } = await app.codes.count(id);
  if (made + count > MOST_CODES) return fail('count', 'codes-too-many', { most: MOST_CODES });
  return ok(await makeCodes(app, { offerId: id, offer, count, accountId: account.id }));
});
