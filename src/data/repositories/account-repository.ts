import type { Account, EntryLink, Session } from '~/core/people';
import type { Database } from '../database';

const LINK = 'kind, email, role, made_by madeBy, made_at madeAt, until';

/** Who is signed in, and where. */
function accountSessions(db: Database) {
  async function insertSignIn(
    tokenHash: string,
    accountId: number,
    session: Session & { readonly expiresAt: number },
  ): Promise<void> {
    await db.run(
      `INSERT INTO sign_ins (token_hash, account_id, key, began_at, seen_at, agent, expires_at)
       VALUES ($tokenHash, $accountId, $key, $beganAt, $seenAt, $agent, $expiresAt)`,
      { tokenHash, accountId, ...session },
    );
  }
  async function findSignedIn(
    tokenHash: string,
    now: number,
  ): Promise<(Account & { readonly session: string; readonly seenAt: number }) | null> {
    const [row] = await db.select<Account & { session: string; seenAt: number }>(
      `SELECT a.id, a.email, a.name, a.role, s.key session, s.seen_at seenAt FROM sign_ins s JOIN accounts a ON a.id = s.account_id
       WHERE s.token_hash = $tokenHash AND s.expires_at > $now AND a.removed_at IS NULL`,
      { tokenHash, now },
    );
    return row ?? null;
  }
  async function noteSeen(tokenHash: string, at: number): Promise<void> {
    await db.run('UPDATE sign_ins SET seen_at = $at WHERE token_hash = $tokenHash', { tokenHash, at });
  }
  async function deleteSignIn(tokenHash: string): Promise<void> {
    await db.run('DELETE FROM sign_ins WHERE token_hash = $tokenHash', { tokenHash });
  }
  /** The latest seen first. */
  async function listSessions(accountId: number, now: number): Promise<Session[]> {
    return db.select<Session>(
      `SELECT key, began_at beganAt, seen_at seenAt, agent FROM sign_ins
       WHERE account_id = $accountId AND expires_at > $now ORDER BY seen_at DESC LIMIT 200`,
      { accountId, now },
    );
  }
  /** Ends one of a person's sessions; false: there is none. */
  async function endSession(accountId: number, key: string): Promise<boolean> {
    const ended = await db.select('DELETE FROM sign_ins WHERE account_id = $accountId AND key = $key RETURNING key', {
      accountId,
      key,
    });
    return ended.length > 0;
  }
  /** Ends all sessions of somebody's but one; answers how many. */
  async function endSessions(accountId: number, butKey: string | null): Promise<number> {
    const ended = await db.select(
      'DELETE FROM sign_ins WHERE account_id = $accountId AND key IS NOT $butKey RETURNING key',
      { accountId, butKey },
    );
    return ended.length;
  }

  return { insertSignIn, findSignedIn, noteSeen, deleteSignIn, listSessions, endSession, endSessions };
}

/** Links by which people choose a password. */
function accountLinks(db: Database) {
  /** Keeps a link in place of the ones of its kind for the same address; those that are over go. */
  async function keepEntryLink(tokenHash: string, link: EntryLink): Promise<void> {
    await db.inTransaction(async () => {
      await db.run('DELETE FROM entry_links WHERE until <= $madeAt OR (kind = $kind AND email = $email)', {
        madeAt: link.madeAt,
        kind: link.kind,
        email: link.email,
      });
      await db.run(
        `INSERT INTO entry_links (token_hash, kind, email, role, made_by, made_at, until)
         VALUES ($tokenHash, $kind, $email, $role, $madeBy, $madeAt, $until)`,
        { tokenHash, ...link },
      );
    });
  }
  async function findEntryLink(tokenHash: string, now: number): Promise<EntryLink | null> {
    const [row] = await db.select<EntryLink>(
      `SELECT ${LINK} FROM entry_links WHERE token_hash = $tokenHash AND until > $now`,
      { tokenHash, now },
    );
    return row ?? null;
  }
  /** Uses a link up and returns it; null when it was used or has expired. */
  async function takeEntryLink(tokenHash: string, now: number): Promise<EntryLink | null> {
    const [row] = await db.select<EntryLink>(
      `DELETE FROM entry_links WHERE token_hash = $tokenHash AND until > $now RETURNING ${LINK}`,
      { tokenHash, now },
    );
    return row ?? null;
  }
  async function listInvites(now: number): Promise<EntryLink[]> {
    return db.select<EntryLink>(
      `SELECT ${LINK} FROM entry_links WHERE kind = 'invite' AND until > $now ORDER BY made_at DESC LIMIT 100`,
      { now },
    );
  }
  async function dropInvite(email: string): Promise<void> {
    await db.run("DELETE FROM entry_links WHERE kind = 'invite' AND email = $email", { email });
  }

  return { keepEntryLink, findEntryLink, takeEntryLink, listInvites, dropInvite };
}

/** People of the shop. Removed people are not found here; their names stay for the audit trail. */
export function accountRepository(db: Database) {
  const { AccountRow } = db.models;
  async function findByEmail(email: string): Promise<(Account & { passwordHash: string }) | null> {
    const [row] = await db.select<Account & { passwordHash: string }>(
      `SELECT id, email, name, role, password_hash passwordHash FROM accounts WHERE email = $email AND removed_at IS NULL`,
      { email: email.toLowerCase() },
    );
    return row ?? null;
  }
  /** In the order they came. */
  async function list(): Promise<Account[]> {
    return db.select<Account>('SELECT id, email, name, role FROM accounts WHERE removed_at IS NULL ORDER BY id');
  }
  async function count(): Promise<number> {
    const [row] = await db.select<{ n: number }>('SELECT count(*) n FROM accounts WHERE removed_at IS NULL');
    return row!.n;
  }
  /** Adds a person, or restores a removed one. */
  async function insert(account: Omit<Account, 'id'> & { passwordHash: string }): Promise<void> {
    const email = account.email.toLowerCase();
    await AccountRow.upsert({ ...account, email, removedAt: null }, { conflictFields: ['email'] });
  }
  async function setPassword(id: number, passwordHash: string): Promise<void> {
    await AccountRow.update({ passwordHash }, { where: { id } });
  }
  /** Their sessions and links end with them. Call inside a transaction. */
  async function remove({ id, email }: Pick<Account, 'id' | 'email'>, at: number): Promise<void> {
    await AccountRow.update({ removedAt: at, passwordHash: '' }, { where: { id } });
    await db.run('DELETE FROM sign_ins WHERE account_id = $id', { id });
    await db.run('DELETE FROM entry_links WHERE email = $email OR made_by = $id', { id, email });
  }
  return { ...accountSessions(db), ...accountLinks(db), findByEmail, list, count, insert, setPassword, remove };
}
