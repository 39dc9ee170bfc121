import type { APIRoute } from 'astro';
import { version } from '../../../package.json';
import { checkHealth } from '~/services/check-health';

export const GET: APIRoute = async ({ locals }) => {
  const health = await checkHealth(locals.app, version);
  return Response.json(health, { status: health.healthy ? 200 : 503 });
};
