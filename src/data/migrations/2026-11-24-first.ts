const STATEMENTS = [
  `CREATE TABLE categories (
    id INTEGER PRIMARY KEY, slug TEXT NOT NULL UNIQUE, name TEXT NOT NULL, description TEXT NOT NULL DEFAULT '',
    parent_id INTEGER REFERENCES categories(id) ON DELETE SET NULL, image_src TEXT, position INTEGER NOT NULL DEFAULT 0)`,
  `CREATE TABLE products (
    id INTEGER PRIMARY KEY, slug TEXT NOT NULL UNIQUE, name TEXT NOT NULL, brand TEXT NOT NULL DEFAULT '',
    short_text TEXT NOT NULL DEFAULT '', full_text TEXT NOT NULL DEFAULT '',
    fulfilment TEXT NOT NULL DEFAULT 'parcel' CHECK (fulfilment IN ('parcel','download','event')),
    axes JSON NOT NULL DEFAULT '[]', video_src TEXT, is_shown INTEGER NOT NULL DEFAULT 1, created_day TEXT NOT NULL,
    sold_count INTEGER NOT NULL DEFAULT 0, from_minor INTEGER NOT NULL DEFAULT 0, to_minor INTEGER NOT NULL DEFAULT 0,
    in_stock INTEGER NOT NULL DEFAULT 0, rating_stars REAL, rating_count INTEGER NOT NULL DEFAULT 0)`,
  `CREATE INDEX products_shown_name ON products (is_shown, name)`,
  `CREATE INDEX products_name ON products (name COLLATE NOCASE)`,
  `CREATE TABLE images (
    id INTEGER PRIMARY KEY, product_id INTEGER NOT NULL REFERENCES products(id) ON DELETE CASCADE,
    src TEXT NOT NULL, alt TEXT NOT NULL DEFAULT '', position INTEGER NOT NULL DEFAULT 0)`,
  `CREATE INDEX images_product ON images (product_id, position)`,
  `CREATE TABLE variants (
    id INTEGER PRIMARY KEY, product_id INTEGER NOT NULL REFERENCES products(id) ON DELETE CASCADE,
    sku TEXT NOT NULL UNIQUE, choices JSON NOT NULL DEFAULT '{}', price_minor INTEGER NOT NULL CHECK (price_minor >= 0),
    was_minor INTEGER, cost_minor INTEGER, weight_grams INTEGER NOT NULL DEFAULT 0, image_src TEXT,
    position INTEGER NOT NULL DEFAULT 0)`,
  `CREATE INDEX variants_product ON variants (product_id, position)`,
  `CREATE TABLE stock_levels (
    variant_id INTEGER PRIMARY KEY REFERENCES variants(id) ON DELETE CASCADE,
    quantity INTEGER NOT NULL CHECK (quantity >= 0))`,
  `CREATE TABLE price_changes (
    id INTEGER PRIMARY KEY, variant_id INTEGER NOT NULL REFERENCES variants(id) ON DELETE CASCADE,
    price_minor INTEGER NOT NULL, changed_at INTEGER NOT NULL)`,
  `CREATE INDEX price_changes_variant ON price_changes (variant_id, changed_at)`,
  `CREATE TABLE product_categories (
    product_id INTEGER NOT NULL REFERENCES products(id) ON DELETE CASCADE,
    category_id INTEGER NOT NULL REFERENCES categories(id) ON DELETE CASCADE, PRIMARY KEY (category_id, product_id)) WITHOUT ROWID`,
  `CREATE INDEX product_categories_product ON product_categories (product_id)`,
  `CREATE TABLE tags (
    product_id INTEGER NOT NULL REFERENCES products(id) ON DELETE CASCADE, name TEXT NOT NULL,
    PRIMARY KEY (product_id, name)) WITHOUT ROWID`,
  `CREATE TABLE attributes (
    product_id INTEGER NOT NULL REFERENCES products(id) ON DELETE CASCADE, key TEXT NOT NULL, value TEXT NOT NULL,
    position INTEGER NOT NULL DEFAULT 0, PRIMARY KEY (product_id, key)) WITHOUT ROWID`,
  `CREATE TABLE reviews (
    id INTEGER PRIMARY KEY, product_id INTEGER NOT NULL REFERENCES products(id) ON DELETE CASCADE, author TEXT NOT NULL,
    stars INTEGER NOT NULL CHECK (stars BETWEEN 1 AND 5), text TEXT NOT NULL, day TEXT NOT NULL)`,
  `CREATE INDEX reviews_product ON reviews (product_id, stars)`,
  `CREATE TABLE carts (id INTEGER PRIMARY KEY, token TEXT NOT NULL UNIQUE, updated_at INTEGER NOT NULL)`,
  `CREATE TABLE cart_lines (
    id TEXT PRIMARY KEY, cart_id INTEGER NOT NULL REFERENCES carts(id) ON DELETE CASCADE,
    variant_id INTEGER NOT NULL REFERENCES variants(id) ON DELETE CASCADE,
    quantity INTEGER NOT NULL CHECK (quantity > 0), position INTEGER NOT NULL)`,
  `CREATE INDEX cart_lines_cart ON cart_lines (cart_id, position)`,
  `CREATE TABLE orders (
    id INTEGER PRIMARY KEY, token TEXT NOT NULL UNIQUE, idempotency_key TEXT NOT NULL UNIQUE, request_hash TEXT NOT NULL,
    status TEXT NOT NULL CHECK (status IN ('reserved','paid','failed')), email TEXT NOT NULL, name TEXT NOT NULL,
    address JSON NOT NULL, delivery TEXT NOT NULL, currency TEXT NOT NULL, subtotal_minor INTEGER NOT NULL,
    discount_minor INTEGER NOT NULL, delivery_minor INTEGER NOT NULL, tax_minor INTEGER NOT NULL, total_minor INTEGER NOT NULL,
    steps JSON NOT NULL, lane_revision INTEGER NOT NULL, visit_id TEXT, payment_reference TEXT,
    placed_at INTEGER NOT NULL, day TEXT NOT NULL)`,
  `CREATE INDEX orders_day ON orders (day)`,
  `CREATE TABLE order_lines (
    id INTEGER PRIMARY KEY, order_id INTEGER NOT NULL REFERENCES orders(id) ON DELETE CASCADE,
    variant_id INTEGER REFERENCES variants(id) ON DELETE SET NULL, sku TEXT NOT NULL, name TEXT NOT NULL, choices TEXT NOT NULL,
    quantity INTEGER NOT NULL, unit_minor INTEGER NOT NULL, total_minor INTEGER NOT NULL, cost_minor INTEGER, steps JSON NOT NULL)`,
  `CREATE INDEX order_lines_order ON order_lines (order_id)`,
  `CREATE TABLE visits (
    id TEXT PRIMARY KEY, started_at INTEGER NOT NULL, last_at INTEGER NOT NULL, day TEXT NOT NULL,
    device TEXT NOT NULL CHECK (device IN ('phone','tablet','desktop')), source TEXT NOT NULL, depth INTEGER NOT NULL DEFAULT 1,
    excluded TEXT CHECK (excluded IN ('bot','owner')), revenue_minor INTEGER NOT NULL DEFAULT 0) WITHOUT ROWID`,
  `CREATE INDEX visits_day ON visits (day, device, source, excluded, depth, revenue_minor)`,
  `CREATE TABLE visit_pieces (visit_id TEXT NOT NULL, piece_id TEXT NOT NULL, day TEXT NOT NULL, PRIMARY KEY (visit_id, piece_id)) WITHOUT ROWID`,
  `CREATE INDEX visit_pieces_day ON visit_pieces (piece_id, day)`,
  `CREATE TABLE events (
    id TEXT PRIMARY KEY, visit_id TEXT NOT NULL, at INTEGER NOT NULL, kind TEXT NOT NULL, page TEXT, product TEXT, piece TEXT) WITHOUT ROWID`,
  `CREATE TABLE lane_draft (
    id INTEGER PRIMARY KEY CHECK (id = 1), document JSON NOT NULL, edit INTEGER NOT NULL, token TEXT NOT NULL, updated_at INTEGER NOT NULL)`,
  `CREATE TABLE lane_revisions (
    id INTEGER PRIMARY KEY AUTOINCREMENT, document JSON NOT NULL, manifest JSON NOT NULL, note TEXT NOT NULL, account_id INTEGER,
    published_at INTEGER NOT NULL)`,
  `CREATE TABLE accounts (
    id INTEGER PRIMARY KEY, email TEXT NOT NULL UNIQUE, name TEXT NOT NULL,
    role TEXT NOT NULL CHECK (role IN ('owner','editor','viewer')), password_hash TEXT NOT NULL)`,
  `CREATE TABLE sign_ins (
    token_hash TEXT PRIMARY KEY, account_id INTEGER NOT NULL REFERENCES accounts(id) ON DELETE CASCADE, expires_at INTEGER NOT NULL) WITHOUT ROWID`,
  `CREATE TABLE audit_entries (
    id INTEGER PRIMARY KEY, at INTEGER NOT NULL, account_id INTEGER, action TEXT NOT NULL, facts JSON NOT NULL)`,
];

export const first = {
  name: '2026-11-24-first',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
