import { decidePairs } from '~/services/catalogue/find-pairs';
import { serve } from '../../_serve';

export const PUT = serve('PUT /api/studio/suggestions', ({ app, account, body }) => decidePairs(app, body, account.id));
