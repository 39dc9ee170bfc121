import { definitionOf } from '~/pieces/definitions';
import { expect } from 'chai';
import type { ManifestPiece } from '~/core/lane';
import * as own from '~/runtime/own/page';
import * as elsewhere from '~/runtime/elsewhere/page';
import * as ownVisit from '~/runtime/own/visit';
import * as visit from '~/runtime/elsewhere/visit';
import { fakeServer, settled, withPage } from '../../support/page';

const SHOP = 'https://shop.example';

describe('a page of another site', () => {
  const { open } = withPage('https://blog.example/post');

  it('has all that a page of the shop has', () => {
    expect(Object.keys(own).filter((name) => !(name in elsewhere))).to.deep.equal([]);
    expect(Object.keys(ownVisit).filter((name) => !(name in visit))).to.deep.equal([]);
  });

  it('asks without cookies, and names the cart only where the cart is meant', async () => {
    open('<main></main>');
    const server = fakeServer();
    const page = elsewhere.pageOf(SHOP);

    await page.ask('/api/products/heron');
    await page.ask('/api/cart', { method: 'POST', body: '{}', headers: { 'content-type': 'application/json' } });
    await page.ask('/api/suggestions?near=heron');

    const [product, cart, suggestions] = server.asked.map(({ url, init }) => ({
      url: String(url),
      credentials: init?.credentials,
      token: new Headers(init?.headers).get('x-pl-cart'),
    }));
    expect(product).to.deep.equal({ url: `${SHOP}/api/products/heron`, credentials: 'omit', token: null });
    expect(cart!.url).to.equal(`${SHOP}/api/cart?lang=en`);
    expect(cart!.token).to.match(/^[0-9a-f]{36}$/);
    expect([suggestions!.token, suggestions!.credentials]).to.deep.equal([cart!.token, 'omit']);
    expect(globalThis.localStorage.getItem('pl_cart_token')).to.equal(cart!.token);
    server.restore();
  });

  it('shows what makes sense there, wherever in the shop it stands', () => {
    const piece = (kind: string): ManifestPiece => ({
      ...({ id: kind, kind, settings: { stands: 'header', hideEmpty: false } } as unknown as ManifestPiece),
      elsewhere: definitionOf(kind)!.elsewhere,
      where: {
        devices: ['phone'],
        pages: ['product'],
        categories: { mode: 'all' },
        products: { mode: 'all' },
        spot: null,
        order: 0,
      },
    });

    const shown = elsewhere.piecesFor(['cart-surface', 'checkout', 'listing', 'cart-opener'].map(piece));

    expect(shown.map(({ kind, where }) => [kind, where.pages, where.devices])).to.deep.equal([
      ['cart-surface', ['other', 'product'], ['phone']],
      ['cart-opener', ['other', 'product'], ['phone']],
    ]);
    expect(shown[1]!.settings).to.include({ stands: 'floating', hideEmpty: true });
  });

  it('takes the cart along to the shop, and the visit only of those who let it be recorded', async () => {
    open('<main></main>');
    const server = fakeServer();
    globalThis.localStorage.setItem('pl_cart_token', 'a'.repeat(36));
    const page = elsewhere.pageOf(SHOP);
    const visitsSent = () => server.asked.map(({ init }) => (JSON.parse(String(init.body)) as { visit: string }).visit);

    page.go('/shop/checkout');
    await settled();
    Object.defineProperty(navigator, 'globalPrivacyControl', { value: true, configurable: true });
    page.go('/shop/checkout');
    await settled();

    expect(server.asked.map(({ url }) => url)).to.deep.equal([`${SHOP}/api/carry`, `${SHOP}/api/carry`]);
    expect(visitsSent()[0]).to.match(/^[\w-]{6,60}$/);
    expect(visitsSent()[1]).to.equal('');
    server.restore();
  });

  it('keeps a visit for half an hour, with the site and not in its cookies', async () => {
    open('<main></main>');
    const id = visit.visitId();

    expect(visit.visitId()).to.equal(id);
    expect(document.cookie).to.equal('');
    expect(visit.visitSource()).to.equal('blog.example');
    globalThis.sessionStorage.setItem('pl_visit', `${id} ${Date.now() - 1}`);
    expect(visit.visitId()).not.to.equal(id);
    await settled();
  });
});
