import type { Database } from '../database';

/** A page of another site that holds snippets, and what is known of them. */
export interface SeenElsewhere {
  readonly site: string;
  readonly path: string;
  /** Id of the piece a snippet was made from; empty: it names none. */
  readonly link: string;
  readonly times: number;
  readonly errors: number;
  /** Milliseconds since 1970. */
  readonly lastAt: number;
}

export interface RefusedSite {
  readonly site: string;
  readonly times: number;
  readonly lastAt: number;
}

/** Strangers send these: no more are kept per day. */
const MOST_SEEN_A_DAY = 5000;
const MOST_REFUSED_A_DAY = 200;

/** Where snippets were seen, who was refused, and carts on their way from other sites to the shop. */
export function elsewhere(db: Database) {
  /** Keeps a code that brings a cart over, once, until a moment (ms since 1970). */
  async function keepCarried(
    { code, cartToken, visit }: { readonly code: string; readonly cartToken: string; readonly visit: string },
    until: number,
    now: number,
  ): Promise<void> {
    await db.inTransaction(async () => {
      await db.run('DELETE FROM carried_carts WHERE until < $now', { now });
      await db.run(
        'INSERT INTO carried_carts (code, cart_token, visit, until) VALUES ($code, $cartToken, $visit, $until)',
        {
          code,
          cartToken,
          visit,
          until,
        },
      );
    });
  }

  /** Whose cart a code brings; null for none, or one that is over. */
  async function findCarried(code: string, now: number): Promise<string | null> {
    const [row] = await db.select<{ cartToken: string }>(
      'SELECT cart_token cartToken FROM carried_carts WHERE code = $code AND until >= $now',
      { code, now },
    );
    return row?.cartToken ?? null;
  }

  /** What a code brings, which is then used up; null for none, or one that is over. */
  async function takeCarried(code: string, now: number): Promise<{ cartToken: string; visit: string } | null> {
    const [row] = await db.select<{ cartToken: string; visit: string; until: number }>(
      'DELETE FROM carried_carts WHERE code = $code RETURNING cart_token cartToken, visit, until',
      { code },
    );
    return row && row.until >= now ? { cartToken: row.cartToken, visit: row.visit } : null;
  }

  async function noteSeen(
    where: { readonly site: string; readonly path: string; readonly links: readonly string[]; readonly errors: number },
    day: string,
    at: number,
  ): Promise<void> {
    await db.run(
      `INSERT INTO seen_elsewhere (site, path, link, day, times, errors, last_at)
         SELECT $site, $path, value, $day, 1, $errors, $at FROM json_each($links)
         WHERE (SELECT count(*) FROM seen_elsewhere WHERE day = $day) < ${MOST_SEEN_A_DAY}
       ON CONFLICT (day, site, path, link) DO UPDATE SET times = times + 1, errors = errors + $errors, last_at = $at`,
      { ...where, links: JSON.stringify(where.links), day, at },
    );
  }

  async function noteRefused(site: string, day: string, at: number): Promise<void> {
    await db.run(
      `INSERT INTO refused_sites (site, day, times, last_at)
         SELECT $site, $day, 1, $at WHERE (SELECT count(*) FROM refused_sites WHERE day = $day) < ${MOST_REFUSED_A_DAY}
       ON CONFLICT (day, site) DO UPDATE SET times = times + 1, last_at = $at`,
      { site, day, at },
    );
  }

  /** Since a day, the latest first; no more than 500 of each. */
  async function listSeen(fromDay: string): Promise<{ seen: SeenElsewhere[]; refused: RefusedSite[] }> {
    const seen = await db.select<SeenElsewhere>(
      `SELECT site, path, link, sum(times) times, sum(errors) errors, max(last_at) lastAt FROM seen_elsewhere
       WHERE day >= $fromDay GROUP BY site, path, link ORDER BY lastAt DESC LIMIT 500`,
      { fromDay },
    );
    const refused = await db.select<RefusedSite>(
      `SELECT site, sum(times) times, max(last_at) lastAt FROM refused_sites WHERE day >= $fromDay
       GROUP BY site ORDER BY lastAt DESC LIMIT 500`,
      { fromDay },
    );
    return { seen, refused };
  }

  /** Forgets what was seen before a day. */
  async function forget(beforeDay: string): Promise<void> {
    for (const table of ['seen_elsewhere', 'refused_sites'])
      await db.run(`DELETE FROM ${table} WHERE day < $beforeDay`, { beforeDay });
  }

  return { keepCarried, findCarried, takeCarried, noteSeen, noteRefused, listSeen, forget };
}
