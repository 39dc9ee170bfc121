import { mayDo } from '~/core/people';
import type { Problem } from '~/core/problems';
import type { Account, Role } from '~/core/people';

/** Why somebody lacks the role that is needed; null when they have it. The only place that decides this. */
export function refusalOf(account: Account | null, needed: Role): Problem | null {
  if (!account) return { path: '', code: 'not-signed-in' };
  return mayDo(account.role, needed) ? null : { path: '', code: 'not-allowed' };
}
