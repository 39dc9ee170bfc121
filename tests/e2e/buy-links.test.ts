import type { Product } from '~/core/catalogue';
import { DEMO_LINKS } from '../../demo/links';
import { startOutside } from '../../outside/serve';
import { elsewhere, publishLink } from '../support/other-site';
import { signInOwner } from '../support/owner';
import {
  changingTest,
  expect,
  expectAccessible,
  fillCheckout,
  payForIt,
  phonePage,
  signIn,
  type Page,
} from './harness';

const test = changingTest;

/** Takes what the studio says of one form of a link. */
async function outputOf(page: Page, label: string): Promise<string> {
  await page.getByRole('button', { name: label, exact: true }).click();
  return page.getByRole('textbox', { name: label, exact: true }).inputValue();
}

/** Presses what leads to the shop, adds, pays, and reads what was ordered. */
async function buyFrom(page: Page, press: () => Promise<void>): Promise<void> {
  await press();
  await page.waitForURL(/\/shop\/buy\?/);
  await expect(page.getByRole('heading', { name: '2 × Ground Stake' })).toBeVisible();
  await expect(page.locator('[data-pl-count]').first()).toBeHidden();
  await page.getByRole('button', { name: 'Add to cart' }).click();
  await page.waitForURL(/\/shop\/checkout/);
  await fillCheckout(page);
  await page.locator('button[name=intent][value=order]').click();
  await page.waitForURL(/\/shop\/thanks\//);
  await expect(page.getByText('2 × Ground Stake')).toBeVisible();
  await expect(page.getByText(/LINKED|Linked/).first()).toBeVisible();
}

test('a buy link is made, and leads to a paid order from another site, a mail and a page without script', async ({
  page,
  server,
  browser,
}) => {
  test.setTimeout(150_000);
  const id = await publishLink(server);
  await signIn(page, server.origin, `/studio/links?piece=${id}`);
  await expect(page.getByRole('heading', { name: /Ground Stake/ })).toBeVisible();
  await expectAccessible(page, 'buy links');
  const link = await outputOf(page, 'Link');
  const html = await outputOf(page, 'HTML without script');
  await expect(page.frameLocator('iframe[title="How it looks"]').getByText('Buy it')).toBeVisible();
  const mail = await outputOf(page, 'HTML for mail');
  expect(await outputOf(page, 'Frame')).toContain(`/shop/embed?piece=${id}`);
  const framed = page.frameLocator('iframe[title="How it looks"]').frameLocator('iframe');
  await expect(framed.getByRole('link', { name: 'Buy it' })).toBeVisible();

  for (const [what, snippet, javaScriptEnabled] of [
    ['a link', `<a href="${link.replaceAll('&', '&amp;')}">Buy it</a>`, true],
    ['plain HTML, under a strict policy', html, true],
    ['plain HTML, without script', html, false],
    ['mail', mail, true],
  ] as const) {
    const form = snippet === html ? `form-action ${server.origin}` : '';
    const blog = await elsewhere(snippet, `default-src 'none'; style-src 'unsafe-inline'; img-src *; ${form}`);
    // A browser that says it is driven by a program is not counted.
    const userAgent =
      'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36';
    const context = await browser.newContext({ javaScriptEnabled, userAgent, viewport: { width: 390, height: 844 } });
    const shopper = await context.newPage();
    await shopper.goto(blog.origin);
    const pressed = shopper.getByText('Buy it').last();
    await expect(pressed, what).toBeVisible();
    await buyFrom(shopper, () => pressed.click());
    await context.close();
    await blog.close();
  }
  // Three of the four could be recorded: without script nothing is.
  await page.reload();
  await expect(page.getByText(/^Used in 3 visits, with 3 orders for €\d+\.\d\d in all\.$/)).toBeVisible();
});

test('a frame shows the piece on the sites that are listed, and on no others', async ({ page, server }) => {
  const frameOf = (id: string) =>
    `<iframe src="${server.origin}/shop/embed?piece=${id}" width="340" height="520"></iframe>`;
  const [listed, other] = [await elsewhere(frameOf('buy-link')), await elsewhere(frameOf('buy-link'))];
  const id = await publishLink(server, {}, (sites) => sites.push(listed.origin));
  expect(id).toBe('buy-link');
  await page.goto(listed.origin);
  const press = page.frameLocator('iframe').getByRole('link', { name: 'Buy it' });
  await expect(press).toBeVisible();
  await buyFrom(page, () => press.click());
  await page.goto(other.origin);
  await expect(page.frameLocator('iframe').getByText('Buy it')).toHaveCount(0);
  await Promise.all([listed.close(), other.close()]);
});

test('looking at a link changes nothing, and one that is old, sold out or wild leads to a page that helps', async ({
  server,
  browser,
}) => {
  const page = await phonePage(browser);
  const stake = (await (await fetch(`${server.origin}/api/products/ground-stake`)).json()) as {
    variants: { sku: string; stock: number }[];
  };
  const [{ sku, stock }] = stake.variants as [{ sku: string; stock: number }];
  for (let i = 0; i < 3; i += 1) await page.goto(`${server.origin}/shop/buy?sku=${sku}&quantity=1`);
  await expect(page.locator('[data-pl-count]').first()).toBeHidden();
  await expectAccessible(page, 'where a link leads');

  await page.goto(`${server.origin}/shop/buy?sku=${sku}&quantity=999`);
  await expect(page.getByText(`Only ${stock} left`)).toBeVisible();
  await page.getByRole('link', { name: 'Details' }).click();
  await page.waitForURL(/\/shop\/p\/ground-stake/);

  const made = (await (await fetch(`${server.origin}/api/products/sail-your-own`)).json()) as {
    variants: { sku: string }[];
  };
  await page.goto(`${server.origin}/shop/buy?sku=${made.variants[0]!.sku}`);
  await expect(page.getByText(/still to be chosen|Add to cart/)).toBeVisible();

  for (const wild of ['', '?sku=gone', '?sku=%3Cscript%3E&quantity=-1&to=//evil&link=%00', `?sku=${'x'.repeat(300)}`]) {
    const answer = await page.goto(`${server.origin}/shop/buy${wild}`);
    expect([400, 404], wild).toContain(answer!.status());
    if (answer!.status() === 404)
      await expect(page.getByRole('heading', { name: 'This is not sold any more' })).toBeVisible();
  }
  await page.context().close();
});

test('the blog, its newsletter, a strict page and one in Arabic lead to orders of the whole choice', async ({
  page,
  server,
}) => {
  test.setTimeout(120_000);
  const outside = await startOutside(server.origin);
  const landsOn = async (name: string) => {
    await page.waitForURL(/\/shop\/buy\?/);
    await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Add to cart' })).toBeVisible();
  };
  const nameOf = async (slug: string, sku: string) => {
    const product = (await (await fetch(`${server.origin}/api/products/${slug}`)).json()) as Product;
    return [product.name, ...Object.values(product.variants.find((one) => one.sku === sku)!.choices)].join(', ');
  };
  const heron = await nameOf('heron', DEMO_LINKS['blog-text'].sku);
  /** Adds what is landed on, pays, and reads what was ordered. */
  const pay = async (name: string) => {
    await page.getByRole('button', { name: 'Add to cart' }).click();
    await page.waitForURL(/\/shop\/(cart|checkout)/);
    await page.goto(`${server.origin}/shop/checkout`);
    await fillCheckout(page);
    await page.locator('button[name=intent][value=order]').click();
    await page.waitForURL(/\/shop\/thanks\//);
    await expect(page.locator('[data-part=summary]')).toContainText(`1 × ${name.split(',')[0]}`);
  };
  for (const [path, text, title] of [
    ['/', 'Heron', heron],
    ['/strict', 'Buy the Heron', heron],
  ] as const) {
    await page.goto(outside.origin + path);
    await page.getByRole('link', { name: text, exact: true }).last().click();
    await landsOn(title);
  }
  await pay(heron);
  const lapwing = await nameOf('lapwing-delta', DEMO_LINKS['newsletter-card'].sku);
  await page.goto(`${outside.origin}/newsletter`);
  await page.getByRole('link', { name: 'Buy it', exact: true }).last().click();
  await landsOn(lapwing);
  await pay(lapwing);
  // With its code: ten in a hundred less.
  await expect(page.locator('.totals')).toContainText('−€6.40');
  await page.goto(`${outside.origin}/`);
  await page.getByRole('button', { name: 'Buy two winders' }).click();
  await landsOn('2 × Hoop Winder');
  expect(new URL(page.url()).searchParams.get('link')).toBe('blog-pair');
  await page.goto(`${outside.origin}/rtl`);
  await page.getByRole('button', { name: 'اشترِه' }).click();
  const slate = await nameOf('heron', DEMO_LINKS['arabic-card'].sku);
  await landsOn(slate);
  await pay(slate);
  outside.server.closeAllConnections();
  outside.server.close();
});

test('a card is made wider by dragging its edge, and by keys', async ({ page, server }) => {
  const goods = { sku: DEMO_LINKS['blog-text'].sku, quantity: 1, code: '' };
  const id = await publishLink(server, { shape: 'card', width: 320, goods });
  await signIn(page, server.origin, `/studio/links?piece=${id}`);
  const width = async () => /max-width:(\d+)px/.exec(await outputOf(page, 'HTML without script'))![1];
  expect(await width()).toBe('320');
  const edge = page.getByRole('slider', { name: 'Width' });
  const box = (await edge.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + 40];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 62, y, { steps: 5 });
  await page.mouse.up();
  expect(await width()).toBe('260');
  const card = page.frameLocator('iframe[title="How it looks"]').locator('form > div').first();
  await expect.poll(async () => Math.round((await card.boundingBox())!.width)).toBeLessThanOrEqual(262);
  await edge.press('ArrowRight');
  expect(await width()).toBe('270');
});

/** What leads to the shop: pasted as it is, or an address in a link of the page's own. */
const FORMS = ['Link', 'Link to the checkout', 'HTML without script', 'HTML and script', 'HTML for mail', 'Frame'];

test('every shape in every form leads to a paid order of what was chosen: nothing is chosen twice', async ({
  page,
  server,
  browser,
}) => {
  test.setTimeout(420_000);
  const sewn = (await (await fetch(`${server.origin}/api/products/sail-your-own`)).json()) as Product;
  const [variant] = sewn.variants;
  const answers = { name: 'Ada of the Lake', lettering: 'copper', printing: 'none', tail: 'no' };
  let html = '';
  const blog = await elsewhere(() => html);
  for (const shape of ['text', 'button', 'card', 'page']) {
    // One each: there are not so many on the shelf.
    const goods = { sku: variant!.sku, quantity: 1, code: 'LINKED', answers };
    const id = await publishLink(server, { shape, goods, leads: 'checkout' }, (sites) => sites.push(blog.origin));
    await signIn(page, server.origin, `/studio/links?piece=${id}`);
    // What the link says it costs with its code is what is charged.
    const withCode = Number((await page.locator('section h2 + span').innerText()).replace(/[^\d.]/g, ''));
    // An address has no shape.
    for (const form of shape === 'text' ? FORMS : FORMS.slice(2)) {
      const output = await outputOf(page, form);
      html = output.startsWith('http') ? `<a href="${output.replaceAll('&', '&amp;')}">Buy it</a>` : output;
      const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
      const shopper = await context.newPage();
      const isOnTheSpot = form === 'HTML and script';
      // Told last: its links are taken over.
      const ready = isOnTheSpot && shopper.waitForResponse((response) => response.url().endsWith('/api/seen'));
      await shopper.goto(blog.origin);
      await ready;
      await (form === 'Frame' ? shopper.frameLocator('iframe') : shopper).getByText('Buy it').last().click();
      if (!isOnTheSpot) {
        await shopper.waitForURL(/\/shop\/buy\?/);
        await expect(shopper.getByText('Ada of the Lake')).toBeVisible();
        await shopper.getByRole('button', { name: 'Add to cart' }).click();
      }
      await payForIt(shopper);
      await expect(shopper.getByText(`1 × ${sewn.name}`), `${shape}, ${form}`).toBeVisible();
      await expect(shopper.getByText(/: Ada of the Lake$/)).toBeVisible();
      await expect(shopper.locator('.totals .sum'), `${shape}, ${form}`).toContainText(`€${withCode.toFixed(2)}`);
      await context.close();
    }
  }
  await blog.close();
});

test('a variant is chosen where the link stands, by form, script, frame and mail, and costs what it said', async ({
  server,
  browser,
  page,
}) => {
  test.setTimeout(120_000);
  const { origin } = server;
  const spar = (await (await fetch(`${origin}/api/products/carbon-spar`)).json()) as Product;
  const [first, ...others] = spar.variants.filter(({ stock }) => stock === null || stock > 20);
  const other = others.find(({ priceMinor }) => priceMinor !== first!.priceMinor)!;
  const label = Object.values(other.choices).join(', ');
  let html = '';
  const blog = await elsewhere(() => html);
  const goods = { sku: first!.sku, quantity: 1, code: '' };
  const id = await publishLink(server, { leads: 'checkout', goods }, (sites) => sites.push(blog.origin));
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    for (const part of lane.pieces[id]!.parts) if (part.key === 'variants' || part.key === 'share') part.on = true;
  });
  await signIn(page, origin, `/studio/links?piece=${id}`);
  const forms: Record<string, string> = {};
  for (const form of ['HTML without script', 'HTML and script', 'Frame', 'HTML for mail'])
    forms[form] = await outputOf(page, form);
  for (const [form, snippet] of Object.entries(forms)) {
    html = snippet;
    const context = await browser.newContext({ javaScriptEnabled: form !== 'HTML without script' });
    const shopper = await context.newPage();
    const isHeard = form === 'HTML and script' ? shopper.waitForResponse(/\/api\/seen/) : null;
    await shopper.goto(blog.origin);
    await isHeard;
    const stands = form === 'Frame' ? shopper.frameLocator('iframe') : shopper;
    const choose = async (place: Pick<Page, 'locator'>) => {
      const select = place.locator('select[name=sku]');
      const option = select.locator('option').filter({ hasText: label });
      const said = /€[\d.]+/.exec((await option.textContent())!)![0];
      await select.selectOption({ value: other.sku });
      return said;
    };
    let said = '';
    if (form === 'HTML for mail') {
      await expect(stands.getByRole('link', { name: 'Tell a friend' })).toHaveAttribute('href', /^mailto:/);
      await stands.getByRole('link', { name: 'Buy it' }).last().click();
      await shopper.waitForURL(/\/shop\/buy\?/);
      said = await choose(shopper);
      await shopper.getByRole('button', { name: 'Add to cart' }).click();
    } else {
      said = await choose(stands);
      await stands.getByRole('button', { name: 'Buy it' }).click();
      if (form === 'HTML and script') {
        // What was put into the cart there is taken along by a press.
        await shopper.waitForURL(/\/shop\/carry\?/);
        await shopper.locator('main form button').click();
      } else {
        await shopper.waitForURL(/\/shop\/buy\?/);
        await expect(shopper.locator('select[name=sku]')).toHaveValue(other.sku);
        await shopper.getByRole('button', { name: 'Add to cart' }).click();
      }
    }
    await shopper.waitForURL(/\/shop\/checkout/);
    await shopper.goto(`${origin}/shop/cart`);
    const line = shopper.locator('main');
    await expect(line, form).toContainText(label);
    await expect(line, form).toContainText(said);
    await context.close();
  }
  await blog.close();
});
