import type { Account } from '~/data';
import type { App } from './app';
import { showDraft } from './edit-draft';
import { showLaneMap } from './show-lane-map';

/** What every screen of the studio needs around it: the draft, and the lane of the last 28 days for the band. */
export async function showShell(app: App, account: Account) {
  const [draft, map] = await Promise.all([showDraft(app), showLaneMap(app, { days: 28 })]);
  return { draft, funnel: map.funnel, before: map.before, account: { name: account.name, role: account.role } };
}
