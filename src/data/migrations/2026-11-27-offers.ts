/** Carts hold codes, several of them; what offers were used in orders is counted. */
const statements = [
  `ALTER TABLE carts ADD COLUMN codes JSON NOT NULL DEFAULT '[]'`,
  `UPDATE carts SET codes = json_array(coupon) WHERE coupon IS NOT NULL`,
  `ALTER TABLE carts DROP COLUMN coupon`,
  `CREATE TABLE redemptions (
     order_id INTEGER NOT NULL REFERENCES orders (id) ON DELETE CASCADE,
     offer_id TEXT NOT NULL, shopper TEXT NOT NULL, at INTEGER NOT NULL,
     PRIMARY KEY (offer_id, order_id)) WITHOUT ROWID`,
  `CREATE INDEX redemptions_shopper ON redemptions (offer_id, shopper)`,
  `CREATE INDEX redemptions_order ON redemptions (order_id)`,
];

export const offers = {
  name: '2026-11-27-offers',
  async up({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> {
    for (const statement of statements) await context.run(statement);
  },
};
