import type { BodyOf, QueryOf } from '~/contract';
import { newPassword } from '~/contract/studio/people';
import Bowser from 'bowser';
import { randomBytes } from 'node:crypto';
import { z } from 'zod';
import { fail, ok, type Result } from '~/core/problems';
import { AUDIT_PAGE, type ReadAuditEntry } from '~/core/audit';
import type { Account, EntryLink, PeopleView, Role, SignedIn } from '~/core/people';
import type { App } from '~/services/app';
import { network } from '~/services/limits';
import {
  beginSession,
  hashPassword,
  hashSecret,
  knowsPassword,
  type SignInPlace,
  type SignInSecrets,
} from './accounts';

const DAY_MS = 86_400_000;
const INVITE_MS = 7 * DAY_MS;
const RESET_MS = 3_600_000;

export async function showPeople(app: App, account: SignedIn): Promise<PeopleView> {
  const isOwner = account.role === 'owner';
  const [sessions, people, invites] = await Promise.all([
    app.accounts.listSessions(account.id, app.now()),
    isOwner ? app.accounts.list() : [],
    isOwner ? app.accounts.listInvites(app.now()) : [],
  ]);
  const { session, ...own } = account;
  return {
    own,
    people,
    invites,
    sessions: sessions.map(({ agent, ...one }) => ({ ...one, device: deviceOf(agent), isThis: one.key === session })),
  };
}

function deviceOf(agent: string): string {
  if (agent === '') return 'A device from before';
  const { browser, os } = Bowser.parse(agent);
  return [browser.name ?? 'A browser', os.name && `on ${os.name}`].filter(Boolean).join(' ');
}

/** Changes somebody's own password; all their other sessions end. */
export async function changePassword(
  app: App,
  account: SignedIn,
  { old, next }: BodyOf<'POST /api/studio/people/password'>,
): Promise<Result<PeopleView>> {
  const right = await knowsPassword(app, account, old);
  if (!right.ok) return right;
  await setPassword(app, account, next, { keeps: account.session, action: 'password-changed' });
  return ok(await showPeople(app, account));
}

async function setPassword(
  app: App,
  { id }: Pick<Account, 'id'>,
  password: string,
  { keeps, action }: { readonly keeps: string | null; readonly action: 'password-changed' | 'password-reset' },
): Promise<void> {
  const passwordHash = await hashPassword(password);
  await app.db.inTransaction(async () => {
    await app.accounts.setPassword(id, passwordHash);
    await app.accounts.endSessions(id, keeps);
    await app.lanes.renewToken();
    await app.audit.write({ at: app.now(), accountId: id, action, facts: {} });
  });
}

export async function endSession(
  app: App,
  account: SignedIn,
  { key }: BodyOf<'DELETE /api/studio/people/sessions'>,
): Promise<Result<PeopleView>> {
  if (key === account.session) return fail('key', 'session-own');
  const count =
    key === null
      ? await app.accounts.endSessions(account.id, account.session)
      : Number(await app.accounts.endSession(account.id, key));
  if (count > 0) {
    await app.lanes.renewToken();
    await app.audit.write({ at: app.now(), accountId: account.id, action: 'session-ended', facts: { count } });
  }
  return ok(await showPeople(app, account));
}

/** A link that lets one person in, once, within seven days; it is mailed to them as well. */
export async function invite(
  app: App,
  account: SignedIn,
  { email: to, role }: BodyOf<'POST /api/studio/people/invites'>,
  origin: string,
): Promise<Result<{ link: string; view: PeopleView }>> {
  if (await app.accounts.findByEmail(to)) return fail('email', 'person-there');
  const link = await makeLink(app, { kind: 'invite', email: to, role, madeBy: account.id }, origin);
  await app.audit.write({ at: app.now(), accountId: account.id, action: 'invited', facts: { email: to, role } });
  const text = `${account.name} invites you to work on their shop. Open this link within seven days; it works once:`;
  await sendLink(app, to, { subject: 'You are invited to a shop', text, link });
  return ok({ link, view: await showPeople(app, account) });
}

export async function withdrawInvite(
  app: App,
  account: SignedIn,
  { email: to }: { email: string },
): Promise<PeopleView> {
  await app.accounts.dropInvite(to);
  await app.audit.write({ at: app.now(), accountId: account.id, action: 'invite-withdrawn', facts: { email: to } });
  return showPeople(app, account);
}

