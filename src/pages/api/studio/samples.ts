import { findSamples } from '~/services/draft/sample-situations';
import { withAccount } from '../_with-account';

export const GET = withAccount('viewer', async ({ locals }) => Response.json(await findSamples(locals.app)));
