import type { LostSearch } from '~/core/search';
import type { Database } from '../database';

/** Different terms kept at most: what a stranger can type has no end. */
const MOST_TERMS = 5000;

/** Words shoppers searched for without finding anything. No visit, cart or account is kept with them. */
export function lostSearches(db: Database) {
  async function note(term: string, at: number): Promise<void> {
    await db.run(
      `INSERT INTO lost_searches (term, times, last_at) VALUES ($term, 1, $at)
       ON CONFLICT (term) DO UPDATE SET times = times + 1, last_at = excluded.last_at`,
      { term, at },
    );
    // A flood of nonsense pushes out nonsense, never what is often asked for; what just came stays to be asked for again.
    await db.run(
      `DELETE FROM lost_searches WHERE term IN (SELECT term FROM lost_searches WHERE term <> $term
         ORDER BY times, last_at LIMIT max(0, (SELECT count(*) FROM lost_searches) - ${MOST_TERMS}))`,
      { term },
    );
  }

  /** The most frequent first. */
  async function list(limit: number): Promise<LostSearch[]> {
    return db.select(
      'SELECT term, times, last_at lastAt FROM lost_searches ORDER BY times DESC, last_at DESC, term LIMIT $limit',
      { limit },
    );
  }

  async function forget(term: string): Promise<void> {
    await db.run('DELETE FROM lost_searches WHERE term = $term', { term });
  }

  async function sweep(beforeMs: number): Promise<void> {
    await db.run('DELETE FROM lost_searches WHERE last_at < $beforeMs', { beforeMs });
  }

  return { note, list, forget, sweep };
}
