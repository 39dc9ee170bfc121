import type { Browser, BrowserContext } from '@playwright/test';
import { elsewhere, publishLink } from '../support/other-site';
import { changingTest as test, expect, PHONE, signIn, type Page, atRest } from './harness';

/** Texts that run where they are taken for more than text. */
const CORPUS = [
  '<img src=x onerror=ran("img")>',
  '"><script>ran("script")</script>',
  "' onmouseover='ran(\"attribute\")' x='",
  '</script><svg onload=ran("svg")>',
  '</textarea></title><iframe srcdoc="<script>parent.ran(1)</script>">',
  'javascript:ran("address")',
  '${ran("template")}{{ran("template")}}',
];
const hostile = CORPUS.join(' ');

/** A browser that notes what ran, with the policies that would stop it off: what is tested is the writing, not the net below. */
async function watched(browser: Browser, options: object = {}): Promise<{ context: BrowserContext; ran: string[] }> {
  const context = await browser.newContext({ bypassCSP: true, ...options });
  const ran: string[] = [];
  await context.exposeFunction('ran', (what: unknown) => void ran.push(String(what)));
  context.on('page', (page) => page.on('dialog', (dialog) => void dialog.dismiss()));
  return { context, ran };
}

/** Moves the pointer over all there is and lets what was started end. */
async function touch(page: Page): Promise<void> {
  await page.mouse.move(200, 200);
  await page.mouse.move(600, 400, { steps: 6 });
  await atRest(page);
}

test('names, pages that are pasted, parameters, messages and referrers are texts, and nothing in them runs', async ({
  browser,
  server,
}) => {
  test.setTimeout(180_000);
  const { origin } = server;
  const { context, ran } = await watched(browser);
  const page = await context.newPage();
  // That it would be seen if it ran.
  await page.setContent('<img src=x onerror=ran("seen")>');
  await expect.poll(() => ran.splice(0)).toEqual(['seen']);

  // Pasted: a page whose product is called like that, with scripts of its own.
  await signIn(page, origin, '/studio/catalogue/import');
  const product = {
    '@type': 'Product',
    name: `Kite ${hostile}`.slice(0, 180),
    sku: 'RUNS-1',
    description: hostile,
    brand: CORPUS[0],
    image: [CORPUS[5], 'https://fell.invalid/a.png"onerror="ran(2)'],
    offers: { price: 12, priceCurrency: 'EUR' },
  };
  const said = JSON.stringify(product).replaceAll('<', '\\u003c');
  const pasted = `<html><body onload='ran("pasted")'>${hostile}<script>ran("pasted")</script><script type="application/ld+json">${said}</script></body></html>`;
  await page.getByText('From pages or a feed').click();
  await page.getByLabel('Pages or a feed').fill(pasted);
  await expect(page.getByTestId('plan')).toContainText('1 new product');
  await page.getByRole('button', { name: 'Import 1 product' }).click();
  await expect(page.getByText('Imported.')).toBeVisible();
  await touch(page);

  // Where its name, texts and brand are shown to the owner.
  const site = await elsewhere('');
  const goods = { sku: 'RUNS-1', quantity: 1, code: CORPUS[1]!.slice(0, 40) };
  const id = await publishLink(server, { shape: 'card', goods, leads: 'cart' }, (sites) => sites.push(site.origin));
  // A page that tells health of itself, from an address like that.
  for (const path of CORPUS.map((text) => `/${text}`.slice(0, 200))) {
    const told = await fetch(`${origin}/api/seen`, {
      method: 'POST',
      headers: {
        origin: site.origin,
        'x-pl-site': '1',
        'content-type': 'application/json',
        referer: `${site.origin}${encodeURI(path)}`,
      },
      body: JSON.stringify({ path, links: [id], errors: 1 }),
    });
    expect(told.status, path).toBe(200);
  }
  const outputs: string[] = [];
  await page.goto(`${origin}/studio/links?piece=${id}`);
  for (const label of ['Link', 'HTML and script', 'HTML without script', 'HTML for mail', 'Frame']) {
    await page.getByRole('button', { name: label, exact: true }).click();
    outputs.push(await page.getByRole('textbox', { name: label, exact: true }).inputValue());
    await touch(page);
  }
  await expect(page.getByRole('row', { name: /onerror/ }).first()).toBeVisible();
  await page.getByLabel('Try a page').fill(pasted);
  await expect(page.getByRole('row', { name: /RUNS-1/ })).toBeVisible();
  await touch(page);
  for (const path of ['/studio/catalogue?q=RUNS-1', `/studio/bench/${id}`, '/studio/revisions']) {
    await page.goto(origin + path);
    // Messages of strangers to whoever is signed in.
    await page.evaluate((text) => {
      for (const data of [
        text,
        { pl: 'picked', part: text, word: text, html: text },
        { pl: 'manifest', manifest: { pieces: [{ css: text }] } },
      ])
        window.postMessage(data, '*');
    }, hostile);
    await touch(page);
  }
  expect(ran).toEqual([]);
  await context.close();

  // On a site, and in the shop.
  const shopper = await watched(browser, PHONE);
  const buyer = await shopper.context.newPage();
  for (const html of outputs.slice(1)) {
    const blog = await elsewhere(html);
    await buyer.goto(blog.origin);
    await touch(buyer);
    await blog.close();
  }
  const slug = ((await (await fetch(`${origin}/api/find-product?sku=RUNS-1`)).json()) as { slug: string }).slug;
  const wild = CORPUS.map(
    (text) =>
      `/shop/buy?${new URLSearchParams({ sku: text, code: text, to: text, link: text, quantity: text, [`option:${text}`]: text })}`,
  );
  const known = `/shop/buy?${new URLSearchParams({ sku: 'RUNS-1', code: hostile, 'option:name': hostile })}`;
  for (const path of [
    ...wild,
    known,
    `/shop/p/${slug}`,
    `/shop/search?q=${encodeURIComponent(hostile)}`,
    '/shop/all?sort=newest',
  ]) {
    await buyer.goto(origin + path, { referer: `http://127.0.0.1:1/${encodeURIComponent(hostile)}` });
    await buyer.evaluate((text) => window.postMessage({ pl: 'manifest', manifest: text, html: text }, '*'), hostile);
    await touch(buyer);
  }
  await buyer.goto(origin + known);
  await buyer.getByRole('button', { name: 'Add to cart' }).click();
  await buyer.waitForURL(/\/shop\/cart/);
  await expect(buyer.getByText(/Kite <img/).first()).toBeVisible();
  await touch(buyer);
  expect(shopper.ran).toEqual([]);
  await shopper.context.close();
  await site.close();
});
