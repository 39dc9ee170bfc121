import { z } from 'zod';
import { lanePatchSchema } from '~/core/lane';
import { patchDraft, restoreIntoDraft, showDraft } from '~/services/draft/edit-draft';
import { answer, readBody, refuse } from '../_respond';
import { withAccount } from '../_with-account';

const patchSchema = z.strictObject({ edit: z.number().int().min(1), patch: lanePatchSchema });
const restoreSchema = z.strictObject({
  edit: z.number().int().min(1),
  revision: z.union([z.number().int().min(1), z.literal('latest')]),
});

export const GET = withAccount('viewer', async ({ locals }) => Response.json(await showDraft(locals.app)));

/** Changes the draft; 409 answers with the newer draft, so that nothing has to be asked for twice. */
export const PATCH = withAccount('editor', async ({ locals, request }, account) => {
  const body = await readBody(request, patchSchema);
  if (!body.ok) return refuse(body.problems);
  const patched = await patchDraft(locals.app, body.value.edit, body.value.patch, account.id);
  if (!patched.ok && patched.problems[0]?.code === 'stale-draft')
    return Response.json({ problems: patched.problems, draft: await showDraft(locals.app) }, { status: 409 });
  return answer(patched);
});

/** Replaces the draft by a revision, or by what is live. */
export const PUT = withAccount('editor', async ({ locals, request }, account) => {
  const body = await readBody(request, restoreSchema);
  if (!body.ok) return refuse(body.problems);
  const restored = await restoreIntoDraft(locals.app, body.value.edit, body.value.revision, account.id);
  return restored.ok ? Response.json(await showDraft(locals.app)) : refuse(restored.problems);
});
