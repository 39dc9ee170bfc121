import { compareRevisions } from '~/services/draft/publish-lane';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/revisions/compare', ({ app, query }) => compareRevisions(app, query));
