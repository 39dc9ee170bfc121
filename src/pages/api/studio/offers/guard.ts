import { guardLane } from '~/services/offers/guard-lane';
import { streamWork } from '~/services/offers/slices';
import { showDraft } from '~/services/draft/edit-draft';
import { withAccount } from '../../_with-account';

/** Looks for a cart of the draft's offers that sells below the floor, with progress; and which offers meet. */
export const POST = withAccount('editor', async ({ locals: { app } }) => {
  const { lane } = await showDraft(app);
  return streamWork(await guardLane(app, lane));
});
