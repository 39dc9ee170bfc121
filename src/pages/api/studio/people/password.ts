import { changePassword } from '~/services/accounts/people';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/people/password', ({ app, account, body }) =>
  changePassword(app, account, body),
);
