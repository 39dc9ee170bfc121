/** A cart becomes one row: it is always read and written whole, and one statement is the least a change can cost. */
const STATEMENTS = [
  `ALTER TABLE carts ADD COLUMN lines JSON NOT NULL DEFAULT '[]'`,
  `ALTER TABLE carts ADD COLUMN change_ids JSON NOT NULL DEFAULT '[]'`,
  `UPDATE carts SET lines = (SELECT json_group_array(json_object('id', id, 'variantId', variant_id, 'quantity', quantity, 'answers', json(answers)))
     FROM (SELECT * FROM cart_lines WHERE cart_id = carts.id ORDER BY position))`,
  `UPDATE carts SET change_ids = (SELECT json_group_array(change_id) FROM (SELECT change_id FROM cart_changes WHERE cart_id = carts.id ORDER BY at))`,
  `DROP TABLE cart_lines`,
  `DROP TABLE cart_changes`,
];

export const cartsWhole = {
  name: '2026-11-25-carts-whole',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
