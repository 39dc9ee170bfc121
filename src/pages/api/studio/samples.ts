import { ok } from '~/core/problems';
import { findSamples } from '~/services/draft/sample-situations';
import { serve } from '../_serve';

export const GET = serve('GET /api/studio/samples', async ({ app }) => ok(await findSamples(app)));
