import { ok } from '~/core/problems';
import { patchDraft, restoreIntoDraft, showDraft } from '~/services/draft/edit-draft';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/draft', async ({ app }) => ok(await showDraft(app)));

export const PATCH = serve('PATCH /api/studio/draft', async ({ app, account, body }) => {
  const patched = await patchDraft(app, body.edit, body.patch, account.id);
  // The newer draft comes along, so that nothing has to be asked for twice.
  if (!patched.ok && patched.problems[0]?.code === 'stale-draft')
    return { ...patched, conflict: { draft: await showDraft(app) } };
  return patched;
});

export const PUT = serve('PUT /api/studio/draft', async ({ app, account, body }) => {
  const restored = await restoreIntoDraft(app, body.edit, body.revision, account.id);
  return restored.ok ? ok(await showDraft(app)) : restored;
});
