import type { Browser } from '@playwright/test';
import type { Product } from '~/core/catalogue';
import { signInOwner } from '../support/owner';
import { elsewhere, publishLink } from '../support/other-site';
import { changingTest as test, expect, expectAccessible, payForIt, PHONE, signIn, type Page } from './harness';

/** A browser that says it is driven by a program is not counted. */
const PERSON = {
  ...PHONE,
  userAgent: 'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36',
};

const person = async (browser: Browser, more: object = {}): Promise<Page> =>
  (await browser.newContext({ ...PERSON, ...more })).newPage();

async function skuOf(origin: string, slug: string): Promise<string> {
  const product = (await (await fetch(`${origin}/api/products/${slug}`)).json()) as Product;
  return product.variants[0]!.sku;
}

/** A buy link as the studio wrote it two forms ago: no language, no style, nothing but what it sells. */
const oldSnippet = (origin: string, sku: string, link: string) =>
  `<form action="${origin}/shop/buy" method="get"><input type="hidden" name="sku" value="${sku}"><input type="hidden" name="link" value="${link}"><button>Buy it</button></form>`;
const script = (origin: string) => `<script type="module" src="${origin}/rt/elsewhere.js"></script>`;

/** The page's site is known to be listed, and its links are taken over: the last thing it tells is where they stand. */
const listed = (page: Page) => page.waitForResponse((response) => response.url().endsWith('/api/seen'));

/** What the studio says came of the link; other tests may have used it before. */
async function used(page: Page): Promise<{ visits: number; orders: number }> {
  const said = await page.getByRole('region', { name: 'What came of it' }).innerText();
  const [, visits, orders] = /Used in (\d+) visits?, with (\d+) orders?/.exec(said) ?? ['', '0', '0'];
  return { visits: Number(visits), orders: Number(orders) };
}

/** From the page's own link to the cart to what was paid. */
async function payFromCart(page: Page): Promise<void> {
  await page.getByRole('link', { name: /^Cart \d/ }).click();
  const checkout = page.getByRole('dialog').getByRole('link', { name: /checkout/i });
  await checkout.last().click();
  await payForIt(page);
}

test('with the script a link is bought on the spot, and the cart comes along to the checkout', async ({
  page,
  server,
  browser,
}) => {
  test.setTimeout(150_000);
  const { origin } = server;
  const sku = await skuOf(origin, 'ground-stake');
  // Where the page is from is known once it is served; what is on it is written then.
  let html = '';
  const blog = await elsewhere(() => html);
  const id = await publishLink(server, { leads: 'cart', goods: { sku, quantity: 1, code: '' } }, (sites) =>
    sites.push(blog.origin),
  );
  await signIn(page, origin, `/studio/links?piece=${id}`);
  await page.getByRole('button', { name: 'HTML and script', exact: true }).click();
  const written = await page.getByRole('textbox', { name: 'HTML and script' }).inputValue();
  expect(written).toContain('/rt/elsewhere.js');
  const before = await used(page);
  html = `<style>*{all:revert!important}button{text-transform:uppercase}</style>${written}${oldSnippet(origin, sku, id)}${script(origin)}`;

  const shopper = await person(browser);
  const asked: string[] = [];
  shopper.on('request', (request) => asked.push(new URL(request.url()).pathname));
  const ready = listed(shopper);
  await shopper.goto(blog.origin);
  await ready;
  const buttons = shopper.getByRole('button', { name: 'Buy it' });
  await expect(buttons).toHaveCount(2);
  await expect.poll(() => asked.filter((path) => path === '/api/manifest').length).toBe(1);
  await buttons.first().click();
  await expect(shopper.getByRole('dialog', { name: 'Your cart' })).toBeVisible();
  expect(shopper.url().startsWith(blog.origin)).toBe(true);
  await expectAccessible(shopper, 'a cart on another site');
  await shopper.keyboard.press('Escape');
  // A snippet two forms behind sells the same.
  await buttons.last().click();
  await expect(shopper.getByRole('dialog')).toBeVisible();
  expect(asked.filter((path) => path === '/api/manifest')).toHaveLength(1);
  // Loaded anew, the page still has the cart.
  await shopper.reload();
  await expect.poll(() => asked.filter((path) => path === '/api/manifest').length).toBe(2);
  // A link that leads to the popup, written into the page afterwards, as single-page sites do.
  await shopper.evaluate(
    (href) => document.body.append(Object.assign(document.createElement('a'), { href, textContent: 'Pop' })),
    `${origin}/shop/buy?sku=${sku}&to=popup&link=${id}`,
  );
  await shopper.getByRole('link', { name: 'Pop' }).click();
  await shopper
    .getByRole('dialog', { name: 'Added to your cart' })
    .getByRole('link', { name: /checkout/i })
    .click();
  await payForIt(shopper);
  await expect(shopper.getByText('3 × Ground Stake')).toBeVisible();
  await shopper.context().close();

  // What the owner reads: where it was seen, and the one visit that went from the blog to an order.
  await page.reload();
  await expect(page.getByRole('row', { name: new RegExp(blog.origin) })).toContainText('Buy link');
  await expect(page.getByText(/^Shown \d+ times? on \d+ pages? with the script/)).toBeVisible();
  expect(await used(page)).toEqual({ visits: before.visits + 1, orders: before.orders + 1 });
  await blog.close();
});

