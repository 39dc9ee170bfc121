import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { fail, ok, type Result } from '~/core/problems';
import type { Account, SignedIn } from '~/core/people';
import type { App } from '~/services/app';
import { createSignInLimits } from './sign-in-limits';

const derive = promisify(scrypt) as (password: string, salt: Buffer, length: number) => Promise<Buffer>;
export const SIGN_IN_DAYS = 14;
export const DEVICE_DAYS = 365;
const limits = new WeakMap<App, ReturnType<typeof createSignInLimits>>();

function limitsOf(app: App) {
  let own = limits.get(app);
  if (!own) limits.set(app, (own = createSignInLimits()));
  return own;
}

/** Failed sign-ins of one account within it are one entry of the audit trail. */
const HOUR_MS = 3_600_000;
/** When a session was last seen is noted no more often. */
const SEEN_AGAIN_MS = 10 * 60_000;

/** scrypt (RFC 7914) with Node's default cost and a salt of its own: `salt:hash` in base64. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16);
  return `${salt.toString('base64')}:${(await derive(password, salt, 32)).toString('base64')}`;
}

async function isPassword(password: string, stored: string): Promise<boolean> {
  const [salt, hash] = stored.split(':').map((part) => Buffer.from(part, 'base64'));
  return timingSafeEqual(await derive(password, salt!, 32), hash!);
}

const NO_ACCOUNT = `${Buffer.alloc(16).toString('base64')}:${Buffer.alloc(32).toString('base64')}`;

/** Where somebody signs in. */
export interface SignInPlace {
  /** The address it comes from. */
  readonly from: string;
  /** What the browser calls itself. */
  readonly agent?: string | undefined;
  /** The device token an earlier sign-in stored; anything else counts as none. */
  readonly device?: string | undefined;
}

export interface SignInRequest extends SignInPlace {
  readonly email: string;
  readonly password: string;
}

/** The secrets for the browser's cookies: its session, and the device token for the next sign-in. */
export interface SignInSecrets {
  readonly secret: string;
  readonly device: string;
}

/** Whether somebody who is signed in knows their password; tries are limited by session. */
export async function knowsPassword(app: App, account: SignedIn, password: string): Promise<Result<null>> {
  const seconds = await app.limits.ownPasswords.take(account.session);
  if (seconds !== null) return fail('old', 'too-many-tries', { seconds });
  const known = await app.accounts.findByEmail(account.email);
  if (!known || !(await isPassword(password, known.passwordHash))) return fail('old', 'wrong-password');
  await app.limits.ownPasswords.giveBack(account.session);
  return ok(null);
}

/** Signs in and answers the secrets for the cookies. How often one may fail: see `sign-in-limits.ts`. */
export async function signIn(
  app: App,
  { email, password, from, agent, device: given }: SignInRequest,
): Promise<Result<SignInSecrets>> {
  const known = app.secret.verify(given ?? '');
  const device = known?.endsWith(` ${email.toLowerCase()}`) ? known : null;
  const trier = { address: from, email: email.toLowerCase(), device };
  const wait = await limitsOf(app).take(trier);
  if (wait !== null) return fail('email', 'too-many-tries', { seconds: wait });
  const account = await app.accounts.findByEmail(email);
  const matches = await isPassword(password, account?.passwordHash ?? NO_ACCOUNT);
  if (!account || !matches) {
    await app.audit.count(
      { at: app.now(), accountId: account?.id ?? null, action: 'sign-in-failed', facts: {} },
      HOUR_MS,
    );
    return fail('email', 'wrong-sign-in');
  }
  // Only failed tries count: signing in often is not guessing.
  await limitsOf(app).giveBack(trier);
  return ok(await beginSession(app, account, { from, agent, device: given }));
}

/** Starts a session for somebody who has proved who they are. */
export async function beginSession(
  app: App,
  account: Pick<Account, 'id' | 'email'>,
  { agent = '', device }: SignInPlace,
): Promise<SignInSecrets> {
  const secret = randomBytes(32).toString('base64url');
  const now = app.now();
  await app.accounts.insertSignIn(hashSecret(secret), account.id, {
    key: randomBytes(8).toString('hex'),
    beganAt: now,
    seenAt: now,
    agent: agent.slice(0, 300),
    expiresAt: now + SIGN_IN_DAYS * 86_400_000,
  });
  await app.audit.write({ at: now, accountId: account.id, action: 'sign-in', facts: {} });
  const known = app.secret.verify(device ?? '');
  const name = known?.endsWith(` ${account.email}`)
    ? known
    : `${randomBytes(16).toString('base64url')} ${account.email}`;
  return { secret, device: app.secret.sign(name) };
}

export async function signedIn(app: App, secret: string | undefined): Promise<SignedIn | null> {
  if (!secret) return null;
  const hash = hashSecret(secret);
  const found = await app.accounts.findSignedIn(hash, app.now());
  if (!found) return null;
  const { seenAt, ...account } = found;
  if (seenAt < app.now() - SEEN_AGAIN_MS) await app.accounts.noteSeen(hash, app.now());
  return account;
}

export async function signOut(app: App, secret: string): Promise<void> {
  const account = await signedIn(app, secret);
  await app.accounts.deleteSignIn(hashSecret(secret));
  if (!account) return;
  await app.lanes.renewToken();
  await app.audit.write({ at: app.now(), accountId: account.id, action: 'sign-out', facts: {} });
}

export function hashSecret(secret: string): string {
  return createHash('sha256').update(secret).digest('base64url');
}
