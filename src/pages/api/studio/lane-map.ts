import type { APIRoute } from 'astro';
import { laneMapQuerySchema, showLaneMap } from '~/services/show-lane-map';
import { check, refuse } from '../_respond';

export const GET: APIRoute = async ({ locals, url }) => {
  const query = check(
    Object.fromEntries([...url.searchParams].filter(([, value]) => value !== '')),
    laneMapQuerySchema,
  );
  return query.ok ? Response.json(await showLaneMap(locals.app, query.value)) : refuse(query.problems);
};
