import { actOnOrder } from '~/services/orders/fulfilment';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/orders/[id]', ({ app, account, params, body }) =>
  actOnOrder(app, params.id, body, account.id),
);
