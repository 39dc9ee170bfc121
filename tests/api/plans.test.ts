import { expect } from 'chai';
import { changeKey, type Lane } from '~/core/lane';
import { diffLanes } from '~/core/lane';
import { showDraft, patchDraft } from '~/services/draft/edit-draft';
import { listPlans, planPublishing, publishDue, stopPlan } from '~/services/draft/plan-publishing';
import { listRevisions, publishLane } from '~/services/draft/publish-lane';
import { liveLane } from '~/services/lane/live-lane';
import { openTestShop, type TestShop } from '../support/shop';

const NOON = Date.UTC(2026, 11, 4, 12);

describe('what of the draft goes out, and when', () => {
  let shop: TestShop;
  let now = NOON;
  let owner = 0;
  beforeEach(async () => {
    now = NOON;
    shop = await openTestShop(0, () => now);
    owner = (await shop.app.accounts.list()).find(({ role }) => role === 'owner')!.id;
    await change(({ pieces }) => {
      pieces['quick-view']!.look.css = '[data-slot=name]{color:#123456}';
      pieces['buy-bar']!.look.css = '[data-slot=add]{color:#fefefe}';
    });
  });
  afterEach(() => shop.close());

  async function change(recipe: (lane: Lane) => void): Promise<void> {
    const { lane, edit } = await showDraft(shop.app);
    const next = structuredClone(lane) as Lane;
    recipe(next);
    const done = await patchDraft(shop.app, edit, diffLanes(lane as Lane, next));
    if (!done.ok) throw new Error(JSON.stringify(done.problems));
  }
  const live = async (id: string) => (await liveLane(shop.app)).lane.pieces[id]!.look.css;
  /** Keys of every change but those of a piece. */
  const butOf = async (id: string) => {
    const { changes } = await showDraft(shop.app);
    return changes.filter(({ pieceId }) => pieceId !== id).map((one) => changeKey(one as never));
  };
  const publish = async (left: readonly string[]) =>
    publishLane(shop.app, { edit: (await showDraft(shop.app)).edit, note: '', left, accountId: owner });
  const plan = async (local: string, left: string[] = []) =>
    planPublishing(shop.app, {
      edit: (await showDraft(shop.app)).edit,
      note: 'For Saturday',
      left,
      local,
      accountId: owner,
    });
  const code = (done: { ok: boolean; problems?: readonly { code: string }[] }) => done.problems?.[0]?.code ?? null;

  it('is what is not left in it; the rest stays a change', async () => {
    expect(code(await publish(await butOf('quick-view')))).to.equal(null);
    expect(await live('quick-view')).to.contain('#123456');
    expect(await live('buy-bar')).not.to.contain('#fefefe');
    const { changes } = await showDraft(shop.app);
    expect(changes.map(({ pieceId }) => pieceId)).to.include('buy-bar');
    expect(changes.map(({ pieceId }) => pieceId)).not.to.include('quick-view');
  });

  it('is refused where nothing is left, or a change is not there any more', async () => {
    const all = (await showDraft(shop.app)).changes.map((one) => changeKey(one as never));
    expect(code(await publish(all))).to.equal('nothing-left');
    expect(code(await publish(['css pieces gone look css']))).to.equal('change-gone');
    expect(code(await plan('2026-12-04T12:00', ['css pieces gone look css']))).to.equal('plan-past');
    expect(code(await plan('2028-01-01T12:00'))).to.equal('plan-far');
    for (const none of ['2026-13-45T12:00', '2027-02-31T12:00', '2027-01-01T25:00'])
      expect(code(await plan(none)), none).to.equal('plan-time');
    expect(await listPlans(shop.app)).to.deep.equal([]);
  });

  it('waits for its time in the shop’s own zone, and goes out once, though the server was down', async () => {
    const before = (await listRevisions(shop.app)).length;
    const { timeZone } = (await liveLane(shop.app)).lane.shop;
    const planned = await plan('2026-12-05T09:30', await butOf('quick-view'));
    if (!planned.ok) throw new Error(JSON.stringify(planned.problems));
    const shown = new Intl.DateTimeFormat('sv-SE', { timeZone, timeStyle: 'short', dateStyle: 'short' });
    expect(shown.format(planned.value.at)).to.equal('2026-12-05 09:30');
    expect(planned.value).to.deep.include({ state: 'waiting', note: 'For Saturday' });
    now = planned.value.at - 1;
    await publishDue(shop.app);
    expect(await live('quick-view')).not.to.contain('#123456');

    // The server comes back two days late, and looks twice at once.
    now += 2 * 86_400_000;
    await Promise.all([publishDue(shop.app), publishDue(shop.app)]);
    expect(await live('quick-view')).to.contain('#123456');
    expect(await live('buy-bar')).not.to.contain('#fefefe');
    expect(await listRevisions(shop.app)).to.have.length(before + 1);
    expect(await listPlans(shop.app)).to.deep.equal([]);
  });

  it('is stopped with one press', async () => {
    const planned = await plan('2026-12-05T09:30');
    if (!planned.ok) throw new Error(JSON.stringify(planned.problems));
    expect(code(await stopPlan(shop.app, planned.value.id, owner))).to.equal(null);
    expect(code(await stopPlan(shop.app, planned.value.id, owner))).to.equal('not-found');
    now = planned.value.at;
    await publishDue(shop.app);
    expect(await live('quick-view')).not.to.contain('#123456');
  });

  it('joins what was published meanwhile, and is refused with a notice where the same was changed otherwise', async () => {
    const [joins, clashes] = [await plan('2026-12-05T09:30', await butOf('buy-bar')), await plan('2026-12-05T10:30')];
    if (!joins.ok || !clashes.ok) throw new Error('not planned');
    await change(({ pieces }) => void (pieces['quick-view']!.look.css = '[data-slot=name]{color:#654321}'));
    await publish(await butOf('quick-view'));

    now = clashes.value.at;
    await publishDue(shop.app);
    expect(await live('quick-view')).to.contain('#654321');
    expect(await live('buy-bar')).to.contain('#fefefe');
    const [refused, ...none] = await listPlans(shop.app);
    expect(none).to.deep.equal([]);
    expect(refused).to.deep.include({ id: clashes.value.id, state: 'refused' });
    expect(refused!.why).to.contain('changed otherwise');
    // It is put away as it was stopped.
    expect(code(await stopPlan(shop.app, clashes.value.id, owner))).to.equal(null);
    expect(await listPlans(shop.app)).to.deep.equal([]);
  });

  it('is refused where it would break something by then', async () => {
    const spot = 'cart-opener';
    await change(({ pieces }) => void (pieces[spot]!.where.categories = { mode: 'only', slugs: ['spares'] }));
    const planned = await plan('2026-12-05T09:30', await butOf(spot));
    if (!planned.ok) throw new Error(JSON.stringify(planned.problems));
    await shop.app.db.run("DELETE FROM categories WHERE slug = 'spares'", {});
    now = planned.value.at;
    await publishDue(shop.app);
    const [refused] = await listPlans(shop.app);
    expect(refused!.state).to.equal('refused');
  });
});
