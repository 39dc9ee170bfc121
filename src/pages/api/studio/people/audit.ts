import { auditSchema, showAudit } from '~/services/accounts/people';
import { withAccount } from '../../_with-account';

/** What was done, the newest first, a page at a time. */
export const GET = withAccount('owner', async ({ locals, url }) =>
  Response.json(await showAudit(locals.app, auditSchema.parse(Object.fromEntries(url.searchParams)))),
);
