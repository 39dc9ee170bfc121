import { mayDo } from '~/core/people';
import type { Problem } from '~/core/problems';
import type { Account, Role } from '~/core/people';

/** Why somebody may not come in where a role is needed; null when they may. The one place that decides it. */
export function refusalOf(account: Account | null, needed: Role): Problem | null {
  if (!account) return { path: '', code: 'not-signed-in' };
  return mayDo(account.role, needed) ? null : { path: '', code: 'not-allowed' };
}
