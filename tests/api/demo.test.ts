import { expect } from 'chai';
import { openTestShop, type TestShop } from '../support/shop';

describe('the past of the demo', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop(0.02);
  });
  after(() => shop.close());

  it('numbers orders as they were placed, each with a buyer of its own but for those who came back', async () => {
    const orders = await shop.app.db.select<{ placedAt: number; email: string; street: string }>(
      "SELECT placed_at placedAt, email, address ->> 'line1' street FROM orders ORDER BY id",
    );
    expect(orders.length).to.be.greaterThan(20);
    const times = orders.map(({ placedAt }) => placedAt);
    expect(times).to.deep.equal([...times].sort((a, b) => a - b));
    expect(new Set(orders.map(({ email }) => email)).size).to.be.greaterThan(orders.length * 0.8);
    expect(
      orders.every(({ email, street }) => /^[a-z.]+\d+@buyers\.example$/.test(email) && / \d+$/.test(street)),
    ).to.equal(true);
  });

  it('leads every order there by what it holds', async () => {
    const ways = await shop.app.db.select<{ looked: string; bought: string }>(
      `SELECT (SELECT json_group_array(DISTINCT e.product) FROM events e WHERE e.visit_id = o.visit_id AND e.product IS NOT NULL) looked,
         (SELECT json_group_array(DISTINCT p.slug) FROM order_lines l JOIN variants v ON v.id = l.variant_id JOIN products p ON p.id = v.product_id
            WHERE l.order_id = o.id) bought FROM orders o`,
    );
    for (const { looked, bought } of ways) {
      const goods = JSON.parse(bought) as string[];
      for (const slug of JSON.parse(looked) as string[]) expect(goods).to.include(slug);
    }
  });
});
