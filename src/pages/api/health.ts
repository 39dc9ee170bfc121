import { version } from '../../../package.json';
import { checkHealth } from '~/services/check-health';
import { serve } from './_serve';

export const GET = serve('GET /api/health', async ({ app }) => {
  const health = await checkHealth(app, version);
  return { ok: true, value: health, status: health.healthy ? 200 : 503 };
});
