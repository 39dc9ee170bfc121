import { removePerson } from '~/services/accounts/people';
import { serve } from '../../_serve';

export const DELETE = serve('DELETE /api/studio/people', ({ app, account, body }) => removePerson(app, account, body));
