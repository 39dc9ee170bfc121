import { convertLane, type Lane } from '~/core/lane';
import type { App } from '~/services/app';

/** A revision as it would be in the shop's present currency. */
export async function inPresentCurrency(app: App, lane: Lane, revision: number): Promise<Lane> {
  const changes = await app.grounds.listCurrencyChanges(revision);
  return changes.reduce(convertLane, lane);
}
