import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { readdirSync } from 'node:fs';
import path from 'node:path';
import type { App } from '~/services/app';
import { changeCartOf } from '~/services/cart/change-cart';
import { findProduct } from '~/services/catalogue/browse-shop';
import { patchDraft, showDraft } from '~/services/draft/edit-draft';
import { publishLane } from '~/services/draft/publish-lane';
import { showLaneMap } from '~/services/draft/show-lane-map';
import { liveLane, serveManifest } from '~/services/lane/live-lane';
import { orderNow } from '../support/order-now';
import { openStoredShop, type TestShop } from '../support/shop';

/**
 * Shops as this program left them, each by the day of the code that seeded it (events are taken out, to keep them small). Every
 * change of the database or of the lane adds one: `node --import tsx demo/seed.ts --data DIR --scale 0.002 --products 0`.
 */
const FIXTURES = 'tests/support/fixtures';

describe('a shop of an earlier program', () => {
  const files = readdirSync(FIXTURES).filter((name) => name.endsWith('.sqlite.gz'));

  it('is kept for every step the program has made', () => {
    expect(files).to.have.length.at.least(8);
  });

  for (const file of files)
    describe(`of ${file.slice(0, 10)}`, () => {
      let shop: TestShop;
      let app: App;
      before(async () => {
        shop = await openStoredShop(path.join(FIXTURES, file));
        app = shop.app;
      });
      after(() => shop.close());

      it('opens with what is live, its draft, its orders and its visits', async () => {
        const [live, draft, map] = [await liveLane(app), await showDraft(app), await showLaneMap(app, { days: 90 })];

        expect(live.revision).to.be.greaterThan(0);
        expect(live.lane.shop.name).to.equal('Hollowtarn Kites');
        expect(draft.lint.filter(({ level }) => level === 'error')).to.deep.equal([]);
        expect(map.funnel.sessions).to.be.greaterThan(50);
        expect(map.orders.all).to.equal(3);
        expect((await findProduct(app, 'ground-stake', 'en'))?.name).to.equal('Ground Stake');
      });

      it('publishes a change of today', async () => {
        const { edit } = await showDraft(app);
        const renamed = { op: 'replace' as const, path: '/shop/name', value: 'Hollowtarn Kites of today' };
        const patched = await patchDraft(app, edit, [renamed], 1);
        const published = patched.ok && (await publishLane(app, { edit: patched.value.edit, note: '', accountId: 1 }));

        expect(published).to.deep.include({ ok: true });
        expect((await liveLane(app)).lane.shop.name).to.equal('Hollowtarn Kites of today');
        expect((await serveManifest(app, 'en')).body.length).to.be.greaterThan(1000);
      });

      it('sells', async () => {
        const cartToken = randomUUID();
        const added = await changeCartOf(app, cartToken, {
          kind: 'add',
          product: 'ground-stake',
          choices: {},
          answers: {},
          quantity: 2,
        });
        const placed = await orderNow(app, { cartToken });

        expect(added.ok && added.value.view.count).to.equal(2);
        expect(placed.ok).to.equal(true);
        const order = placed.ok ? await app.orders.find(placed.value.token) : null;
        expect(order?.status).to.equal('paid');
        expect(order?.totalMinor).to.be.greaterThan(0);
      });
    });
});
