import { sayFirstStep, stepSchema } from '~/services/draft/begin';
import { readBody, refuse } from '../_respond';
import { withAccount } from '../_with-account';

/** Keeps that a first step was done or left out, and answers how far the owner is. */
export const POST = withAccount('editor', async ({ locals, request }) => {
  const body = await readBody(request, stepSchema);
  return body.ok ? Response.json({ steps: await sayFirstStep(locals.app, body.value) }) : refuse(body.problems);
});
