import { laneMapQuerySchema, showLaneMap } from '~/services/draft/show-lane-map';
import { check, refuse } from '../_respond';
import { withAccount } from '../_with-account';

export const GET = withAccount('viewer', async ({ locals, url }) => {
  const query = check(
    Object.fromEntries([...url.searchParams].filter(([, value]) => value !== '')),
    laneMapQuerySchema,
  );
  return query.ok ? Response.json(await showLaneMap(locals.app, query.value)) : refuse(query.problems);
});
