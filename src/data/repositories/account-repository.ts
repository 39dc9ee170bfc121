import type { Database } from '../database';

export type Role = 'owner' | 'editor' | 'viewer';

export interface Account {
  readonly id: number;
  readonly email: string;
  readonly name: string;
  readonly role: Role;
}

export function accountRepository(db: Database) {
  const { AccountRow, AuditEntryRow, SignInRow } = db.models;

  async function findByEmail(email: string): Promise<(Account & { passwordHash: string }) | null> {
    const row = await AccountRow.findOne({ where: { email: email.toLowerCase() } });
    if (!row) return null;
    const plain = row.get({ plain: true });
    return { ...plain, role: plain.role as Role };
  }

  async function count(): Promise<number> {
    const [row] = await db.select<{ n: number }>('SELECT count(*) n FROM accounts');
    return row!.n;
  }

  async function insert(account: Omit<Account, 'id'> & { passwordHash: string }): Promise<void> {
    await AccountRow.create({ ...account, email: account.email.toLowerCase() });
  }

  async function insertSignIn(tokenHash: string, accountId: number, expiresAt: number): Promise<void> {
    await SignInRow.create({ tokenHash, accountId, expiresAt });
  }

  async function findSignedIn(tokenHash: string, now: number): Promise<Account | null> {
    const [row] = await db.select<Account>(
      'SELECT a.id, a.email, a.name, a.role FROM sign_ins s JOIN accounts a ON a.id = s.account_id WHERE s.token_hash = $tokenHash AND s.expires_at > $now',
      { tokenHash, now },
    );
    return row ?? null;
  }

  async function deleteSignIn(tokenHash: string): Promise<void> {
    await SignInRow.destroy({ where: { tokenHash } });
  }

  async function writeAudit(entry: {
    at: number;
    accountId: number | null;
    action: string;
    facts: object;
  }): Promise<void> {
    await AuditEntryRow.create(entry);
  }

  return { findByEmail, count, insert, insertSignIn, findSignedIn, deleteSignIn, writeAudit };
}
