import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { fail, ok, type Result } from '~/core/problems';
import type { Account } from '~/data';
import type { App } from '~/services/app';
import { createSignInLimits } from './sign-in-limits';

const derive = promisify(scrypt) as (password: string, salt: Buffer, length: number) => Promise<Buffer>;
export const SIGN_IN_DAYS = 14;
export const DEVICE_DAYS = 365;
const limits = createSignInLimits();

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

export interface SignInRequest {
  readonly email: string;
  readonly password: string;
  /** The address it comes from. */
  readonly from: string;
  /** What an earlier sign-in on this device was given to be known by; whatever else it holds counts as nothing. */
  readonly device?: string;
}

/** Signs in and answers the secrets for the cookies. How often one may fail: see `sign-in-limits.ts`. */
export async function signIn(
  app: App,
  request: SignInRequest,
): Promise<Result<{ secret: string; device: string; account: Account }>> {
  const email = request.email.toLowerCase();
  const known = app.secret.verify(request.device ?? '');
  const device = known?.endsWith(` ${email}`) ? known : null;
  const trier = { address: request.from, email, device };
  const wait = await limits.take(trier);
  if (wait !== null) return fail('email', 'too-many-tries', { seconds: wait });
  const account = await app.accounts.findByEmail(request.email);
  const matches = await isPassword(request.password, account?.passwordHash ?? NO_ACCOUNT);
  if (!account || !matches) return fail('email', 'wrong-sign-in');
  // Only tries that fail count: somebody who signs in often is no guesser.
  await limits.giveBack(trier);
  const secret = randomBytes(32).toString('base64url');
  await app.accounts.insertSignIn(hashSecret(secret), account.id, app.now() + SIGN_IN_DAYS * 86_400_000);
  await app.accounts.writeAudit({ at: app.now(), accountId: account.id, action: 'sign-in', facts: {} });
  const deviceSecret = app.secret.sign(device ?? `${randomBytes(16).toString('base64url')} ${email}`);
  return ok({
    secret,
    device: deviceSecret,
    account: { id: account.id, email: account.email, name: account.name, role: account.role },
  });
}

export async function signedIn(app: App, secret: string | undefined): Promise<Account | null> {
  return secret ? app.accounts.findSignedIn(hashSecret(secret), app.now()) : null;
}

export async function signOut(app: App, secret: string): Promise<void> {
  await app.accounts.deleteSignIn(hashSecret(secret));
}

function hashSecret(secret: string): string {
  return createHash('sha256').update(secret).digest('base64url');
}
