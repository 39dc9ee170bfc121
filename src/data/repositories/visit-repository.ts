import { depthOf, type DepthCount, type EventKind } from '~/core/funnel';
import type { Device } from '~/core/where';
import type { Database } from '../database';

export type Excluded = 'bot' | 'owner' | null;

export interface VisitEvent {
  readonly id: string;
  readonly visitId: string;
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly kind: EventKind;
  readonly page: string | null;
  readonly product: string | null;
  readonly piece: string | null;
}

/** What is known of the visit that a batch of events belongs to. */
export interface VisitFacts {
  readonly visitId: string;
  /** The day in the shop's zone, YYYY-MM-DD. */
  readonly day: string;
  readonly device: Device;
  readonly source: string;
  readonly excluded: Excluded;
}

export interface VisitQuery {
  readonly fromDay: string;
  readonly toDay: string;
  readonly device?: Device;
  readonly source?: string;
}

const COUNTED =
  'day BETWEEN $fromDay AND $toDay AND ($device IS NULL OR device = $device) AND ($source IS NULL OR source = $source)';

/** What a visit did. */
function visitRecording(db: Database) {
  /** Writes events and the summaries of their visits together; events seen before change nothing. Returns how many were new. */
  async function record(events: readonly VisitEvent[], facts: readonly VisitFacts[]): Promise<number> {
    return db.inTransaction(async () => {
      const fresh = await db.run(
        `INSERT OR IGNORE INTO events (id, visit_id, at, kind, page, product, piece)
         SELECT value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5, value ->> 6 FROM json_each($rows)`,
        {
          rows: JSON.stringify(
            events.map((event) => [
              event.id,
              event.visitId,
              event.at,
              event.kind,
              event.page,
              event.product,
              event.piece,
            ]),
          ),
        },
      );
      if (fresh === 0) return 0;
      const ids = JSON.stringify(facts.map(({ visitId }) => visitId));
      const known = await db.select<{ id: string }>(
        'SELECT id FROM visits WHERE id IN (SELECT value FROM json_each($ids))',
        { ids },
      );
      const isKnown = new Set(known.map(({ id }) => id));
      await db.run(
        `INSERT INTO visits (id, started_at, last_at, day, device, source, depth, excluded)
         SELECT value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5, value ->> 6, value ->> 7 FROM json_each($rows) WHERE true
         ON CONFLICT (id) DO UPDATE SET started_at = min(started_at, excluded.started_at), last_at = max(last_at, excluded.last_at),
           depth = max(depth, excluded.depth), excluded = coalesce(visits.excluded, excluded.excluded)`,
        { rows: JSON.stringify(facts.map((visit) => summarise(visit, events))) },
      );
      const fresher = facts.flatMap(({ visitId }) => (isKnown.has(visitId) ? [] : [visitId]));
      if (fresher.length > 0) await countEarlier(fresher);
      const pieces = events
        .filter((event) => event.piece)
        .map((event) => [event.visitId, event.piece, facts.find((visit) => visit.visitId === event.visitId)!.day]);
      if (pieces.length > 0) {
        await db.run(
          'INSERT OR IGNORE INTO visit_pieces (visit_id, piece_id, day) SELECT value ->> 0, value ->> 1, value ->> 2 FROM json_each($rows)',
          { rows: JSON.stringify(pieces) },
        );
      }
      return fresh;
    });
  }
  /** Events the server saw before the visit was known (a press on a page left at once) count for its depth. */
  async function countEarlier(visitIds: readonly string[]): Promise<void> {
    const rows = await db.select<{ visitId: string; kind: EventKind }>(
      'SELECT DISTINCT visit_id visitId, kind FROM events WHERE visit_id IN (SELECT value FROM json_each($ids))',
      { ids: JSON.stringify(visitIds) },
    );
    await db.run(
      'UPDATE visits SET depth = max(depth, r.value ->> 1) FROM json_each($rows) r WHERE visits.id = r.value ->> 0',
      {
        rows: JSON.stringify(
          visitIds.map((id) => [
            id,
            Math.max(...rows.filter(({ visitId }) => visitId === id).map(({ kind }) => depthOf(kind))),
          ]),
        ),
      },
    );
  }
  function summarise(visit: VisitFacts, events: readonly VisitEvent[]): unknown[] {
    const own = events.filter((event) => event.visitId === visit.visitId);
    const times = own.map((event) => event.at);
    const depth = Math.max(...own.map((event) => depthOf(event.kind)));
    return [
      visit.visitId,
      Math.min(...times),
      Math.max(...times),
      visit.day,
      visit.device,
      visit.source,
      depth,
      visit.excluded,
    ];
  }

  return { record };
}