test('a site that is not listed sells by the form alone, and the owner learns of it', async ({
  page,
  server,
  browser,
}) => {
  const { origin } = server;
  const sku = await skuOf(origin, 'ground-stake');
  const blog = await elsewhere(oldSnippet(origin, sku, 'buy-link') + script(origin));
  const shopper = await person(browser);
  // What the script tells of the page is what is refused.
  const refusal = shopper.waitForEvent('requestfailed', (request) => request.url().includes('/api/seen'));
  await shopper.goto(blog.origin);
  await refusal;
  await shopper.getByRole('button', { name: 'Buy it' }).click();
  await shopper.waitForURL(/\/shop\/buy\?/);
  await expect(shopper.getByRole('button', { name: 'Add to cart' })).toBeVisible();
  await shopper.context().close();

  await signIn(page, origin, '/studio/links');
  const refused = page.getByRole('status').filter({ hasText: `calls itself ${blog.origin} was refused` });
  await expect(refused).toBeVisible();
  // Anybody can call a page so: it offers no button.
  await expect(refused.getByRole('button')).toHaveCount(0);
  await blog.close();
});

test('where storage is shut, and where the policy forbids our script, the same snippet still sells', async ({
  server,
  browser,
}) => {
  test.setTimeout(120_000);
  const { origin } = server;
  const sku = await skuOf(origin, 'ground-stake');
  let html = '';
  const strict = await elsewhere(() => html, `default-src 'none'; style-src 'unsafe-inline'; form-action ${origin}`);
  const shut = await elsewhere(
    () =>
      `<script>for(const name of ['localStorage','sessionStorage'])Object.defineProperty(window,name,{get(){throw new DOMException('denied','SecurityError')}})</script>${html}`,
  );
  await publishLink(server, {}, (sites) => sites.push(strict.origin, shut.origin));
  html = oldSnippet(origin, sku, 'buy-link') + script(origin);

  const blocked = await person(browser);
  await blocked.goto(strict.origin);
  await blocked.getByRole('button', { name: 'Buy it' }).click();
  await blocked.waitForURL(/\/shop\/buy\?/);
  await blocked.getByRole('button', { name: 'Add to cart' }).click();
  await expect(blocked.getByText('Ground Stake').first()).toBeVisible();
  await blocked.context().close();

  const without = await person(browser);
  const ready = listed(without);
  await without.goto(shut.origin);
  await ready;
  await without.getByRole('button', { name: 'Buy it' }).click();
  await without
    .getByRole('dialog')
    .getByRole('link', { name: /checkout/i })
    .click();
  await payForIt(without);
  await expect(without.getByText('1 × Ground Stake')).toBeVisible();
  await without.context().close();
  await Promise.all([strict.close(), shut.close()]);
});

