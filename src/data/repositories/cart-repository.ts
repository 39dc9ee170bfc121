import { EMPTY_CART, type Cart, type CartLine, type RemovedLine } from '~/core/cart';
import type { Database } from '../database';

/** A cart as it is kept; `version` grows with every change. */
export interface StoredCart extends Cart {
  readonly version: number;
  /** Under which the latest changes were made, oldest first; a browser that heard no answer sends its change again. */
  readonly changeIds: readonly string[];
  /** For whom (a keyed hash) its offers have been judged; null: nobody yet. */
  readonly judgedFor: string | null;
}

export const NEW_CART: StoredCart = { ...EMPTY_CART, version: 0, changeIds: [], judgedFor: null };

const REMEMBERED_CHANGES = 20;

interface CartRow {
  version: number;
  codes: string;
  country: string | null;
  postcode: string | null;
  note: string;
  source: string | null;
  lines: string;
  removed: string;
  changeIds: string;
  judgedFor: string | null;
}

/** What was typed at the checkout of a cart. */
function cartCheckouts(db: Database) {
  /** What was typed at the checkout so far, as it was sent; null when nothing was. */
  async function readCheckout(token: string): Promise<unknown> {
    const [row] = await db.select<{ checkout: string | null }>('SELECT checkout FROM carts WHERE token = $token', {
      token,
    });
    return row?.checkout ? (JSON.parse(row.checkout) as unknown) : null;
  }
  /** Keeps for whom a cart has been judged. */
  async function judge(token: string, shopper: string): Promise<void> {
    await db.run('UPDATE carts SET judged_for = $shopper WHERE token = $token', { token, shopper });
  }
  /** Takes away what was typed at the checkout. */
  async function forgetCheckout(token: string): Promise<void> {
    await db.run('UPDATE carts SET checkout = NULL, checkout_at = NULL, judged_for = NULL WHERE token = $token', {
      token,
    });
  }
  /** Keeps what was typed at the checkout, and since when. */
  async function writeCheckout(token: string, form: object, now: number): Promise<void> {
    await db.run('UPDATE carts SET checkout = $form, checkout_at = $at WHERE token = $token', {
      token,
      form: JSON.stringify(form),
      at: now,
    });
  }

  return { readCheckout, judge, forgetCheckout, writeCheckout };
}

export function cartRepository(db: Database) {
  async function read(token: string): Promise<StoredCart> {
    const [row] = await db.select<CartRow>(
      'SELECT version, codes, country, postcode, note, source, lines, removed, change_ids AS changeIds, judged_for AS judgedFor FROM carts WHERE token = $token',
      { token },
    );
    if (!row) return NEW_CART;
    const { version, codes, country, postcode, note, source, judgedFor } = row;
    return {
      version,
      source,
      judgedFor,
      codes: JSON.parse(codes) as string[],
      destination: country ? { country, postcode: postcode ?? '' } : null,
      note,
      lines: JSON.parse(row.lines) as CartLine[],
      removed: JSON.parse(row.removed) as RemovedLine[],
      changeIds: JSON.parse(row.changeIds) as string[],
    };
  }
  /**
   * Puts a cart in the place of the one that was read, making it if it is new. False, with nothing written, when somebody
   * else has written since.
   */
  async function write(
    token: string,
    before: StoredCart,
    { lines, removed, codes, destination, note }: Cart,
    { now, changeId = null }: { readonly now: number; readonly changeId?: string | null },
  ): Promise<boolean> {
    const changeIds = changeId ? [...before.changeIds, changeId].slice(-REMEMBERED_CHANGES) : before.changeIds;
    const written = await db.run(
      `INSERT INTO carts (token, updated_at, version, codes, country, postcode, note, lines, removed, change_ids)
         VALUES ($token, $now, $version + 1, $codes, $country, $postcode, $note, $lines, $removed, $changeIds)
       ON CONFLICT (token) DO UPDATE SET updated_at = $now, version = $version + 1, codes = $codes, country = $country,
         postcode = $postcode, note = $note, lines = $lines, removed = $removed, change_ids = $changeIds
         WHERE version = $version`,
      {
        token,
        now,
        codes: JSON.stringify(codes),
        note,
        version: before.version,
        country: destination?.country ?? null,
        postcode: destination?.postcode ?? null,
        lines: JSON.stringify(lines),
        removed: JSON.stringify(removed),
        changeIds: JSON.stringify(changeIds),
      },
    );
    return written === 1;
  }
  /** Empties a cart that was ordered in this state, with what was typed at its checkout; false when it has changed since. */
  async function emptyOrdered(token: string, version: number, now: number): Promise<boolean> {
    const emptied = await db.run(
      `UPDATE carts SET updated_at = $now, version = version + 1, lines = '[]', removed = '[]', codes = '[]', note = '', source = NULL,
         checkout = NULL, checkout_at = NULL, judged_for = NULL WHERE token = $token AND version = $version`,
      { token, version, now },
    );
    return emptied === 1;
  }
  /**
   * Keeps with a cart where a visit came from. One that came by itself takes nothing from what an earlier one brought along. Makes
   * the cart if there is none.
   */
  async function noteSource(token: string, visitId: string, now: number): Promise<void> {
    await db.run(
      `INSERT INTO carts (token, updated_at, source) SELECT $token, $now, source FROM visits WHERE id = $visitId
       ON CONFLICT (token) DO UPDATE SET source = excluded.source
         WHERE source IS NULL OR (excluded.source <> 'direct' AND source <> excluded.source)`,
      { token, visitId, now },
    );
  }
  /** Items in a cart whose variants are still sold. */
  async function count(token: string): Promise<number> {
    const [row] = await db.select<{ count: number }>(
      `SELECT coalesce(sum(line.value ->> 'quantity'), 0) count FROM carts c, json_each(c.lines) line
       JOIN variants v ON v.id = line.value ->> 'variantId' JOIN products p ON p.id = v.product_id AND p.is_shown = 1
       WHERE c.token = $token`,
      { token },
    );
    return row!.count;
  }
  return { ...cartCheckouts(db), read, write, emptyOrdered, count, noteSource };
}
