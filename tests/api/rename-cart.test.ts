import { expect } from 'chai';
import { JSDOM } from 'jsdom';
import { signInOwner, startServer, type TestServer } from '../support/server';

/** What a page says: its texts and labels, shadow roots that came with it included. */
function saidBy(html: string): string {
  const bare = html.replaceAll(/<(style|script)\b.*?<\/\1>/gs, '').replaceAll(/<(\/?)template/g, '<$1section');
  const { document } = new JSDOM(bare).window;
  const labels = [...document.querySelectorAll('*')].flatMap((element) =>
    ['aria-label', 'title', 'alt', 'placeholder'].map((name) => element.getAttribute(name) ?? ''),
  );
  return `${document.title} ${document.body.textContent} ${labels.join(' ')}`;
}

const WORDS = { en: /\bcarts?\b/i, de: /warenkorb/i, ar: /سلة|سلتك/ } as const;

describe('a shop whose cart is called a bag', () => {
  let server: TestServer;
  before(async function () {
    this.timeout(60_000);
    server = await startServer(0);
  });
  after(() => server.stop());

  it('says so on every page, in every piece, mail and message, in every language, after one change', async function () {
    this.timeout(60_000);
    const { origin } = server;
    const headers = { cookie: await signInOwner(origin), origin, 'content-type': 'application/json' };
    const send = async (method: string, path: string, body: object, cookie = headers.cookie) => {
      const response = await fetch(origin + path, {
        method,
        headers: { ...headers, cookie },
        body: JSON.stringify(body),
      });
      return { status: response.status, cookie: response.headers.getSetCookie(), text: await response.text() };
    };
    const { edit } = (await (await fetch(`${origin}/api/studio/draft`, { headers })).json()) as { edit: number };
    const patch = [{ op: 'replace', path: '/shop/cart/kind', value: 'bag' }];
    await send('PATCH', '/api/studio/draft', { edit, patch });
    const published = await send('POST', '/api/studio/publish', { edit: edit + 1, note: '' });
    expect(published.status).to.equal(200);
    await new Promise((resolve) => setTimeout(resolve, 300));

    const found: string[] = [];
    const look = (where: string, text: string, word: RegExp) => {
      const hit = word.exec(text);
      if (hit) found.push(`${where}: …${text.slice(Math.max(0, hit.index - 30), hit.index + 20)}…`);
    };
    for (const [language, word] of Object.entries(WORDS)) {
      const mine = `pl_lang=${language}`;
      const added = await send('POST', '/api/cart', { kind: 'add', product: 'hoop-winder', quantity: 1 }, mine);
      const cart = `${mine}; ${added.cookie.find((one) => one.startsWith('pl_cart'))!.split(';')[0]}`;
      const seen = new Set<string>();
      const wanted = ['/shop/', '/shop/all', '/shop/cart', '/shop/checkout', '/shop/search?q=zzzz', '/shop/none'];
      while (wanted.length > 0 && seen.size < 40) {
        const path = wanted.shift()!;
        if (seen.has(path)) continue;
        seen.add(path);
        const response = await fetch(origin + path, { headers: { cookie: cart } });
        const html = await response.text();
        look(`${language} ${path}`, saidBy(html), word);
        for (const [, href] of html.matchAll(/href="(\/shop\/[^"#]*)"/g)) wanted.push(href!.replaceAll('&amp;', '&'));
      }
      expect(seen.size).to.be.greaterThan(30);
      const empty = await fetch(`${origin}/shop/cart`, { headers: { cookie: mine } });
      look(`${language} empty`, saidBy(await empty.text()), word);
      const manifest = (await (await fetch(`${origin}/api/manifest?lang=${language}`)).json()) as {
        offline: string;
        pieces: { kind: string; words: Record<string, string> }[];
      };
      look(`${language} offline`, manifest.offline, word);
      for (const piece of manifest.pieces)
        for (const text of Object.values(piece.words)) look(`${language} ${piece.kind}`, text, word);
      for (const refused of [
        await send('POST', '/api/orders', { key: crypto.randomUUID(), cartVersion: 9, form: {} }, mine),
        await send('POST', '/api/orders', { key: crypto.randomUUID(), cartVersion: 9, form: {} }, cart),
        await send('POST', '/api/cart', { kind: 'set', lineId: 'gone', quantity: 1 }, cart),
      ]) {
        expect(refused.status).to.be.greaterThan(399);
        const { problems } = JSON.parse(refused.text) as { problems: { message: string }[] };
        for (const { message } of problems) look(`${language} refused`, message, word);
      }
    }
    expect(found).to.deep.equal([]);
  });
});
