import type { Database } from '../database';

export interface StoredLayout {
  readonly id: number;
  readonly name: string;
  /** As stored; its kind reads it. */
  readonly document: unknown;
}

/** Layouts that an owner keeps. */
export function savedLayouts(db: Database) {
  async function list(kind: string): Promise<StoredLayout[]> {
    const rows = await db.select<Omit<StoredLayout, 'document'> & { document: string }>(
      'SELECT id, name, document FROM layouts WHERE kind = $kind ORDER BY name',
      { kind },
    );
    return rows.map((row) => ({ ...row, document: JSON.parse(row.document) as unknown }));
  }

  /** One of the same kind and name is written over. */
  async function write(kind: string, name: string, document: unknown, at: number): Promise<void> {
    await db.run(
      `INSERT INTO layouts (kind, name, document, at) VALUES ($kind, $name, $document, $at)
       ON CONFLICT (kind, name) DO UPDATE SET document = excluded.document, at = excluded.at`,
      { kind, name, document: JSON.stringify(document), at },
    );
  }

  async function remove(id: number): Promise<boolean> {
    return (await db.run('DELETE FROM layouts WHERE id = $id', { id })) > 0;
  }

  return { list, write, remove };
}