/** What the server knows of a visit. */
function visitNotes(db: Database) {
  /** An event the server itself saw. It does not create the visit: it counts once the browser reports one. */
  async function recordServerEvent(
    event: Pick<VisitEvent, 'id' | 'visitId' | 'at' | 'kind'> & Partial<Pick<VisitEvent, 'product' | 'piece'>>,
  ): Promise<void> {
    const { id, visitId, at, kind, product = null, piece = null } = event;
    await db.run('UPDATE visits SET depth = max(depth, $depth), last_at = max(last_at, $at) WHERE id = $visitId', {
      visitId,
      at,
      depth: depthOf(kind),
    });
    await db.run(
      'INSERT OR IGNORE INTO events (id, visit_id, at, kind, product, piece) VALUES ($id, $visitId, $at, $kind, $product, $piece)',
      { id, visitId, at, kind, product, piece },
    );
  }
  /** A piece was used in a visit that the browser may report a moment later; without a report it does not count. */
  async function notePiece(visitId: string, piece: string, day: string): Promise<void> {
    await db.run('INSERT OR IGNORE INTO visit_pieces (visit_id, piece_id, day) VALUES ($visitId, $piece, $day)', {
      visitId,
      piece,
      day,
    });
  }
  /** Adds an order's worth to its visit; false when the visit is not known. Of a visit one currency counts, the last. */
  async function addRevenue(visitId: string, amountMinor: number, currency: string): Promise<boolean> {
    const added = await db.run(
      `UPDATE visits SET revenue_minor = $amountMinor + iif(revenue_currency IS $currency, revenue_minor, 0),
         revenue_currency = $currency
       WHERE id = $visitId AND ($amountMinor >= 0 OR revenue_currency IS $currency)`,
      { visitId, amountMinor, currency },
    );
    return added === 1;
  }

  return { recordServerEvent, notePiece, addRevenue };
}

function visitCounts(db: Database) {
  /** Of pieces, the visits they were used in, and the paid orders of those visits in a currency. Sums in minor units. */
  async function countEarned(
    pieces: readonly string[],
    { fromDay, toDay, currency }: Pick<VisitQuery, 'fromDay' | 'toDay'> & { readonly currency: string },
  ): Promise<{ piece: string; day: string; visits: number; orders: number; revenueMinor: number }[]> {
    return db.select(
      `SELECT vp.piece_id piece, vp.day, count(DISTINCT v.id) visits, count(o.id) orders, coalesce(sum(o.total_minor), 0) revenueMinor
       FROM json_each($pieces) asked JOIN visit_pieces vp ON vp.piece_id = asked.value AND vp.day BETWEEN $fromDay AND $toDay
         JOIN visits v ON v.id = vp.visit_id AND v.excluded IS NULL
         LEFT JOIN orders o ON o.visit_id = v.id AND o.status = 'paid' AND o.currency = $currency GROUP BY vp.piece_id, vp.day ORDER BY vp.day`,
      { pieces: JSON.stringify(pieces), fromDay, toDay, currency },
    );
  }
  /** Paid orders of the days, with and without a recorded visit. */
  async function countOrders(
    query: Pick<VisitQuery, 'fromDay' | 'toDay'>,
  ): Promise<{ all: number; withoutVisit: number }> {
    const [row] = await db.select<{ n: number; without: number | null }>(
      `SELECT count(*) n, sum(NOT EXISTS (SELECT 1 FROM visits v WHERE v.id = orders.visit_id)) without FROM orders WHERE status = 'paid' AND day BETWEEN $fromDay AND $toDay`,
      { fromDay: query.fromDay, toDay: query.toDay },
    );
    return { all: row?.n ?? 0, withoutVisit: row?.without ?? 0 };
  }

  return { countEarned, countOrders };
}

