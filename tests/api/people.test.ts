import { expect } from 'chai';
import type { SignedIn } from '~/core/people';
import { signedIn, signIn, signOut } from '~/services/accounts/accounts';
import {
  askForPassword,
  changePassword,
  endSession,
  enter,
  findEntry,
  invite,
  removePerson,
  showAudit,
  showPeople,
  withdrawInvite,
} from '~/services/accounts/people';
import { wordAudit } from '~/core/audit';
import { patchDraft, showDraft } from '~/services/draft/edit-draft';
import { draftLane } from '~/services/lane/live-lane';
import { publishLane } from '~/services/draft/publish-lane';
import { seedFolder, serve, type TestServer } from '../support/server';
import { openTestShop, type TestShop } from '../support/shop';
import { shopperAt } from '../support/shopper';

const OWNER = 'owner@hollowtarn.example';
const FIREFOX = 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0';
const ORIGIN = 'https://shop.example';
const HOUR_MS = 3_600_000;

describe('people of the shop', () => {
  let shop: TestShop;
  let now = Date.parse('2026-11-30T10:00:00Z');
  let owner: SignedIn;
  let networks = 0;
  beforeEach(async () => {
    now = Date.parse('2026-11-30T10:00:00Z');
    shop = await openTestShop(0, () => now);
    owner = (await come(OWNER))!.account;
  });
  afterEach(() => shop.close());

  const place = () => ({ from: `192.0.2.${(networks += 1) % 250}`, agent: FIREFOX });
  async function come(email: string, password = 'windward') {
    const signed = await signIn(shop.app, { email, password, ...place() });
    if (!signed.ok) return null;
    const { secret } = signed.value;
    return { secret, account: (await signedIn(shop.app, secret))! };
  }
  const keyOf = (link: string) => new URL(link).searchParams.get('key')!;
  const codeOf = (result: { ok: boolean; problems?: readonly { code: string }[] }) =>
    result.ok ? null : result.problems![0]!.code;
  const sentences = async () =>
    (await showAudit(shop.app, { before: null, person: null })).map(
      (entry) => `${entry.name ?? '–'} ${wordAudit(entry)}`,
    );

  it('change their password with the present one, and all their other sessions end', async () => {
    const elsewhere = (await come(OWNER))!;
    expect((await showPeople(shop.app, owner)).sessions.map(({ device, isThis }) => [device, isThis])).to.deep.include([
      'Firefox on Linux',
      true,
    ]);
    const wrong = await changePassword(shop.app, owner, { old: 'leeward', next: 'a new password' });
    expect(codeOf(wrong)).to.equal('wrong-password');
    const done = await changePassword(shop.app, owner, { old: 'windward', next: 'a new password' });
    expect(done.ok && done.value.sessions.map(({ isThis }) => isThis)).to.deep.equal([true]);
    expect(await signedIn(shop.app, elsewhere.secret)).to.equal(null);
    expect(await come(OWNER)).to.equal(null);
    expect(await come(OWNER, 'a new password')).not.to.equal(null);
    for (let i = 0; i < 12; i += 1) await changePassword(shop.app, owner, { old: 'guess', next: 'a new password' });
    const again = await changePassword(shop.app, owner, { old: 'a new password', next: 'another password' });
    expect(codeOf(again)).to.equal('too-many-tries');
  });

  it('see where they are signed in, and end it there', async () => {
    const [first, second] = [(await come(OWNER))!, (await come(OWNER))!];
    const ended = await endSession(shop.app, owner, { key: first.account.session });
    expect(ended.ok && ended.value.sessions).to.have.length(2);
    expect(await signedIn(shop.app, first.secret)).to.equal(null);
    expect(codeOf(await endSession(shop.app, owner, { key: owner.session }))).to.equal('session-own');
    await endSession(shop.app, owner, { key: null });
    expect(await signedIn(shop.app, second.secret)).to.equal(null);
    expect((await showPeople(shop.app, owner)).sessions).to.have.length(1);
  });

  it('are invited by a link that works once, and removed with all they had', async () => {
    const made = await invite(shop.app, owner, { email: 'pia@hollowtarn.example', role: 'editor' }, ORIGIN);
    if (!made.ok) throw new Error('not invited');
    const key = keyOf(made.value.link);
    const [mail] = await shop.app.mailbox.list(1);
    expect([mail!.to, mail!.text.includes(made.value.link)]).to.deep.equal(['pia@hollowtarn.example', true]);

    // Looked at, it stays.
    expect([(await findEntry(shop.app, key))!.email, (await findEntry(shop.app, key))!.role]).to.deep.equal([
      'pia@hollowtarn.example',
      'editor',
    ]);
    expect(codeOf(await enter(shop.app, key, { name: '', password: 'harbour wind' }, place()))).to.equal('missing');
    const entered = await enter(shop.app, key, { name: 'Pia', password: 'harbour wind' }, place());
    expect(entered.ok).to.equal(true);
    expect(codeOf(await enter(shop.app, key, { name: 'Eve', password: 'harbour wind' }, place()))).to.equal(
      'entry-over',
    );
    const pia = (await come('pia@hollowtarn.example', 'harbour wind'))!;
    expect(pia.account.role).to.equal('editor');
    expect(codeOf(await invite(shop.app, owner, { email: 'pia@hollowtarn.example', role: 'viewer' }, ORIGIN))).to.equal(
      'person-there',
    );

    await removePerson(shop.app, owner, { email: 'pia@hollowtarn.example' });
    expect(await signedIn(shop.app, pia.secret)).to.equal(null);
    expect(await come('pia@hollowtarn.example', 'harbour wind')).to.equal(null);
    expect(codeOf(await removePerson(shop.app, owner, { email: OWNER }))).to.equal('last-owner');
    // Whoever was removed can come back, and what they did keeps their name.
    const back = await invite(shop.app, owner, { email: 'pia@hollowtarn.example', role: 'viewer' }, ORIGIN);
    await enter(shop.app, keyOf(back.ok ? back.value.link : ''), { name: 'Pia', password: 'harbour wind' }, place());
    expect((await come('pia@hollowtarn.example', 'harbour wind'))!.account.role).to.equal('viewer');
    expect(await sentences())
      .to.include('Pia joined as editor')
      .and.to.include('Pia joined as viewer');
  });

  it('cannot come in by a link that was withdrawn, is too old, or was replaced', async () => {
    const wish = { email: 'tom@hollowtarn.example', role: 'viewer' } as const;
    const link = async () => {
      const made = await invite(shop.app, owner, wish, ORIGIN);
      return keyOf(made.ok ? made.value.link : '');
    };
    const [first, second] = [await link(), await link()];
    expect(await findEntry(shop.app, first)).to.equal(null);
    expect(await findEntry(shop.app, second)).not.to.equal(null);
    await withdrawInvite(shop.app, owner, wish);
    expect(await findEntry(shop.app, second)).to.equal(null);
    const late = await link();
    now += 7 * 24 * HOUR_MS;
    expect(await findEntry(shop.app, late)).to.equal(null);
  });

  it('choose a new password by a link in their mail, and nobody learns from asking who has an account', async () => {
    // The mail is not waited for.
    const mails = async () => {
      await new Promise((resolve) => setTimeout(resolve, 100));
      return shop.app.mailbox.countTo(OWNER);
    };
    expect((await askForPassword(shop.app, 'nobody@hollowtarn.example', '198.51.100.1', ORIGIN)).ok).to.equal(true);
    expect((await askForPassword(shop.app, ` ${OWNER.toUpperCase()}`, '198.51.100.1', ORIGIN)).ok).to.equal(true);
    expect(await mails()).to.equal(1);
    const [mail] = await shop.app.mailbox.list(1);
    const key = keyOf(/https:\S+/.exec(mail!.text)![0]);
    const entered = await enter(shop.app, key, { name: '', password: 'a new password' }, place());
    expect(entered.ok).to.equal(true);
    expect(await signedIn(shop.app, 'x')).to.equal(null);
    expect((await shop.app.accounts.listSessions(owner.id, now)).length).to.equal(1);
    expect(await come(OWNER, 'a new password')).not.to.equal(null);
    expect(codeOf(await enter(shop.app, key, { name: '', password: 'yet another one' }, place()))).to.equal(
      'entry-over',
    );
    // Whoever asks without end fills no mailbox, and waits.
    for (let i = 0; i < 30; i += 1) await askForPassword(shop.app, OWNER, `198.51.100.${i + 2}`, ORIGIN);
    expect(await mails()).to.be.at.most(6);
    for (let i = 0; i < 5; i += 1) await askForPassword(shop.app, OWNER, '203.0.113.9', ORIGIN);
    expect(codeOf(await askForPassword(shop.app, OWNER, '203.0.113.9', ORIGIN))).to.equal('too-many-tries');
  });

  it('are in the audit trail with what they did, a sitting at a time', async () => {
    for (let i = 0; i < 3; i += 1) await come(OWNER, 'wrong');
    await come('stranger@hollowtarn.example', 'wrong');
    const rename = async (name: string) => {
      const { edit } = await showDraft(shop.app);
      const patch = [{ op: 'replace', path: '/shop/name', value: name }] as const;
      return patchDraft(shop.app, edit, patch as never, owner.id);
    };
    await rename('Reed');
    await rename('Loft');
    const leaving = (await come(OWNER))!;
    await signOut(shop.app, leaving.secret);
    const told = await sentences();
    const { name } = owner;
    expect(told).to.include(`${name} was refused at the sign-in, 3 times`);
    expect(told).to.include('– was refused at the sign-in');
    expect(told).to.include(`${name} changed the draft, 2 times`);
    expect(told[0]).to.equal(`${name} signed out`);
    now += HOUR_MS;
    await rename('Tarn');
    expect((await sentences())[0]).to.equal(`${name} changed the draft`);
    const entries = await showAudit(shop.app, { before: null, person: owner.id });
    expect(entries.every(({ accountId }) => accountId === owner.id)).to.equal(true);
    const older = await showAudit(shop.app, { before: entries[1]!.id, person: null });
    expect(older.every(({ id }) => id < entries[1]!.id)).to.equal(true);
  });

  it('show a draft by an address that ends when they publish or sign out', async () => {
    const token = async () => (await showDraft(shop.app)).token;
    const first = await token();
    expect(await draftLane(shop.app, first)).not.to.equal(null);
    await publishLane(shop.app, { edit: (await showDraft(shop.app)).edit, note: '', accountId: owner.id });
    expect(await draftLane(shop.app, first)).to.equal(null);
    const second = await token();
    expect(await draftLane(shop.app, second)).not.to.equal(null);
    await signOut(shop.app, (await come(OWNER))!.secret);
    expect(await draftLane(shop.app, second)).to.equal(null);
    const third = await token();
    await endSession(shop.app, owner, { key: (await come(OWNER))!.account.session });
    expect(await draftLane(shop.app, third)).to.equal(null);
    expect(await draftLane(shop.app, await token())).not.to.equal(null);
  });
});

