import { expect } from 'chai';
import fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import { signIn } from '~/services/accounts/accounts';
import { createSignInLimits } from '~/services/accounts/sign-in-limits';
import { fieldCounter } from '../../src/server/limit-body';
import { seedFolder, serve, type TestServer } from '../support/server';
import { openTestShop } from '../support/shop';
import { sendRaw } from '../support/spellings';

describe('fields of a form', () => {
  it('are counted however the form is cut into chunks', () => {
    const count = (type: string, body: string, cuts: readonly number[]) => {
      const counter = fieldCounter(type);
      const bytes = Buffer.from(body);
      const places = [0, ...cuts.map((cut) => cut % bytes.length).sort((a, b) => a - b), bytes.length];
      return places.slice(1).reduce((_, to, i) => counter(bytes.subarray(places[i]!, to)), 0);
    };
    fc.assert(
      fc.property(fc.nat(40), fc.array(fc.nat(), { maxLength: 8 }), (fields, cuts) => {
        const part = '--a-b\r\ncontent-disposition: form-data; name="x"\r\n\r\nvalue & more\r\n';
        const form = `${part.repeat(fields)}--a-b--\r\n`;
        // The end of the form is a mark as well.
        expect(count('multipart/form-data; boundary=a-b', form, cuts)).to.equal(fields + 1);
        expect(count('multipart/form-data; boundary="a-b"', form, cuts)).to.equal(fields + 1);
        expect(count('application/x-www-form-urlencoded', `a=b${'&a=b'.repeat(fields)}`, cuts)).to.equal(fields);
        expect(count('application/json', form, cuts)).to.equal(0);
      }),
    );
  });

  it('have headers of a length that people send', () => {
    const counter = fieldCounter('multipart/form-data; boundary=b');
    expect(counter(Buffer.from(`--b\r\nx: ${'y'.repeat(4000)}\r\n\r\n`))).to.equal(1);
    expect(counter(Buffer.from(`--b\r\nx: ${'y'.repeat(5000)}`))).to.equal(Infinity);
  });
});

describe('what one address may do', () => {
  let server: TestServer;
  before(async function () {
    this.timeout(60_000);
    server = await serve(await seedFolder(0.01), { PAVED_LANE_SENT_PER_MINUTE: '8' });
  });
  after(() => server.stop());

  it('is sending so often a minute, and looking as often as it likes', async () => {
    const headers = { origin: server.origin, 'content-type': 'application/json' };
    const sent = { method: 'POST', body: '{}', headers };
    const statuses = [];
    for (let i = 0; i < 10; i += 1) statuses.push((await fetch(`${server.origin}/api/cart`, sent)).status);
    expect(statuses).to.deep.equal([...Array.from({ length: 8 }, () => 422), 429, 429]);
    const refused = await fetch(`${server.origin}/api/cart`, sent);
    expect(Number(refused.headers.get('retry-after'))).to.be.within(1, 60);
    for (let i = 0; i < 20; i += 1) expect((await fetch(`${server.origin}/api/products/heron`)).status).to.equal(200);
  });

  it('is nothing that no page of ours asks for', async () => {
    for (const method of ['TRACE', 'PROPFIND', 'LINK'])
      expect((await sendRaw(server.origin, '/shop/', { method })).status, method).to.equal(405);
  });
});

describe('tries to sign in', () => {
  const stranger = (address: string, email = 'owner@hollowtarn.example') => ({ address, email, device: null });

  it('that are refused by address count for nothing else: nobody locks an owner out from one place', async () => {
    const limits = createSignInLimits();
    for (let i = 0; i < 500; i += 1) await limits.take(stranger('192.0.2.1'));
    expect(await limits.take(stranger('192.0.2.1'))).to.be.a('number');
    expect(await limits.take(stranger('192.0.2.2'))).to.equal(null);
    // Another account from there waits as well, others do not.
    expect(await limits.take(stranger('192.0.2.1', 'other@hollowtarn.example'))).to.be.a('number');
    expect(await limits.take(stranger('192.0.2.3', 'other@hollowtarn.example'))).to.equal(null);
  });

  it('never keep out a device that signed in before', async () => {
    const shop = await openTestShop();
    const by = (from: string, password: string, device?: string) =>
      signIn(shop.app, { email: 'owner@hollowtarn.example', password, from, ...(device && { device }) });
    const first = await by('192.0.2.50', 'windward');
    if (!first.ok) throw new Error('The owner did not get in');
    for (let i = 0; i < 45; i += 1) await by(`198.51.100.${i}`, randomUUID());
    const unknown = await by('192.0.2.51', 'windward');
    const known = await by('192.0.2.51', 'windward', first.value.device);
    await shop.close();
    expect(unknown.ok || unknown.problems[0]!.code).to.equal('too-many-tries');
    expect(known.ok).to.equal(true);
  });
});
