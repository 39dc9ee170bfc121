import type { AstroCookies, AstroCookieSetOptions } from 'astro';
import { expect } from 'chai';
import { cartToken, ensureCartToken, keepVisit, setFlash, takeFlash, visitId } from '~/shop/cookies/cart-cookie';
import { keepOrderKey, orderKey } from '~/shop/cookies/order-cookie';

/** Cookies of one browser, as a page reads and writes them. */
function browserCookies(first: Readonly<Record<string, string>> = {}) {
  const held = new Map<string, { value: string; options: AstroCookieSetOptions }>(
    Object.entries(first).map(([name, value]) => [name, { value, options: {} }]),
  );
  const cookies = {
    get: (name: string) => held.get(name),
    set: (name: string, value: string, options: AstroCookieSetOptions) => void held.set(name, { value, options }),
    delete: (name: string) => void held.delete(name),
  };
  return { cookies: cookies as unknown as AstroCookies, held };
}
const TOKEN = '0f8fad5b-d9cb-469f-a165-70867728950e';

describe('cookies of the shop', () => {
  it('hold a cart by a secret no script reads, and take no other shape for one', () => {
    const { cookies, held } = browserCookies();
    expect(cartToken(cookies)).to.equal(null);
    const made = ensureCartToken(cookies, true);
    expect(ensureCartToken(cookies, true)).to.equal(made);
    expect(held.get('pl_cart')!.options).to.include({ httpOnly: true, secure: true, sameSite: 'lax', path: '/' });
    for (const wild of ['', 'x', `${TOKEN}0`, "' OR 1=1", '../../etc/passwd'])
      expect(cartToken(browserCookies({ pl_cart: wild }).cookies), wild).to.equal(null);
  });

  it('give way to the header in which another site sends its cart, and are not set for it', () => {
    const { cookies, held } = browserCookies();
    const headers = new Headers({ 'x-pl-cart': TOKEN });
    expect(ensureCartToken(cookies, true, headers)).to.equal(TOKEN);
    expect(held.size).to.equal(0);
    expect(cartToken(browserCookies({ pl_cart: TOKEN }).cookies, new Headers({ 'x-pl-cart': 'wild' }))).to.equal(null);
  });

  it('know no visit of a browser that asks to be left out', () => {
    const { cookies } = browserCookies();
    keepVisit(cookies, 'visit-1234', false);
    expect(visitId(cookies, new Headers())).to.equal('visit-1234');
    for (const name of ['dnt', 'sec-gpc']) expect(visitId(cookies, new Headers({ [name]: '1' })), name).to.equal(null);
    expect(visitId(browserCookies({ pl_visit: '<b>' }).cookies, new Headers())).to.equal(null);
  });

  it('say a message once', () => {
    const { cookies } = browserCookies();
    setFlash(cookies, 'Sold out.');
    expect(takeFlash(cookies)).to.equal('Sold out.');
    expect(takeFlash(cookies)).to.equal(null);
  });

  it('show an order to who made it, on its own page alone', () => {
    const { cookies, held } = browserCookies();
    expect(orderKey(cookies)).to.equal('');
    keepOrderKey(cookies, 'abc', 'key', true);
    expect(orderKey(cookies)).to.equal('key');
    expect(held.get('pl_order')!.options).to.include({ path: '/shop/thanks/abc', httpOnly: true, secure: true });
  });
});
