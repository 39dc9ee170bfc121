import { ok } from '~/core/problems';
import { showDraft } from '~/services/draft/edit-draft';
import { takeTexts, writeTexts } from '~/services/draft/take-texts';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/texts', async ({ app, query: { language } }) => {
  const written = await writeTexts(app, language);
  if (!written.ok) return written;
  return new Response(written.value, {
    headers: {
      'content-type': 'text/x-gettext-translation; charset=utf-8',
      'content-disposition': `attachment; filename="${language}.po"`,
    },
  });
});

export const POST = serve('POST /api/studio/texts', async ({ app, account, form: { file, options } }) => {
  const taken = await takeTexts(app, await file.text(), { edit: options.edit, accountId: account.id });
  return taken.ok ? ok(await showDraft(app)) : taken;
});