export function visitRepository(db: Database) {
  const bound = (query: VisitQuery) => ({
    fromDay: query.fromDay,
    toDay: query.toDay,
    device: query.device ?? null,
    source: query.source ?? null,
  });
  /** What was recorded of one visit, oldest first. */
  async function listEvents(
    visitId: string,
    limit: number,
  ): Promise<{ at: number; kind: string; page: string | null; product: string | null }[]> {
    return db.select(
      'SELECT at, kind, page, product FROM events WHERE visit_id = $visitId ORDER BY at, id LIMIT $limit',
      {
        visitId,
        limit,
      },
    );
  }
  /** Revenue in a currency; of orders in any other only how many there are. */
  async function countDepths(query: VisitQuery, currency: string): Promise<(DepthCount & { device: Device })[]> {
    return db.select(
      `SELECT device, depth, count(*) sessions, sum(iif(revenue_currency = $currency, revenue_minor, 0)) revenueMinor,
         sum(revenue_currency IS NOT NULL AND revenue_currency <> $currency) foreignOrders
       FROM visits WHERE ${COUNTED} AND excluded IS NULL GROUP BY device, depth`,
      { ...bound(query), currency },
    );
  }
  /** Visits that do not count, and how far the owner's own went (`depth`; 0: there was none). */
  async function countExcluded(query: VisitQuery): Promise<{ bots: number; owner: number; ownDepth: number }> {
    const [row] = await db.select<{ bots: number | null; owner: number | null; ownDepth: number | null }>(
      `SELECT sum(excluded = 'bot') bots, sum(excluded = 'owner') owner, max(iif(excluded = 'owner', depth, 0)) ownDepth FROM visits WHERE ${COUNTED} AND excluded IS NOT NULL`,
      bound(query),
    );
    return { bots: row?.bots ?? 0, owner: row?.owner ?? 0, ownDepth: row?.ownDepth ?? 0 };
  }
  /** Sessions and orders of each day, for the chart. */
  async function countDays(query: VisitQuery): Promise<{ day: string; sessions: number; orders: number }[]> {
    return db.select(
      `SELECT day, count(*) sessions, sum(depth = 6) orders FROM visits WHERE ${COUNTED} AND excluded IS NULL GROUP BY day ORDER BY day`,
      bound(query),
    );
  }
  async function listSources(): Promise<string[]> {
    const rows = await db.select<{ source: string }>(
      'SELECT source FROM visits GROUP BY source ORDER BY count(*) DESC LIMIT 12',
    );
    return rows.map((row) => row.source);
  }
  /** In how many counted visits each piece was seen or used. */
  async function countPieces(query: VisitQuery): Promise<Record<string, number>> {
    const rows = await db.select<{ piece: string; n: number }>(
      `SELECT vp.piece_id piece, count(*) n FROM visit_pieces vp JOIN visits v ON v.id = vp.visit_id
       WHERE vp.day BETWEEN $fromDay AND $toDay AND v.excluded IS NULL AND ($device IS NULL OR v.device = $device)
         AND ($source IS NULL OR v.source = $source) GROUP BY vp.piece_id`,
      bound(query),
    );
    return Object.fromEntries(rows.map((row) => [row.piece, row.n]));
  }
  return {
    ...visitRecording(db),
    ...visitNotes(db),
    ...visitCounts(db),
    listEvents,
    countDepths,
    countExcluded,
    countDays,
    listSources,
    countPieces,
  };
}
