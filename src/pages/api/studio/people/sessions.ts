import { endSession } from '~/services/accounts/people';
import { serve } from '../../_serve';

export const DELETE = serve('DELETE /api/studio/people/sessions', ({ app, account, body }) =>
  endSession(app, account, body),
);
