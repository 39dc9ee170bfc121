import { ok } from '~/core/problems';
import { showLaneMap } from '~/services/draft/show-lane-map';
import { serve } from '../_serve';

export const GET = serve('GET /api/studio/lane-map', async ({ app, query }) => ok(await showLaneMap(app, query)));
