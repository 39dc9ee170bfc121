import { z } from 'zod';
import { own } from '~/core/own';
import { codesCsv, makeCodes, MOST_CODES } from '~/services/offers/one-time-codes';
import { showDraft } from '~/services/draft/edit-draft';
import { readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

const id = z.string().min(1).max(60);
const madeSchema = z.strictObject({ offer: id, count: z.number().int().min(1).max(5000) });

/** How many codes an offer has, of which each works once; `as=csv`: all of them. */
export const GET = withAccount('owner', async ({ locals: { app }, url }, account) => {
  const offer = id.safeParse(url.searchParams.get('offer'));
  if (!offer.success) return refuse([{ path: 'offer', code: 'not-found' }]);
  if (url.searchParams.get('as') !== 'csv') return Response.json(await app.codes.count(offer.data));
  const entry = {
    at: app.now(),
    accountId: account.id,
    action: 'codes-exported',
    facts: { offer: offer.data },
  } as const;
  await app.audit.write(entry);
  return new Response(await codesCsv(app, offer.data), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="codes.csv"',
      'cache-control': 'no-store',
    },
  });
});

/** Makes codes for an offer of the draft. */
export const POST = withAccount('owner', async ({ locals: { app }, request }, account) => {
  const body = await readBody(request, madeSchema);
  if (!body.ok) return refuse(body.problems);
  const { offer: asked, count } = body.value;
  const offer = own((await showDraft(app)).lane.offers, asked);
  if (!offer?.when.isOneTime) return refuse([{ path: 'offer', code: 'not-found' }]);
  const { made } = await app.codes.count(asked);
  if (made + count > MOST_CODES)
    return refuse([{ path: 'count', code: 'codes-too-many', facts: { most: MOST_CODES } }]);
  return Response.json(await makeCodes(app, { offerId: asked, offer, count, accountId: account.id }));
});
