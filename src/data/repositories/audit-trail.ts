import type { AuditEntry, AuditFacts, ReadAuditEntry } from '~/core/audit';
import type { Database } from '../database';

/** What was done, by whom and when. Entries are added, and never changed but where the same is done again and again. */
export function auditTrail(db: Database) {
  const { AuditEntryRow } = db.models;

  async function write(entry: AuditEntry): Promise<void> {
    await AuditEntryRow.create(entry);
  }

  /** Writes it down, or counts it to an entry of the same person's that began no longer ago: strangers and typists fill no trail. */
  async function count({ at, accountId, action, facts }: AuditEntry, noOlderThanMs: number): Promise<void> {
    const counted = await db.select(
      `UPDATE audit_entries SET facts = json_set(json_patch(facts, $facts), '$.times', 1 + coalesce(facts ->> 'times', 1))
       WHERE id = (SELECT id FROM audit_entries WHERE action = $action AND account_id IS $accountId AND at > $from
                   ORDER BY at DESC LIMIT 1) RETURNING id`,
      { accountId, action, facts: JSON.stringify(facts), from: at - noOlderThanMs },
    );
    if (counted.length === 0) await write({ at, accountId, action, facts });
  }

  /** The newest first, from before an entry. */
  async function list(asked: {
    readonly before: number | null;
    readonly accountId: number | null;
    readonly most: number;
  }): Promise<ReadAuditEntry[]> {
    const rows = await db.select<ReadAuditEntry & { facts: string }>(
      `SELECT e.id, e.at, e.account_id accountId, e.action, e.facts, a.name FROM audit_entries e
       LEFT JOIN accounts a ON a.id = e.account_id
       WHERE ($before IS NULL OR e.id < $before) AND ($accountId IS NULL OR e.account_id = $accountId)
       ORDER BY e.id DESC LIMIT $most`,
      asked,
    );
    return rows.map((row) => ({ ...row, facts: JSON.parse(row.facts) as AuditFacts }));
  }

  return { write, count, list };
}
