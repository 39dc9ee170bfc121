import type { Problem } from '~/core/problems';
import type { Account, Role } from '~/core/people';

/** What each role may do holds for those above it: a viewer reads, an editor shapes, brings goods in and publishes, the owner sees buyers too. */
const RANK: Readonly<Record<Role, number>> = { viewer: 0, editor: 1, owner: 2 };

/** Why somebody may not come in where a role is needed; null when they may. The one place that decides it. */
export function refusalOf(account: Account | null, needed: Role): Problem | null {
  if (!account) return { path: '', code: 'not-signed-in' };
  return RANK[account.role] >= RANK[needed] ? null : { path: '', code: 'not-allowed' };
}
