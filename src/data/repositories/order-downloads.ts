import { randomUUID } from 'node:crypto';
import type { Database } from '../database';

/** A buyer's own link to a file. */
export interface Download {
  readonly token: string;
  readonly orderToken: string;
  readonly name: string;
  /** Below the shop's downloads. */
  readonly file: string;
  readonly usesLeft: number;
  readonly until: number;
}

/** Files that were bought. */
export function orderDownloads(db: Database) {
  /** Gives a buyer a link of their own to each file. */
  async function grantDownloads(
    orderToken: string,
    files: readonly { readonly name: string; readonly file: string; readonly uses: number }[],
    until: number,
  ): Promise<void> {
    if (files.length === 0) return;
    await db.run(
      `INSERT INTO downloads (token, order_id, name, file, uses_left, until)
       SELECT f.value ->> 'token', o.id, f.value ->> 'name', f.value ->> 'file', f.value ->> 'uses', $until
       FROM orders o, json_each($files) f WHERE o.token = $orderToken`,
      { orderToken, until, files: JSON.stringify(files.map((file) => ({ ...file, token: randomUUID() }))) },
    );
  }
  async function listDownloads(orderToken: string): Promise<Download[]> {
    return db.select<Download>(
      `SELECT d.token, d.name, d.file, d.uses_left usesLeft, d.until, o.token orderToken FROM downloads d JOIN orders o ON o.id = d.order_id
       WHERE o.token = $orderToken ORDER BY d.name`,
      { orderToken },
    );
  }
  async function findDownload(token: string): Promise<Download | null> {
    const [row] = await db.select<Download>(
      `SELECT d.token, d.name, d.file, d.uses_left usesLeft, d.until, o.token orderToken FROM downloads d JOIN orders o ON o.id = d.order_id
       WHERE d.token = $token`,
      { token },
    );
    return row ?? null;
  }
  /** Ends all downloads of an order. */
  async function closeDownloads(orderToken: string): Promise<void> {
    await db.run(
      'UPDATE downloads SET uses_left = 0 WHERE order_id = (SELECT id FROM orders WHERE token = $orderToken)',
      { orderToken },
    );
  }
  /** Counts one use of a link; false when none is left or it has expired. */
  async function useDownload(token: string, now: number): Promise<boolean> {
    return (
      (await db.run(
        'UPDATE downloads SET uses_left = uses_left - 1 WHERE token = $token AND uses_left > 0 AND until > $now',
        { token, now },
      )) === 1
    );
  }

  return { grantDownloads, listDownloads, findDownload, closeDownloads, useDownload };
}
