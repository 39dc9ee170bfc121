import type { Database } from '../database';

export type PlanState = 'waiting' | 'done' | 'stopped' | 'refused';

export interface NewPlan {
  /** Milliseconds since 1970. */
  readonly at: number;
  /** The revision the patch was made on. */
  readonly baseRevision: number;
  /** As stored. */
  readonly patch: unknown;
  readonly changes: unknown;
  readonly note: string;
  readonly accountId: number | null;
}

export interface StoredPlan extends NewPlan {
  readonly id: number;
  readonly state: PlanState;
  readonly why: string | null;
  readonly by: string | null;
}

type Row = Omit<StoredPlan, 'patch' | 'changes'> & { readonly patch: string; readonly changes: string };

const COLUMNS = `plans.id, plans.at, base_revision AS baseRevision, patch, changes, plans.note, account_id AS accountId, state, why,
  (SELECT name FROM accounts WHERE accounts.id = plans.account_id) AS "by"`;

/** What is to go out at a time. */
export function planRepository(db: Database) {
  const parsed = (row: Row): StoredPlan => ({
    ...row,
    patch: JSON.parse(row.patch) as unknown,
    changes: JSON.parse(row.changes) as unknown,
  });

  /** What waits and what was refused, the soonest first. */
  async function list(): Promise<StoredPlan[]> {
    const rows = await db.select<Row>(
      `SELECT ${COLUMNS} FROM plans WHERE state IN ('waiting', 'refused') ORDER BY at, id`,
    );
    return rows.map(parsed);
  }

  async function insert({ at, baseRevision, patch, changes, note, accountId }: NewPlan): Promise<number> {
    const [row] = await db.select<{ id: number }>(
      `INSERT INTO plans (at, base_revision, patch, changes, note, account_id, state)
       VALUES ($at, $baseRevision, $patch, $changes, $note, $accountId, 'waiting') RETURNING id`,
      { at, baseRevision, patch: JSON.stringify(patch), changes: JSON.stringify(changes), note, accountId },
    );
    return row!.id;
  }

  /** Moves one on; false when it is not in that state any more. */
  async function move(
    id: number,
    from: readonly PlanState[],
    to: PlanState,
    why: string | null = null,
  ): Promise<boolean> {
    const rows = await db.select<{ id: number }>(
      `UPDATE plans SET state = $to, why = $why WHERE id = $id AND state IN (${from.map((_, i) => `$from${i}`).join(', ')}) RETURNING id`,
      { id, to, why, ...Object.fromEntries(from.map((state, i) => [`from${i}`, state])) },
    );
    return rows.length > 0;
  }

  return { list, insert, move };
}
