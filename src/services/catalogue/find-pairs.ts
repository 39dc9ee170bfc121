import type { Decide } from '~/contract/studio/finder';
import { basketsOf, find, type Found } from '~/core/finder';
import { ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';

/** Suggestions picked for a product, at most. */
const MOST_PICKS = 20;
const MOST_UNCOVERED = 200;

/** Looks through all orders; the work that is done in slices, and what its answer is shown with. */
export async function findPairs(app: App) {
  const [rows, decided, uncovered] = await Promise.all([
    app.pairs.listBaskets(),
    app.pairs.listDecided(),
    app.pairs.listUncovered(MOST_UNCOVERED),
  ]);
  const work = find(basketsOf(rows));
  return { work, show: (found: Found) => ({ ...found, decided, uncovered }) };
}

export type Decision = Decide;

/** Takes pairs found in orders as suggestions of each other, or remembers that they are none. */
export async function decidePairs(app: App, { state, pairs }: Decision, accountId: number): Promise<Result<null>> {
  await app.db.inTransaction(async () => {
    for (const { a, b } of pairs) await suggest(app, a, b, state === 'accepted');
    const ordered = pairs.map(({ a, b, ...facts }) =>
      a < b ? { a, b, ...facts, state } : { a: b, b: a, ...facts, state },
    );
    await app.pairs.decide(ordered, app.now());
    const facts = { state, pairs: pairs.length };
    await app.audit.write({ at: app.now(), accountId, action: 'decide-pairs', facts });
  });
  return ok(null);
}

/** Each is suggested for the other, behind what is picked already; or no longer. */
async function suggest(app: App, a: string, b: string, isOn: boolean): Promise<void> {
  for (const [of, what] of [
    [a, b],
    [b, a],
  ] as const) {
    const picks = await app.pairs.readPicks(of);
    if (!picks) continue;
    const others = picks.filter((pick) => pick !== what);
    if (isOn && picks.includes(what)) continue;
    await app.pairs.writePicks(of, isOn ? [...others, what].slice(0, MOST_PICKS) : others);
  }
}
