import { changeZone, planZone } from '~/services/grounds/change-zone';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/grounds/zone', ({ app, query }) => planZone(app, query));

export const POST = serve('POST /api/studio/grounds/zone', ({ app, account, body }) =>
  changeZone(app, body, account.id),
);
