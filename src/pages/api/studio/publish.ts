import { publishLane } from '~/services/draft/publish-lane';
import { serve } from '../_serve';

export const POST = serve('POST /api/studio/publish', ({ app, account, body }) =>
  publishLane(app, { ...body, accountId: account.id }),
);
