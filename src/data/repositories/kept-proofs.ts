import type { Database } from '../database';

export interface StoredProof {
  readonly pieceId: string;
  /** Of all it was drawn from. */
  readonly fingerprint: string;
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly situations: number;
  /** As stored. */
  readonly problems: unknown;
}

/** Of one piece: what is live, what is in the draft, and some that undo may come back to. */
const MOST_A_PIECE = 12;

/** What proof sheets found. */
export function keptProofs(db: Database) {
  async function list(): Promise<StoredProof[]> {
    const rows = await db.select<Omit<StoredProof, 'problems'> & { problems: string }>(
      'SELECT piece_id AS pieceId, fingerprint, at, situations, problems FROM proofs',
    );
    return rows.map((row) => ({ ...row, problems: JSON.parse(row.problems) as unknown }));
  }

  async function write({ pieceId, fingerprint, at, situations, problems }: StoredProof): Promise<void> {
    await db.inTransaction(async () => {
      await db.run(
        `INSERT INTO proofs (piece_id, fingerprint, at, situations, problems)
         VALUES ($pieceId, $fingerprint, $at, $situations, $problems)
         ON CONFLICT (piece_id, fingerprint)
         DO UPDATE SET at = excluded.at, situations = excluded.situations, problems = excluded.problems`,
        { pieceId, fingerprint, at, situations, problems: JSON.stringify(problems) },
      );
      await db.run(
        `DELETE FROM proofs WHERE piece_id = $pieceId AND fingerprint NOT IN (
           SELECT fingerprint FROM proofs WHERE piece_id = $pieceId ORDER BY at DESC, rowid DESC LIMIT $most)`,
        { pieceId, most: MOST_A_PIECE },
      );
    });
  }

  return { list, write };
}
