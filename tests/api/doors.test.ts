import { expect } from 'chai';
import { createHash } from 'node:crypto';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import type { APIRoute } from 'astro';
import { roleFor } from '../../src/pages/_access';
import { contract } from '~/contract';
import { routeOfHandler } from '../../src/pages/api/_serve';
import { hashPassword } from '~/services/accounts/accounts';
import { createApp, type App } from '~/services/app';
import { listRoutes } from '../support/routes';
import { sendRaw, spellingsOf } from '../support/spellings';
import { signInAs, startServer, type TestServer } from '../support/server';

const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
const ROLES = ['viewer', 'editor', 'owner'] as const;

/** Which role each way into the studio needs: the table the doors are held against. */
const NEEDED: Readonly<Record<string, (typeof ROLES)[number]>> = {
  'GET /api/studio/bulk': 'viewer',
  'POST /api/studio/bulk': 'editor',
  'DELETE /api/studio/bulk/[id]': 'editor',
  'PUT /api/studio/categories': 'editor',
  'GET /api/studio/draft': 'viewer',
  'PATCH /api/studio/draft': 'editor',
  'PUT /api/studio/draft': 'editor',
  'POST /api/studio/draft/tries': 'editor',
  'POST /api/studio/erase': 'owner',
  'DELETE /api/studio/examples': 'editor',
  'POST /api/studio/examples': 'editor',
  'POST /api/studio/first-steps': 'editor',
  'GET /api/studio/grounds/currency': 'owner',
  'POST /api/studio/grounds/currency': 'owner',
  'GET /api/studio/grounds/zone': 'owner',
  'POST /api/studio/grounds/zone': 'owner',
  'POST /api/studio/icons': 'editor',
  'POST /api/studio/imports': 'editor',
  'GET /api/studio/imports/[id]': 'editor',
  'GET /api/studio/lane-map': 'viewer',
  'GET /api/studio/links': 'viewer',
  'POST /api/studio/layouts': 'editor',
  'DELETE /api/studio/layouts/[id]': 'editor',
  'PUT /api/studio/searches': 'editor',
  'PUT /api/studio/suggestions': 'editor',
  'POST /api/studio/suggestions/find': 'editor',
  'POST /api/studio/suggestions/orders': 'editor',
  'POST /api/studio/selection': 'viewer',
  'GET /api/studio/categories/[slug]': 'editor',
  'PUT /api/studio/categories/[slug]': 'editor',
  'GET /api/studio/offers/codes': 'owner',
  'GET /api/studio/offers/goods': 'editor',
  'POST /api/studio/offers/codes': 'owner',
  'POST /api/studio/offers/guard': 'editor',
  'POST /api/studio/offers/backtest': 'owner',
  'POST /api/studio/offers/free-from': 'owner',
  'GET /api/studio/orders': 'owner',
  'POST /api/studio/orders': 'owner',
  'POST /api/studio/orders/[id]': 'owner',
  'POST /api/studio/orders/dispatch': 'owner',
  'GET /api/studio/revisions/compare': 'viewer',
  'GET /api/studio/proofs': 'viewer',
  'PUT /api/studio/proofs/[piece]': 'editor',
  'PUT /api/studio/products/[slug]/reviews': 'editor',
  'GET /api/studio/products': 'viewer',
  'GET /api/studio/products/names': 'viewer',
  'GET /api/studio/products/of-sku': 'viewer',
  'POST /api/studio/products': 'editor',
  'DELETE /api/studio/products/[slug]': 'editor',
  'GET /api/studio/products/[slug]': 'viewer',
  'PUT /api/studio/products/[slug]': 'editor',
  'GET /api/studio/products/[slug]/options': 'viewer',
  'PUT /api/studio/products/[slug]/options': 'editor',
  'DELETE /api/studio/people': 'owner',
  'GET /api/studio/people/audit': 'owner',
  'DELETE /api/studio/people/invites': 'owner',
  'POST /api/studio/people/invites': 'owner',
  'POST /api/studio/people/password': 'viewer',
  'DELETE /api/studio/people/sessions': 'viewer',
  'POST /api/studio/publish': 'editor',
  'GET /api/studio/configuration': 'viewer',
  'GET /api/studio/configuration/schema': 'viewer',
  'POST /api/studio/configuration/check': 'editor',
  'POST /api/studio/configuration': 'editor',
  'GET /api/studio/texts': 'viewer',
  'POST /api/studio/texts/check': 'editor',
  'POST /api/studio/texts': 'editor',
  'GET /api/studio/plans': 'viewer',
  'POST /api/studio/plans': 'editor',
  'DELETE /api/studio/plans/[id]': 'editor',
  'GET /api/studio/samples': 'viewer',
  'GET /studio': 'viewer',
  'GET /studio/bench/[piece]': 'viewer',
  'GET /studio/catalogue': 'viewer',
  'GET /studio/catalogue/[slug]': 'viewer',
  'GET /studio/catalogue/[slug]/options': 'viewer',
  'GET /studio/catalogue/categories': 'editor',
  'GET /studio/catalogue/import': 'editor',
  'GET /studio/catalogue/searches': 'editor',
  'GET /studio/links': 'editor',
  'GET /studio/mailbox': 'owner',
  'GET /studio/offers': 'editor',
  'GET /studio/suggestions': 'editor',
  'GET /studio/mend': 'editor',
  'GET /studio/orders': 'owner',
  'GET /studio/orders/[id]': 'owner',
  'GET /studio/orders/[id]/print': 'owner',
  'GET /studio/people': 'viewer',
  'GET /studio/proof': 'viewer',
  'GET /studio/revisions': 'viewer',
  'GET /studio/seen': 'viewer',
  'GET /studio/words': 'viewer',
  'GET /studio/shop': 'viewer',
  'GET /studio/stretch/[stretch]': 'viewer',
};
const OPEN = ['/studio/begin', '/studio/enter', '/studio/forgot', '/studio/sign-in', '/studio/sign-out'];

