import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { fail, ok, type Result } from '~/core/problems';
import type { Account } from '~/data';
import type { App } from './app';

const derive = promisify(scrypt) as (password: string, salt: Buffer, length: number) => Promise<Buffer>;
export const SIGN_IN_DAYS = 14;
const tries = new RateLimiterMemory({ points: 10, duration: 60 });

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

/** Signs in and answers the secret for the cookie. Ten failed tries a minute from one address. */
export async function signIn(
  app: App,
  request: { email: string; password: string; from: string },
): Promise<Result<{ secret: string; account: Account }>> {
  const who = `${request.from} ${request.email.toLowerCase()}`;
  try {
    await tries.consume(who);
  } catch (limited) {
    if (!(limited instanceof RateLimiterRes)) throw limited;
    return fail('email', 'too-many-tries', { seconds: Math.ceil(limited.msBeforeNext / 1000) });
  }
  const account = await app.accounts.findByEmail(request.email);
  const matches = await isPassword(request.password, account?.passwordHash ?? NO_ACCOUNT);
  if (!account || !matches) return fail('email', 'wrong-sign-in');
  // Only tries that fail count: somebody who signs in often is no guesser.
  await tries.delete(who);
  const secret = randomBytes(32).toString('base64url');
  await app.accounts.insertSignIn(hashSecret(secret), account.id, app.now() + SIGN_IN_DAYS * 86_400_000);
  await app.accounts.writeAudit({ at: app.now(), accountId: account.id, action: 'sign-in', facts: {} });
  return ok({ secret, account: { id: account.id, email: account.email, name: account.name, role: account.role } });
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
