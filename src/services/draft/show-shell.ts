import type { Account } from '~/core/people';
import type { App } from '~/services/app';
import { showFirstSteps } from '~/services/draft/begin';
import { showDraft } from './edit-draft';
import { showLaneMap } from './show-lane-map';

/** What every screen of the studio needs around it: the draft, and the lane of the last 28 days for the band. */
export async function showShell(app: App, account: Account) {
  const [draft, map, steps] = await Promise.all([showDraft(app), showLaneMap(app, { days: 28 }), showFirstSteps(app)]);
  const { funnel, before } = map;
  return { draft, funnel, before, steps, account: { name: account.name, role: account.role } };
}
