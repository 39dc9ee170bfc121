import { compareRevisions, compareSchema } from '~/services/draft/publish-lane';
import { answer, check, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** What differs between two revisions, from one to the other. */
export const GET = withAccount('viewer', async ({ locals, url }) => {
  const query = check(Object.fromEntries(url.searchParams), compareSchema);
  return query.ok ? answer(await compareRevisions(locals.app, query.value)) : refuse(query.problems);
});
