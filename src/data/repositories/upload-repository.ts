import type { Database } from '../database';

/** A file a shopper gave for an option. Its bytes lie in the uploads folder under its id. */
export interface Upload {
  readonly id: string;
  /** The cart it was given for; whoever holds that cart may see it. */
  readonly cartToken: string;
  readonly name: string;
  readonly type: string;
  readonly bytes: number;
  readonly createdAt: number;
}

export function uploadRepository(db: Database) {
  async function insert(upload: Upload): Promise<void> {
    await db.run(
      'INSERT INTO uploads (id, cart_token, name, type, bytes, created_at) VALUES ($id, $cartToken, $name, $type, $bytes, $createdAt)',
      { ...upload },
    );
  }

  async function find(ids: readonly string[]): Promise<Map<string, Upload>> {
    if (ids.length === 0) return new Map();
    const rows = await db.select<Upload>(
      `SELECT id, cart_token cartToken, name, type, bytes, created_at createdAt FROM uploads WHERE id IN (SELECT value FROM json_each($ids))`,
      { ids: JSON.stringify(ids) },
    );
    return new Map(rows.map((row) => [row.id, row]));
  }

  /** Gives files of one cart to another. */
  async function giveTo(ids: readonly string[], from: string, to: string): Promise<void> {
    await db.run(
      'UPDATE uploads SET cart_token = $to WHERE cart_token = $from AND id IN (SELECT value FROM json_each($ids))',
      { ids: JSON.stringify(ids), from, to },
    );
  }

  /** Deletes uploads that no cart or order names any more; returns their ids, whose files can go. */
  async function deleteUnused(before: number): Promise<string[]> {
    const rows = await db.select<{ id: string }>(
      `SELECT id FROM uploads u WHERE created_at < $before
         AND NOT EXISTS (SELECT 1 FROM carts c WHERE instr(c.lines || c.removed, u.id) > 0)
         AND NOT EXISTS (SELECT 1 FROM order_lines o WHERE instr(o.answers, u.id) > 0)`,
      { before },
    );
    const ids = rows.map((row) => row.id);
    if (ids.length > 0)
      await db.run('DELETE FROM uploads WHERE id IN (SELECT value FROM json_each($ids))', { ids: JSON.stringify(ids) });
    return ids;
  }

  return { insert, find, giveTo, deleteUnused };
}
