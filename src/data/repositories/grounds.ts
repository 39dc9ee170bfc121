import type { CurrencyChange } from '~/core/money';
import type { OffsetSpan } from '~/core/time';
import type { Database } from '../database';

/** The days that visits are counted under. */
function visitDays(db: Database) {
  /** The first and the last instant of what is kept by days; null where there is nothing. */
  async function readSpan(): Promise<{ readonly from: number; readonly to: number } | null> {
    const [row] = await db.select<{ from: number | null; to: number | null }>(
      `SELECT min("from") "from", max("to") "to" FROM (
         SELECT min(placed_at) "from", max(placed_at) "to" FROM orders UNION ALL SELECT min(started_at), max(started_at) FROM visits)`,
    );
    return row?.from === null || row?.to === null || !row ? null : { from: row.from!, to: row.to! };
  }
  /** The day in a zone of an instant in a column, while the zone is so far from UTC. */
  const dayOf = (column: string) => `date((${column} + $offsetMs) / 1000, 'unixepoch')`;
  /** Puts orders and visits on the days they are on in a zone. */
  async function moveToDays(spans: readonly OffsetSpan[]): Promise<void> {
    for (const span of spans)
      for (const [table, column] of [
        ['orders', 'placed_at'],
        ['visits', 'started_at'],
      ] as const)
        await db.run(
          `UPDATE ${table} SET day = ${dayOf(column)} WHERE ${column} >= $from AND ${column} < $to AND day <> ${dayOf(column)}`,
          { ...span },
        );
    await db.run(
      `UPDATE visit_pieces SET day = v.day FROM visits v WHERE v.id = visit_pieces.visit_id AND v.day <> visit_pieces.day`,
    );
  }
  /** How many paid orders are on another day in a zone. */
  async function countMoved(spans: readonly OffsetSpan[]): Promise<number> {
    let moved = 0;
    for (const span of spans) {
      const [row] = await db.select<{ n: number }>(
        `SELECT count(*) n FROM orders WHERE status = 'paid' AND placed_at >= $from AND placed_at < $to AND day <> ${dayOf('placed_at')}`,
        { ...span },
      );
      moved += row!.n;
    }
    return moved;
  }

  return { readSpan, moveToDays, countMoved };
}

/** Everything that is kept in the shop's currency or by its days, beside the lane. */
export function groundRepository(db: Database) {
  /** How many prices there are, the first and the dearest of them. Sums in minor units. */
  async function summarisePrices(examples: number): Promise<{
    readonly products: number;
    readonly mostMinor: number;
    readonly examples: readonly { readonly name: string; readonly sku: string; readonly priceMinor: number }[];
  }> {
    const [row] = await db.select<{ products: number; most: number | null }>(
      'SELECT count(DISTINCT product_id) products, max(max(price_minor, coalesce(was_minor, 0))) most FROM variants',
    );
    return {
      products: row!.products,
      mostMinor: row!.most ?? 0,
      examples: await db.select(
        `SELECT p.name, v.sku, v.price_minor priceMinor FROM variants v JOIN products p ON p.id = v.product_id
         WHERE v.position = 0 ORDER BY p.is_featured DESC, p.id LIMIT $examples`,
        { examples },
      ),
    };
  }
  /** Prices above nothing that would become nothing; the names of some of their products. */
  async function listLost(factor: number, limit: number): Promise<string[]> {
    const rows = await db.select<{ name: string }>(
      `SELECT DISTINCT p.name FROM variants v JOIN products p ON p.id = v.product_id
       WHERE v.price_minor > 0 AND round(v.price_minor * $factor) < 1 ORDER BY p.name LIMIT $limit`,
      { factor, limit },
    );
    return rows.map(({ name }) => name);
  }
  async function countOrders(): Promise<number> {
    const [row] = await db.select<{ n: number }>(`SELECT count(*) n FROM orders WHERE status = 'paid'`);
    return row!.n;
  }
  /** Products with options; the caller converts the options. */
  async function listOptions(): Promise<{ id: number; options: string }[]> {
    return db.select(`SELECT id, options FROM products WHERE options <> '[]'`);
  }
  async function writeOptions(rows: readonly (readonly [id: number, options: string])[]): Promise<void> {
    await db.run(
      `UPDATE products SET options = r.value ->> 1 FROM json_each($rows) r WHERE products.id = r.value ->> 0`,
      { rows: JSON.stringify(rows) },
    );
  }
  /**
   * Converts every sum of the catalogue by a factor on minor units, and the history of list prices. What is shown begins anew, in the
   * currency it is in now; a page that was opened before can change nothing any more.
   */
  async function convertCatalogue(factor: number): Promise<void> {
    const to = (column: string) => `CAST(round(${column} * $factor) AS INTEGER)`;
    await db.run(
      `UPDATE variants SET price_minor = ${to('price_minor')}, was_minor = ${to('was_minor')}, cost_minor = ${to('cost_minor')},
         shown_minor = NULL, shown_by = '', low_minor = NULL`,
      { factor },
    );
    await db.run(`UPDATE price_changes SET price_minor = ${to('price_minor')}`, { factor });
    await db.run(
      `UPDATE products SET item_delivery_minor = ${to('item_delivery_minor')}, better_price_minor = ${to('better_price_minor')},
         edit = edit + 1`,
      { factor },
    );
    await db.run('UPDATE bulk_changes SET undone_at = at WHERE undone_at IS NULL');
    await db.run('UPDATE carts SET version = version + 1');
  }
  async function noteCurrency(change: CurrencyChange, at: number, revision: number): Promise<void> {
    await db.run(
      `INSERT INTO currency_changes (at, from_currency, to_currency, rate, revision) VALUES ($at, $from, $to, $rate, $revision)`,
      { ...change, at, revision },
    );
  }
  /** Changes of the currency after a revision, oldest first. */
  async function listCurrencyChanges(revision: number): Promise<CurrencyChange[]> {
    return db.select(
      `SELECT from_currency "from", to_currency "to", rate FROM currency_changes WHERE revision > $revision ORDER BY id`,
      { revision },
    );
  }
  return {
    ...visitDays(db),
    summarisePrices,
    listLost,
    countOrders,
    listOptions,
    writeOptions,
    convertCatalogue,
    noteCurrency,
    listCurrencyChanges,
  };
}
