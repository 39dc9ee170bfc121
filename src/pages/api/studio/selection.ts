import { selectionSchema } from '~/core/lane';
import { listSelection } from '~/services/catalogue/list-selection';
import { readBody, refuse } from '../_respond';
import { withAccount } from '../_with-account';

const NAMED = 3;

/** How many products a selection holds now, and the first of them by name. */
export const POST = withAccount('viewer', async ({ locals, request }) => {
  const body = await readBody(request, selectionSchema);
  if (!body.ok) return refuse(body.problems);
  const { cards, total } = await listSelection(locals.app, body.value, { page: 1, pageSize: NAMED });
  return Response.json({ total, names: cards.map(({ name }) => name) });
});
