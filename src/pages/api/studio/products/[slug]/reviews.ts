import { keepReview, keepReviewSchema } from '~/services/catalogue/edit-product';
import { answer, readBody, refuse } from '../../../_respond';
import { withAccount } from '../../../_with-account';

/** Hides, shows or answers one review. */
export const PUT = withAccount('editor', async ({ locals, params, request }, account) => {
  const body = await readBody(request, keepReviewSchema);
  if (!body.ok) return refuse(body.problems);
  return answer(await keepReview(locals.app, params['slug']!, body.value, account.id));
});
