import { ok } from '~/core/problems';
import { changeMany, listBulks } from '~/services/catalogue/change-many';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/bulk', async ({ app }) => ok(await listBulks(app)));

export const POST = serve('POST /api/studio/bulk', ({ app, account, body }) => changeMany(app, body, account.id));