describe('the doors', () => {
  const routes = listRoutes();
  let server: TestServer;
  let app: App;
  const cookies: Record<string, string> = {};
  before(async function () {
    this.timeout(60_000);
    server = await startServer(0.01);
    app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
    for (const role of ['viewer', 'editor'] as const) {
      await app.accounts.insert({
        email: `${role}@hollowtarn.example`,
        name: role,
        role,
        passwordHash: await hashPassword('windward'),
      });
    }
    for (const role of ROLES) cookies[role] = await signInAs(server.origin, `${role}@hollowtarn.example`);
  });
  after(async () => {
    await app.db.close();
    await server.stop();
  });

  /** All that a stranger must not change. */
  async function stored(): Promise<string> {
    const tables = [
      'products',
      'variants',
      'orders',
      'lane_draft',
      'lane_revisions',
      'accounts',
      'audit_entries',
      'uploads',
    ];
    const rows = await Promise.all(tables.map((table) => app.db.select(`SELECT * FROM ${table}`)));
    return createHash('sha256').update(JSON.stringify(rows)).digest('hex');
  }

  it('opens nothing to a stranger, however the address is written, and changes nothing', async function () {
    this.timeout(120_000);
    const before = await stored();
    const wrong: string[] = [];

    for (const { pattern, path: plain } of routes) {
      const isStudio = roleFor(pattern) !== null;
      for (const [i, spelling] of spellingsOf(plain).entries()) {
        for (const method of isStudio ? METHODS : (['GET'] as const)) {
          const headers = { origin: server.origin, 'content-type': 'application/json' };
          const { status } = await sendRaw(server.origin, spelling, {
            method,
            headers,
            ...(method !== 'GET' && { body: '{}' }),
          });
          const isLet = status >= 200 && status < 300 && (isStudio || i > 0) && !isSlashAtEnd(plain, spelling);
          if (isLet || status >= 500 || status === 0) wrong.push(`${method} ${spelling}: ${status}`);
        }
      }
    }

    expect(wrong).to.deep.equal([]);
    expect(await stored()).to.equal(before);
  });

  /** The one other way to write an address of the shop that is served: with a slash at the end. */
  function isSlashAtEnd(plain: string, spelling: string): boolean {
    return roleFor(plain) === null && spelling.replace(/\/$/, '') === plain.replace(/\/$/, '');
  }

  it('keeps closed what the framework adds', async () => {
    const paths = [
      '/_image?href=/media/hero.svg&w=10',
      '/_image',
      '/_server-islands/x',
      '/_actions/x',
      '/_astro/../_image',
    ];

    const statuses = await Promise.all(paths.map(async (asked) => (await sendRaw(server.origin, asked)).status));

    expect(statuses).to.deep.equal([404, 404, 404, 404, 400]);
  });

  it('serves every route of the contract where its name says, and nothing else, to the accounts of the table', async () => {
    const found: Record<string, string | undefined> = {};
    for (const { file, pattern } of routes.filter((route) => route.pattern.startsWith('/api/'))) {
      const module = (await import(pathToFileURL(path.resolve(file)).href)) as Record<string, APIRoute>;
      for (const method of ['ALL', ...METHODS])
        if (module[method]) {
          const name = routeOfHandler(module[method]);
          expect(name).to.equal(`${method} ${pattern}`);
          found[name!] = contract[name!].role;
        }
    }

    expect(Object.keys(found).sort()).to.deep.equal(Object.keys(contract).sort());
    const studio = Object.entries(found).filter(([, role]) => role !== 'anybody');
    const needed = Object.entries(NEEDED).filter(([way]) => way.includes('/api/'));
    expect(Object.fromEntries(studio)).to.deep.equal(Object.fromEntries(needed));
  });

  it('knows every page of the studio', () => {
    const pages = routes.filter(({ pattern }) => /^\/studio(\/|$)/.test(pattern) && !OPEN.includes(pattern));

    expect(pages.map(({ pattern }) => [`GET ${pattern}`, roleFor(pattern)])).to.deep.equal(
      pages.map(({ pattern }) => [`GET ${pattern}`, NEEDED[`GET ${pattern}`]]),
    );
    expect(roleFor('/studio/made-tomorrow')).to.equal('owner');
  });

  for (const role of ROLES)
    it(`lets the ${role} in where the table says, and nowhere else`, async function () {
      this.timeout(60_000);
      const wrong: string[] = [];

      for (const [way, needed] of Object.entries(NEEDED)) {
        const [method, pattern] = way.split(' ') as [string, string];
        const { path: plain } = routes.find((route) => route.pattern === pattern)!;
        const { status, headers } = await sendRaw(server.origin, plain, {
          method,
          headers: { cookie: cookies[role]!, origin: server.origin, 'content-type': 'application/json' },
          ...(!['GET', 'DELETE'].includes(method) && { body: '[]' }),
        });
        const isLetIn = ROLES.indexOf(role) >= ROLES.indexOf(needed);
        // A body that is none shows that the door was passed; a page that is not allowed leads back to the lane.
        const isRefused = status === 403 || (status === 303 && headers.location === '/studio');
        if (isLetIn === isRefused || status >= 500) wrong.push(`${way}: ${status}`);
      }

      expect(wrong).to.deep.equal([]);
    });
});