test('forty snippets on a page ask for one manifest, move nothing, and change nothing of the page around them', async ({
  server,
  browser,
}) => {
  const { origin } = server;
  const sku = await skuOf(origin, 'ground-stake');
  let html = '';
  const blog = await elsewhere(() => html);
  await publishLink(server, {}, (sites) => sites.push(blog.origin));
  const many = Array.from({ length: 40 }, (_, i) => oldSnippet(origin, sku, `buy-link-${i}`)).join(
    '<p>Wind, and more wind.</p>',
  );
  html = `<style>body{direction:rtl;background:#101820;color:#eee}*{box-sizing:content-box;line-height:2}</style><h1>A blog</h1>${many}${script(origin)}${script(origin)}`;
  const shopper = await person(browser);
  const asked: string[] = [];
  shopper.on('request', (request) => asked.push(new URL(request.url()).pathname));
  await shopper.addInitScript(() => {
    const page = window as unknown as { shift: number };
    page.shift = 0;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as unknown as { value: number; hadRecentInput: boolean }[])
        if (!entry.hadRecentInput) page.shift += entry.value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  /** Every computed style of some elements, `html color:red` each. */
  const styles = () =>
    shopper.evaluate(() => {
      // What has the focus looks like it.
      (document.activeElement as HTMLElement | null)?.blur();
      return ['html', 'body', 'main', 'h1', 'p', 'form', 'button'].flatMap((name) => {
        const style = getComputedStyle(document.querySelector(name)!);
        return [...style].map((property) => `${name} ${property}:${style.getPropertyValue(property)}`);
      });
    });
  const globals = () => shopper.evaluate(() => Object.getOwnPropertyNames(window).sort());
  // As the page is by itself: nothing of the shop answers.
  await shopper.route(`${origin}/**`, (route) => route.abort());
  await shopper.goto(blog.origin);
  const [before, namesBefore] = [await styles(), await globals()];
  await shopper.unroute(`${origin}/**`);

  const seen = shopper.waitForResponse((response) => response.url().endsWith('/api/seen'));
  asked.length = 0;
  await shopper.reload();
  expect(((await seen).request().postDataJSON() as { links: string[] }).links).toHaveLength(40);
  expect(asked.filter((path) => path === '/api/manifest')).toHaveLength(1);
  expect((await styles()).filter((style) => !before.includes(style))).toEqual([]);
  expect((await globals()).filter((name) => !namesBefore.includes(name))).toEqual([]);
  // Also while something lies over the page, and after it.
  await shopper.getByRole('button', { name: 'Buy it' }).first().click();
  await expect(shopper.getByRole('dialog')).toBeVisible();
  await shopper.keyboard.press('Escape');
  await expect(shopper.getByRole('dialog')).toHaveCount(0);
  expect((await styles()).filter((style) => !before.includes(style))).toEqual([]);
  expect(await shopper.evaluate(() => (window as unknown as { shift: number }).shift)).toBe(0);
  await shopper.context().close();
  await blog.close();
});

test('a shop that was not built here gets bar, quick view and cart by one tag, and its owner tries its pages out', async ({
  page,
  server,
  browser,
}) => {
  test.setTimeout(120_000);
  const { origin } = server;
  const stake = await skuOf(origin, 'ground-stake');
  const winder = (await (await fetch(`${origin}/api/products/carbon-spar`)).json()) as Product;
  let html = '';
  const other = await elsewhere(() => html);
  // What Where says of categories holds on pages that know nothing of them.
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    lane.pieces['buy-bar']!.where.categories = { mode: 'only', slugs: [winder.categories[0]!.slug] };
  });
  await publishLink(server, {}, (sites) => sites.push(other.origin));
  const chosen = winder.variants[1]!;
  const said = `<h1>A spar</h1><b class="nr">${chosen.sku}</b>`;

  await signIn(page, origin, '/studio/links');
  await page.getByLabel('Try a page').fill(`<title>x</title><script>document.title = 'ran'</script>${said}`);
  await expect(page.getByText('No SKU was found')).toBeVisible();
  await page.getByText('Its SKU is not found').click();
  await page.getByRole('textbox', { name: 'SKU' }).fill('.nr');
  await expect(page.getByText(`This is “${winder.name}” of your catalogue.`)).toBeVisible();
  await expect(page.getByRole('row', { name: /SKU/ })).toContainText('selector');
  const promised = page.getByTestId('comes-up');
  await expect(promised.getByRole('listitem').filter({ hasText: /^Buy bar/ })).toBeVisible();
  await expect(promised).not.toContainText('Not Buy bar');

  const tag = await page.getByLabel('The tag').inputValue();
  expect(tag).toContain('data-sku=".nr"');
  const outside = (await (await fetch(`${origin}/api/products/hollowtarn-mug`)).json()) as Product;
  await page.getByLabel('Try a page').fill(`<b class="nr">${outside.variants[0]!.sku}</b>`);
  await expect(promised).toContainText('Not Buy bar: Where leaves this product out.');
  await expectAccessible(page, 'buy links, with a page tried');

  html = `${said}<p style="height:1200px">Wind.</p><button data-pl-look="${stake}">Look at stakes</button><a href="#c" data-pl-cart>Cart <span data-pl-count></span></a>${tag}`;
  const shopper = await person(browser);
  await shopper.goto(other.origin);
  const bar = shopper.locator('pl-buy-bar');
  await expect(bar.getByText(winder.name).first()).toBeVisible();

  await bar.getByRole('button', { name: /add/i }).click();
  await expect(shopper.getByRole('dialog')).toBeVisible();
  await expect(shopper.getByRole('dialog')).toContainText(winder.name);
  await shopper.keyboard.press('Escape');
  await expect(shopper.locator('[data-pl-count]')).toHaveText('1');
  await shopper.getByRole('button', { name: 'Look at stakes' }).click();
  const look = shopper.getByRole('dialog');
  await expect(look).toContainText('Ground Stake');
  await look.getByRole('button', { name: 'Add to cart' }).click();
  await expect(shopper.locator('[data-pl-count]')).toHaveText('2');
  expect(shopper.url().startsWith(other.origin)).toBe(true);
  await shopper.keyboard.press('Escape');
  await payFromCart(shopper);
  // The variant of the page, and what was looked at.
  await expect(shopper.getByText(`1 × ${winder.name}`)).toBeVisible();
  await expect(shopper.getByText(Object.values(chosen.choices).join(', '), { exact: true })).toBeVisible();
  await expect(shopper.getByText('1 × Ground Stake')).toBeVisible();
  await shopper.context().close();
  await other.close();
});