describe('pages that are somebody’s own', () => {
  let server: TestServer;
  before(async function () {
    this.timeout(60_000);
    server = await serve(await seedFolder(0));
  });
  after(() => server.stop());

  it('are kept by nobody: of who has a cart, and of a draft', async () => {
    const shopper = shopperAt(server.origin);
    const kept = async (path: string) => (await shopper.get(path)).headers.get('cache-control');
    expect(await kept('/shop/all')).to.equal('private, no-cache');
    await shopper.postJson('/api/cart', { kind: 'add', product: 'hoop-winder' });
    for (const path of ['/shop/all', '/shop/', '/shop/p/heron', '/shop/all', '/shop/search?q=kite'])
      expect(await kept(path), path).to.equal('private, no-store');
    const other = await fetch(`${server.origin}/shop/all?draft=no-such-token`);
    expect(other.status).to.equal(200);
  });

  it('let people in by pages that open nothing without a link', async () => {
    const status = async (path: string) => (await fetch(server.origin + path)).status;
    expect(await status('/studio/enter?key=nothing')).to.equal(404);
    expect(await status('/studio/forgot')).to.equal(200);
    const shopper = shopperAt(server.origin);
    const asked = await shopper.postForm('/studio/forgot', { email: OWNER });
    expect(await asked.text()).to.include('Look into your mail');
  });
});
