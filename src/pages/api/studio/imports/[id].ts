import { importProgress } from '~/services/import-catalogue';
import { answer } from '../../_respond';
import { withAccount } from '../../_with-account';

export const GET = withAccount('editor', ({ params }) => answer(importProgress(params['id']!)));
