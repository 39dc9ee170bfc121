import { importDispatch } from '~/services/orders/import-dispatch';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/orders/dispatch', ({ app, account, bytes }) =>
  importDispatch(app, bytes, account.id),
);
