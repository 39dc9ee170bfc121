import { expect } from 'chai';
import { standInPayment } from '~/standins';
import { createApp, type App } from '~/services/app';
import { ledgerOf, pressOrders, raceOrder, type Ledger } from '../support/order-races';
import { openTestShop, type TestShop } from '../support/shop';

describe('an order that is cancelled, refunded and added to at once', () => {
  let shop: TestShop;
  let app: App;
  let ledger: Ledger;
  before(async () => {
    shop = await openTestShop();
    await shop.app.db.run('UPDATE stock_levels SET quantity = 100000');
  });
  after(() => shop.close());

  for (const answerMs of [0, 30])
    it(`is charged what its lines as they stand come to: a provider that answers after ${answerMs} ms`, async function () {
      this.timeout(120_000);
      ledger = ledgerOf(standInPayment({ answerMs, timeoutMs: 100 }));
      app = await createApp({ dataDir: shop.app.db.dataDir, logLevel: 'silent', payment: ledger.payment });
      const apart = answerMs === 0 ? [1, 3] : [5, answerMs + 5];
      for (const presses of pressOrders(apart)) expect(await raceOrder(app, ledger, presses)).to.equal(null);
      await app.db.close();
    });
});
