import { writeConfiguration } from '~/core/lane/document/configuration';
import { ok } from '~/core/problems';
import { showDraft } from '~/services/draft/edit-draft';
import { takeConfiguration } from '~/services/draft/take-configuration';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/configuration', async ({ app, query, context }) => {
  const { lane, live } = await showDraft(app);
  return new Response(writeConfiguration(query.of === 'live' ? live.lane : lane, context.url.origin), {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="configuration-${query.of}.json"`,
    },
  });
});

export const POST = serve('POST /api/studio/configuration', async ({ app, account, form }) => {
  const { file, options } = form;
  const taken = await takeConfiguration(app, await file.text(), { edit: options.edit, accountId: account.id });
  return taken.ok ? ok(await showDraft(app)) : taken;
});
