import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { writeFile } from 'node:fs/promises';
import path from 'node:path';
import { readLane, type Lane } from '~/core/lane';
import { currencyOf } from '~/core/money';
import { definitions } from '~/pieces/definitions';
import { changeCartOf } from '~/services/cart/change-cart';
import { checkHealth } from '~/services/check-health';
import { DraftUnreadable, findDraftProblem, restoreIntoDraft, showDraft } from '~/services/draft/edit-draft';
import { forgetLiveLane, liveLane } from '~/services/lane/live-lane';
import { publishLane } from '~/services/draft/publish-lane';
import { liveDemoLane } from '../../demo/lane';
import { orderNow } from '../support/order-now';
import { openTestShop, type TestShop } from '../support/shop';

describe('what is published can be served', () => {
  const wrong: [string, (lane: Lane) => void, RegExp][] = [
    ['a currency there is none of', (lane) => void (lane.shop.currency = 'XQZ'), /currency such as EUR/],
    ['a currency that is every object’s', (lane) => void (lane.shop.currency = 'eur'), /currency such as EUR/],
    ['a locale nobody speaks', (lane) => void (lane.shop.locale = 'not a locale'), /locale such as en-IE/],
    ['a zone that is nowhere', (lane) => void (lane.shop.timeZone = 'Lake/Hollowtarn'), /time zone such as/],
  ];
  for (const [what, change, message] of wrong)
    it(`${what} is refused with its place`, () => {
      const lane = liveDemoLane();
      change(lane);

      const read = readLane(lane, definitions);

      expect(read.ok || read.problems[0]!.facts?.['message']).to.match(message);
    });

  it('JPY, a zone and a locale of Japan are taken', () => {
    const lane = liveDemoLane();
    Object.assign(lane.shop, { currency: 'JPY', locale: 'ja-JP', timeZone: 'Asia/Tokyo' });

    expect(readLane(lane, definitions).ok).to.equal(true);
    expect(currencyOf('JPY').exponent).to.equal(0);
  });

  describe('when something stored cannot be read', () => {
    let shop: TestShop;
    beforeEach(async () => {
      shop = await openTestShop();
    });
    afterEach(() => shop.close());

    it('the shop goes on with the revision before, and health says so', async () => {
      const { revision } = await liveLane(shop.app);
      const draft = await showDraft(shop.app);
      await publishLane(shop.app, { edit: draft.edit, note: '', accountId: 1 });
      await shop.app.db.run(`UPDATE lane_revisions SET document = '{"version":99}' WHERE id = $id`, {
        id: revision + 1,
      });
      forgetLiveLane(shop.app);

      expect((await liveLane(shop.app)).revision).to.equal(revision);
      expect(await checkHealth(shop.app, '1')).to.include({ healthy: true, lane: 'older' });
      await shop.app.db.run(`UPDATE lane_revisions SET document = '{}'`);
      forgetLiveLane(shop.app);
      expect(await checkHealth(shop.app, '1')).to.include({ healthy: false, database: true, lane: 'unreadable' });
    });

    it('the draft is replaced by a revision', async () => {
      await shop.app.db.run(`UPDATE lane_draft SET document = '{"version":1,"shop":7}'`);
      const asked = await showDraft(shop.app).then(
        () => null,
        (error: unknown) => error,
      );
      const broken = await findDraftProblem(shop.app);

      const restored = await restoreIntoDraft(shop.app, broken!.edit, 1, 1);

      expect(asked).to.be.instanceOf(DraftUnreadable);
      expect(broken!.problems.length).to.be.greaterThan(0);
      expect(restored.ok).to.equal(true);
      expect(await findDraftProblem(shop.app)).to.equal(null);
      expect((await showDraft(shop.app)).changes).to.deep.equal([]);
    });

    it('a broken mail costs that mail', async () => {
      const token = randomUUID();
      await changeCartOf(shop.app, token, {
        kind: 'add',
        product: 'hoop-winder',
        choices: {},
        answers: {},
        quantity: 1,
      });
      await orderNow(shop.app, { cartToken: token });
      for (const [name, content] of Object.entries({ 'a.json': '{', 'b.json': 'null', 'c.json': '{"at":1}' }))
        await writeFile(path.join(shop.app.db.dataDir, 'mailbox', name), content);

      expect(await shop.app.mailbox.list(10)).to.have.length(1);
    });

    it('an order keeps its own currency when the shop sells in another, and its mail does too', async () => {
      const token = randomUUID();
      await changeCartOf(shop.app, token, {
        kind: 'add',
        product: 'hoop-winder',
        choices: {},
        answers: {},
        quantity: 1,
      });
      const failing = { ...shop.app, mailbox: { ...shop.app.mailbox, send: () => Promise.reject(new Error('later')) } };
      await orderNow(failing, { cartToken: token });
      const lane = liveDemoLane();
      lane.shop.currency = 'JPY';
      await shop.app.lanes.insertRevision({ document: lane, note: '', accountId: null, publishedAt: 1 });
      forgetLiveLane(shop.app);

      const { sendOrderMails } = await import('~/services/orders/order-mails');
      await sendOrderMails(shop.app);

      const [mail] = await shop.app.mailbox.list(1);
      expect(mail!.text)
        .to.match(/€\d+\.\d\d/)
        .and.not.include('¥');
    });
  });
});
