import { showStoredProofs } from '~/services/draft/keep-proofs';
import { ok } from '~/core/problems';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/proofs', async ({ app }) => ok(await showStoredProofs(app)));
