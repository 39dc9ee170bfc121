import { storeSteps, type PricedGoods } from '~/core/pricing';
import type { Address, OrderLine } from '~/core/orders';
import type { EventKind } from '~/core/funnel';
import type { Device } from '~/core/where';
import { uniqueSlug } from '~/core/catalogue';
import type { Database } from '../database';

/** A visit of the made-up past; an event is a row: id, visit, time, kind, page, product, piece. */
export interface SeededVisit {
  readonly id: string;
  readonly startedAt: number;
  readonly lastAt: number;
  readonly day: string;
  readonly device: Device;
  readonly source: string;
  readonly depth: number;
  readonly excluded: 'bot' | 'owner' | null;
  revenueMinor: number;
  /** Null: there is none. */
  revenueCurrency: string | null;
  readonly events: [string, string, number, EventKind, string | null, string | null, string | null][];
}

export interface SeededOrder extends Pick<
  PricedGoods,
  'subtotalMinor' | 'discountMinor' | 'taxMinor' | 'totalMinor' | 'steps'
> {
  readonly token: string;
  readonly name: string;
  readonly email: string;
  readonly address: Address;
  readonly visitId: string;
  readonly placedAt: number;
  readonly day: string;
  readonly currency: string;
  readonly deliveryMinor: number;
  readonly lines: readonly OrderLine[];
}

interface SeededCategory {
  readonly name: string;
  readonly text: string;
  readonly imageSrc: string;
  readonly children?: readonly string[];
}

interface SeededReview {
  readonly slug: string;
  readonly author: string;
  readonly stars: number;
  readonly text: string;
  readonly day: string;
}

const BATCH = 4000;

/** Visits and orders of the past. */
function seedHistory(db: Database) {
  const { inBatches } = batches(db);
  async function writeVisits(visits: readonly SeededVisit[], onRows: (count: number) => void): Promise<void> {
    await inBatches(
      visits.map((visit) => [
        visit.id,
        visit.startedAt,
        visit.lastAt,
        visit.day,
        visit.device,
        visit.source,
        visit.depth,
        visit.excluded,
        visit.revenueMinor,
        visit.revenueCurrency,
      ]),
      `INSERT INTO visits (id, started_at, last_at, day, device, source, depth, excluded, revenue_minor, revenue_currency)
       SELECT value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5, value ->> 6, value ->> 7, value ->> 8, value ->> 9 FROM json_each($rows)`,
    );
    const days = new Map(visits.map((visit) => [visit.id, visit.day]));
    const events = visits.flatMap((visit) => visit.events);
    await inBatches(
      events,
      `INSERT INTO events (id, visit_id, at, kind, page, product, piece)
       SELECT value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5, value ->> 6 FROM json_each($rows)`,
      onRows,
    );
    await inBatches(
      events.filter((event) => event[6]).map((event) => [event[1], event[6], days.get(event[1])]),
      'INSERT OR IGNORE INTO visit_pieces (visit_id, piece_id, day) SELECT value ->> 0, value ->> 1, value ->> 2 FROM json_each($rows)',
    );
  }
  async function writeOrders(orders: readonly SeededOrder[]): Promise<void> {
    await inBatches(
      orders.map((order) => ({ ...order, steps: storeSteps(order.steps), lines: undefined })),
      `INSERT INTO orders (token, idempotency_key, request_hash, status, email, name, address, delivery, currency, subtotal_minor, discount_minor, delivery_minor,
         tax_minor, total_minor, steps, lane_revision, visit_id, payment_reference, placed_at, day, mailed_at)
       SELECT value ->> 'token', value ->> 'token', '', 'paid', value ->> 'email', value ->> 'name', value -> 'address', 'standard', value ->> 'currency',
         value ->> 'subtotalMinor', value ->> 'discountMinor', value ->> 'deliveryMinor', value ->> 'taxMinor', value ->> 'totalMinor', value -> 'steps', 1,
         value ->> 'visitId', 'seed', value ->> 'placedAt', value ->> 'day', value ->> 'placedAt' FROM json_each($rows)`,
    );
    await inBatches(
      orders.flatMap((order) =>
        order.lines.map((line) => ({ ...line, steps: storeSteps(line.steps), token: order.token })),
      ),
      `INSERT INTO order_lines (order_id, variant_id, sku, name, choices, quantity, unit_minor, total_minor, cost_minor, steps)
       SELECT o.id, r.value ->> 'variantId', r.value ->> 'sku', r.value ->> 'name', r.value ->> 'choices', r.value ->> 'quantity', r.value ->> 'unitMinor',
         r.value ->> 'totalMinor', r.value ->> 'costMinor', r.value -> 'steps' FROM json_each($rows) r JOIN orders o ON o.token = r.value ->> 'token'`,
    );
    // Orders older than two days have been sent.
    await db.run(
      `UPDATE orders SET packed_at = placed_at + 6 * 3600000, sent_at = placed_at + 20 * 3600000
       WHERE placed_at < (SELECT max(placed_at) FROM orders) - 2 * 86400000`,
    );
    await db.run(
      `UPDATE products SET sold_count = coalesce((SELECT sum(l.quantity) FROM order_lines l JOIN variants v ON v.id = l.variant_id WHERE v.product_id = products.id), 0)`,
    );
  }

  return { writeVisits, writeOrders };
}

