import type { ImportRecord } from '~/core/formats';
import type { Database } from '../database';

/** How far each import is. */
export function importRecords(db: Database) {
  /** Records the start of an import; false when another is running that gave a sign of life since `deadBefore`. */
  async function begin(record: {
    id: string;
    at: number;
    accountId: number | null;
    deadBefore: number;
  }): Promise<boolean> {
    const begun = await db.run(
      `INSERT INTO imports (id, started_at, beat_at, account_id, state)
       SELECT $id, $at, $at, $accountId, 'running'
       WHERE NOT EXISTS (SELECT 1 FROM imports WHERE state = 'running' AND beat_at > $deadBefore)`,
      record,
    );
    return begun === 1;
  }
  async function note(id: string, at: number, progress: Partial<ImportRecord>): Promise<void> {
    await db.run(
      `UPDATE imports SET beat_at = $at, state = coalesce($state, state), written = coalesce($written, written),
         total = coalesce($total, total), message = coalesce($message, message) WHERE id = $id`,
      {
        id,
        at,
        state: progress.state ?? null,
        written: progress.written ?? null,
        total: progress.total ?? null,
        message: progress.message ?? null,
      },
    );
  }
  async function findRecord(id: string): Promise<ImportRecord | null> {
    const [row] = await db.select<ImportRecord>('SELECT state, written, total, message FROM imports WHERE id = $id', {
      id,
    });
    return row ?? null;
  }
  /** The import under way, or the last one. */
  async function findLatest(): Promise<(ImportRecord & { id: string; startedAt: number }) | null> {
    const [row] = await db.select<ImportRecord & { id: string; startedAt: number }>(
      'SELECT id, started_at startedAt, state, written, total, message FROM imports ORDER BY started_at DESC LIMIT 1',
    );
    return row ?? null;
  }
  /** Imports that a crash left running are recorded as stopped. */
  async function stopLost(message: string): Promise<number> {
    return db.run(`UPDATE imports SET state = 'stopped', message = $message WHERE state = 'running'`, { message });
  }

  return { begin, note, findRecord, findLatest, stopLost };
}
