import { findPairs } from '~/services/catalogue/find-pairs';
import { streamWork } from '~/services/offers/slices';
import { withAccount } from '../../_with-account';

/** Looks through all orders for what is bought together, with progress. */
export const POST = withAccount('editor', async ({ locals }) => {
  const { work, show } = await findPairs(locals.app);
  return streamWork(work, show);
});