function batches(db: Database) {
  async function inBatches<Row>(
    rows: readonly Row[],
    sql: string,
    onRows: (count: number) => void = () => undefined,
  ): Promise<void> {
    for (let i = 0; i < rows.length; i += BATCH) {
      const batch = rows.slice(i, i + BATCH);
      await db.run(sql, { rows: JSON.stringify(batch) });
      onRows(batch.length);
    }
  }

  return { inBatches };
}

/** Bulk writes for the demo's made-up past. */
export function seedRepository(db: Database) {
  const { inBatches } = batches(db);
  async function writeCategories(categories: readonly SeededCategory[]): Promise<void> {
    const taken = new Set<string>();
    for (const [position, category] of categories.entries()) {
      const slug = uniqueSlug(category.name, taken);
      await db.run(
        'INSERT INTO categories (slug, name, description, image_src, position) VALUES ($slug, $name, $text, $imageSrc, $position)',
        {
          slug,
          name: category.name,
          text: category.text,
          imageSrc: category.imageSrc,
          position,
        },
      );
      for (const [place, name] of (category.children ?? []).entries()) {
        await db.run(
          'INSERT INTO categories (slug, name, parent_id, position) SELECT $slug, $name, id, $place FROM categories WHERE slug = $parent',
          {
            slug: uniqueSlug(name, taken),
            name,
            place,
            parent: slug,
          },
        );
      }
    }
  }
  async function writeReviews(reviews: readonly SeededReview[]): Promise<void> {
    await inBatches(
      reviews,
      `INSERT INTO reviews (product_id, author, stars, text, day) SELECT p.id, r.value ->> 'author', r.value ->> 'stars', r.value ->> 'text', r.value ->> 'day'
       FROM json_each($rows) r JOIN products p ON p.slug = r.value ->> 'slug'`,
    );
    await db.run(
      `UPDATE products SET rating_stars = (SELECT round(avg(stars), 1) FROM reviews r WHERE r.product_id = products.id),
         rating_count = (SELECT count(*) FROM reviews r WHERE r.product_id = products.id)`,
    );
  }
  /** Products that are lowered now were sold at the price before until three weeks ago. */
  async function writeEarlierPrices(nowMs: number): Promise<void> {
    await db.run(
      'UPDATE price_changes SET price_minor = coalesce((SELECT was_minor FROM variants v WHERE v.id = variant_id), price_minor)',
    );
    await db.run(
      'INSERT INTO price_changes (variant_id, price_minor, changed_at) SELECT id, price_minor, $at FROM variants WHERE was_minor > price_minor',
      {
        at: nowMs - 21 * 86_400_000,
      },
    );
  }
  /** Every variant as the generator buys it. */
  async function listShelves() {
    return db.select<{
      variantId: number;
      sku: string;
      slug: string;
      name: string;
      topCategory: string;
      choices: string;
      priceMinor: number;
      costMinor: number | null;
      fulfilment: string;
    }>(
      `SELECT v.id variantId, v.sku, p.slug, p.name, coalesce(parent.name, c.name) topCategory,
         coalesce((SELECT group_concat(value, ', ') FROM json_each(v.choices)), '') choices, v.price_minor priceMinor, v.cost_minor costMinor, p.fulfilment
       FROM variants v JOIN products p ON p.id = v.product_id JOIN product_categories pc ON pc.product_id = p.id
       JOIN categories c ON c.id = pc.category_id LEFT JOIN categories parent ON parent.id = c.parent_id ORDER BY v.id`,
    );
  }
  async function listPictures(): Promise<string[]> {
    return (await db.select<{ src: string }>('SELECT DISTINCT src FROM images ORDER BY src')).map((row) => row.src);
  }
  return { ...seedHistory(db), writeCategories, writeReviews, writeEarlierPrices, listShelves, listPictures };
}