/** Removes somebody: their sessions and links end at once. The last owner stays. */
export async function removePerson(
  app: App,
  account: SignedIn,
  { email: gone }: { email: string },
): Promise<Result<PeopleView>> {
  const done = await app.db.inTransaction(async (): Promise<Result<null>> => {
    const people = await app.accounts.list();
    const person = people.find((one) => one.email === gone);
    if (!person) return fail('email', 'not-found');
    const isLast = person.role === 'owner' && people.filter(({ role }) => role === 'owner').length === 1;
    if (isLast) return fail('email', 'last-owner');
    await app.accounts.remove(person, app.now());
    await app.lanes.renewToken();
    await app.audit.write({ at: app.now(), accountId: account.id, action: 'person-removed', facts: { email: gone } });
    return ok(null);
  });
  return done.ok ? ok(await showPeople(app, account)) : done;
}

async function makeLink(
  app: App,
  link: Pick<EntryLink, 'kind' | 'email' | 'role' | 'madeBy'>,
  origin: string,
): Promise<string> {
  const secret = randomBytes(24).toString('base64url');
  const now = app.now();
  const until = now + (link.kind === 'invite' ? INVITE_MS : RESET_MS);
  await app.accounts.keepEntryLink(hashSecret(secret), { ...link, madeAt: now, until });
  return `${origin}/studio/enter?key=${secret}`;
}

async function sendLink(
  app: App,
  to: string,
  { subject, text, link }: { readonly subject: string; readonly text: string; readonly link: string },
): Promise<void> {
  const key = `enter-${hashSecret(link)}`;
  await app.mailbox.send({
    key,
    to,
    subject,
    text: `${text}\n\n${link}\n`,
    html: `<p>${text}</p><p><a href="${link}">${link}</a></p>`,
  });
}

/**
 * Mails a link to choose a new password to whoever has an account, once in a while; what is answered says nothing of whether there
 * is one.
 */
export async function askForPassword(app: App, typed: string, from: string, origin: string): Promise<Result<null>> {
  const seconds = await app.limits.passwordLinks.take(network(from));
  if (seconds !== null) return fail('email', 'too-many-tries', { seconds });
  const account = await app.accounts.findByEmail(typed.trim());
  // Not awaited: the time an answer takes must not show whether the account exists.
  if (account)
    void mailPasswordLink(app, account, origin).catch((error: unknown) =>
      app.log.error({ err: error }, 'a link to choose a password could not be mailed'),
    );
  return ok(null);
}

async function mailPasswordLink(app: App, account: Account, origin: string): Promise<void> {
  if ((await app.limits.passwordLinks.take(`to ${account.email}`)) !== null) return;
  const link = await passwordLink(app, account.email, origin);
  await app.audit.write({ at: app.now(), accountId: account.id, action: 'password-asked', facts: {} });
  const text = 'Somebody asked for a new password for your account. Open this link within an hour; it works once:';
  await sendLink(app, account.email, { subject: 'Choose a new password', text, link });
}

/** A link for choosing a new password; for the mail, and for the command on the server. */
export function passwordLink(app: App, address: string, origin: string): Promise<string> {
  return makeLink(app, { kind: 'password', email: address.toLowerCase(), role: null, madeBy: null }, origin);
}

/** What a link is for; null: it is no longer valid. */
export function findEntry(app: App, secret: string): Promise<EntryLink | null> {
  return app.accounts.findEntryLink(hashSecret(secret), app.now());
}

export const enterSchema = z.object({ name: z.string().trim().max(80).default(''), password: newPassword });

/** Uses a link: creates the invited person's account, or sets a new password, and signs them in. */
export async function enter(
  app: App,
  secret: string,
  { name, password }: z.infer<typeof enterSchema>,
  place: SignInPlace,
): Promise<Result<SignInSecrets>> {
  const found = await findEntry(app, secret);
  if (!found) return fail('key', 'entry-over');
  if (found.kind === 'invite' && name === '') return fail('name', 'missing');
  const passwordHash = await hashPassword(password);
  const account = await app.db.inTransaction(async (): Promise<Account | null> => {
    const link = await app.accounts.takeEntryLink(hashSecret(secret), app.now());
    if (!link) return null;
    const there = await app.accounts.findByEmail(link.email);
    if (link.kind === 'password') return there;
    if (there) return null;
    await app.accounts.insert({ name, email: link.email, role: link.role as Role, passwordHash });
    const joined = (await app.accounts.findByEmail(link.email))!;
    const { id, role } = joined;
    await app.audit.write({ at: app.now(), accountId: id, action: 'joined', facts: { role } });
    return joined;
  });
  if (!account) return fail('key', 'entry-over');
  if (found.kind === 'password') await setPassword(app, account, password, { keeps: null, action: 'password-reset' });
  return ok(await beginSession(app, account, place));
}

/** The audit trail, a page at a time. */
export function showAudit(
  app: App,
  { before, person }: QueryOf<'GET /api/studio/people/audit'>,
): Promise<readonly ReadAuditEntry[]> {
  return app.audit.list({ before, accountId: person, most: AUDIT_PAGE });
}
