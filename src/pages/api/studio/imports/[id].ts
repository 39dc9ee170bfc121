import { importProgress } from '~/services/catalogue/import-catalogue';
import { answer } from '../../_respond';
import { withAccount } from '../../_with-account';

export const GET = withAccount('editor', async ({ locals, params }) =>
  answer(await importProgress(locals.app, params['id']!)),
);
