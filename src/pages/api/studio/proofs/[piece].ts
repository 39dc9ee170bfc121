import { keepProof } from '~/services/draft/keep-proofs';
import { serve } from '../../_serve';

export const PUT = serve('PUT /api/studio/proofs/[piece]', ({ app, params, body }) =>
  keepProof(app, params.piece, body),
);
