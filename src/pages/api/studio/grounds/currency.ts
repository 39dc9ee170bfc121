import { changeCurrency, planCurrency } from '~/services/grounds/change-currency';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/grounds/currency', ({ app, query }) => planCurrency(app, query));

export const POST = serve('POST /api/studio/grounds/currency', ({ app, account, body }) =>
  changeCurrency(app, body, account.id),
);