test('a file for an option is given on another site, and comes along to the order', async ({ server, browser }) => {
  test.setTimeout(120_000);
  const sku = await skuOf(server.origin, 'sail-your-own');
  let html = '';
  const blog = await elsewhere(() => html);
  await publishLink(server, {}, (sites) => sites.push(blog.origin));
  html = `<button data-pl-look="${sku}">Look at it</button><a href="#c" data-pl-cart>Cart <span data-pl-count></span></a>${script(server.origin)}`;
  const shopper = await person(browser);
  await shopper.goto(blog.origin);
  await shopper.getByRole('button', { name: 'Look at it' }).click();
  const look = shopper.getByRole('dialog');
  await look.getByText('Own artwork').click();
  await look.getByText('No tail').click();
  const lake = '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><path d="M0 9h9"/></svg>';
  const file = { name: 'lake.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(lake) };
  await look.getByLabel('Your artwork').setInputFiles(file);
  // Its name is said; only the shop's own pages can show it.
  await expect(look.getByText('lake.svg', { exact: true })).toBeVisible();
  await expect(look.getByRole('link', { name: 'lake.svg' })).toHaveCount(0);
  await look.getByRole('button', { name: 'Add to cart' }).click();
  await expect(shopper.locator('[data-pl-count]')).toHaveText('1');
  await shopper.keyboard.press('Escape');
  await payFromCart(shopper);

  await expect(shopper.getByText('lake.svg')).toBeVisible();
  await shopper.context().close();
  await blog.close();
});
