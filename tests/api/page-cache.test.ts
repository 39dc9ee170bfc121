import { expect } from 'chai';
import { createApp, type App } from '~/services/app';
import { startServer, type TestServer } from '../support/server';

describe('pages that were drawn before', () => {
  let server: TestServer;
  let app: App;
  before(async function () {
    this.timeout(60_000);
    server = await startServer(0);
    app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
  });
  after(async () => {
    await app.close();
    await server.stop();
  });

  const get = (path: string, headers: Record<string, string> = {}) =>
    fetch(server.origin + path, { headers, redirect: 'manual' });
  /** What is told from memory carries its length. */
  const isFromMemory = (response: Response) => response.headers.get('content-length') !== null;
  const cartOf = async (quantity: number) => {
    const added = await fetch(`${server.origin}/api/cart`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ kind: 'add', product: 'hoop-winder', quantity }),
    });
    return added.headers.get('set-cookie')!.split(';')[0]!;
  };

  it('are given to the next in the same words and under the same policies, and 304 to those who have them', async () => {
    const first = await get('/shop/all?sort=name');
    const next = await get('/shop/all?sort=name');
    const etag = next.headers.get('etag')!;
    const again = await get('/shop/all?sort=name', { 'if-none-match': etag });

    expect([isFromMemory(first), isFromMemory(next), again.status]).to.deep.equal([false, true, 304]);
    expect(await next.text()).to.equal(await first.text());
    for (const header of ['content-security-policy', 'x-content-type-options', 'cache-control', 'etag'])
      expect(next.headers.get(header), header).to.equal(first.headers.get(header));
    expect(next.headers.get('content-security-policy')).to.include("default-src 'self'");
  });

  it('say how much is in the cart of whoever has one, and nothing else of it', async () => {
    await get('/shop/');
    const cookie = await cartOf(3);
    const [own, other] = await Promise.all([get('/shop/', { cookie }), get('/shop/')]);

    expect(own.headers.get('etag')).to.equal(null);
    const [ownText, otherText] = [await own.text(), await other.text()];
    expect(ownText).to.include('<span class="count" data-pl-count>3</span>');
    expect(otherText).to.equal(ownText.replace('data-pl-count>3<', 'data-pl-count hidden>0<'));
  });

  it('are not kept of a cart that is named in another spelling', async () => {
    const [, token] = (await cartOf(2)).split('=');
    const encoded = `%${token!.charCodeAt(0).toString(16)}${token!.slice(1)}`;
    const spellings = [`pl_cart="${token}"`, `pl_cart =${token}`, `pl_cart=${encoded}`, `pl_cart=x; pl_cart=${token}`];
    for (const [i, cookie] of spellings.entries()) {
      await get(`/shop/all?page=${i + 2}`, { cookie });
      const other = await get(`/shop/all?page=${i + 2}`);
      expect(isFromMemory(other), cookie).to.equal(false);
      expect(await other.text(), cookie).to.include('data-pl-count hidden>0<');
    }
  });

  it('are not kept of the shop’s own people, nor told to them: they are told more', async () => {
    const cookie = 'pl_sign_in=anything';
    await get('/shop/p/heron', { cookie });
    expect(isFromMemory(await get('/shop/p/heron'))).to.equal(false);
    expect(isFromMemory(await get('/shop/p/heron', { cookie }))).to.equal(false);
    expect(isFromMemory(await get('/shop/p/heron'))).to.equal(true);
  });

  it('go when something of the catalogue changes, or is sold', async () => {
    await get('/shop/p/heron');
    await get('/shop/c/figures');
    const heron = (await app.catalogue.findProduct('heron'))!;
    const [variant] = heron.variants;
    expect(await (await get('/shop/p/heron')).text()).not.to.include('Only 1 left');
    await app.db.run('UPDATE stock_levels SET quantity = 1 WHERE variant_id = $id', { id: variant!.id });
    await app.catalogue.recordSale([{ variantId: variant!.id, quantity: 1 }]);
    await new Promise((resolve) => setTimeout(resolve, 300));

    expect(isFromMemory(await get('/shop/p/heron'))).to.equal(false);
  });

  it('have a new category at once; many of them fold behind the first eight', async () => {
    const nav = async () => {
      const text = await (await get('/shop/')).text();
      const names = (html: string) => html.match(/href="\/shop\/c\//g)?.length ?? 0;
      const [, inNav] = /<nav class="wrap nav"[^>]*>(.*?)<\/nav>/s.exec(text)!;
      const [row, folded = ''] = inNav!.split('<details');
      return [names(row!), names(folded)];
    };
    const [before, none] = await nav();
    expect(none).to.equal(0);
    for (let i = 0; i < 20; i += 1)
      await app.db.run(
        `INSERT INTO categories (slug, name, description, image_src, position) VALUES ($slug, $slug, '', '', 90)`,
        { slug: `shelf-${i}` },
      );
    await app.db.run('UPDATE catalogue_state SET version = version + 1, stock = stock + 1');
    await new Promise((resolve) => setTimeout(resolve, 300));

    expect(await nav()).to.deep.equal([8, before! + 20 - 8]);
    await app.db.run(`DELETE FROM categories WHERE slug LIKE 'shelf-%'`);
    await app.db.run('UPDATE catalogue_state SET version = version + 1, stock = stock + 1');
  });

  it('are nobody’s who has a message waiting, and another language’s for another language', async () => {
    await get('/shop/all?lang=de');
    const newcomer = await get('/shop/all?lang=de');
    const german = { cookie: 'pl_lang=de' };
    await get('/shop/all?lang=de', german);
    const settled = await get('/shop/all?lang=de', german);
    const told = await get('/shop/all?lang=de', { cookie: 'pl_lang=de; pl_flash=Hello' });

    expect(newcomer.headers.get('set-cookie')).to.match(/^pl_lang=de;/);
    expect([isFromMemory(settled), settled.headers.get('set-cookie')]).to.deep.equal([true, null]);
    expect(await settled.text()).to.match(/<html[^>]* lang="de"/);
    expect([isFromMemory(told), await told.text()][1]).to.include('Hello');
  });

  it('lead on in the language a shopper chose, from every page, and back', async () => {
    const german = { cookie: 'pl_lang=de' };
    const moved = await get('/shop/cart?x=1', german);
    const text = await (await get('/shop/c/figures?lang=de', german)).text();
    const arabic = await (await get('/shop/?lang=ar')).text();
    const back = await get('/shop/?lang=en', german);

    expect([moved.status, moved.headers.get('location')]).to.deep.equal([302, '/shop/cart?x=1&lang=de']);
    const links = [...text.matchAll(/<a[^>]* href="(\/shop[^"]*)"/g)].map(([, href]) => href!);
    const own = links.filter((href) => !/lang=(en|ar)/.test(href));
    expect(own.filter((href) => !href.includes('lang=de'))).to.deep.equal([]);
    expect(links.filter((href) => /lang=(en|ar)/.test(href))).to.have.length(2);
    expect(arabic).to.match(/<html[^>]* dir="rtl"/);
    expect(back.headers.get('set-cookie')).to.match(/^pl_lang=en;/);
  });

  it('are never kept of a cart, a checkout or an address that does not exist', async () => {
    for (const path of ['/shop/cart', '/shop/p/none', '/shop/c/none', '/shop/none']) {
      await get(path);
      expect(isFromMemory(await get(path)), path).to.equal(false);
    }
  });

  it('tell the manifest of each language from memory', async () => {
    const [english, german] = await Promise.all([get('/api/manifest'), get('/api/manifest?lang=de')]);

    expect((await german.json()) as object).to.include({ language: 'de' });
    expect((await english.json()) as object).to.include({ language: 'en' });
    expect((await get('/api/manifest?draft=x')).status).to.equal(422);
  });
});
