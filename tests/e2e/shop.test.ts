import { expect, expectAccessible, fillCheckout, PHONE, test, atRest } from './harness';

test.describe('without script', () => {
  test.use({ javaScriptEnabled: false });

  test('a shopper filters, chooses, adds, changes, pays and is thanked', async ({ page, server }) => {
    await page.goto(`${server.origin}/shop/`);
    await page.getByRole('navigation', { name: 'Categories' }).getByRole('link', { name: 'Dual-line' }).click();
    await page.getByLabel('Sort by').selectOption('price-up');
    await page.getByLabel('to', { exact: true }).fill('100');
    await page.getByRole('button', { name: 'Apply filters' }).click();
    await expect(page.locator('article h2')).toHaveText(['Wagtail', 'Kestrel', 'Kestrel Plus']);
    await page.getByRole('link', { name: 'Wagtail', exact: true }).click();
    await page.getByText('Lagoon').click();
    await page.getByRole('spinbutton', { name: 'Quantity' }).fill('2');
    await page.getByRole('button', { name: 'Add to cart' }).click();

    await expect(page.getByText('Lagoon')).toBeVisible();
    await page.getByRole('button', { name: 'One fewer' }).click();
    await expect(page.locator('.totals')).toContainText('€39.00');
    await page.getByRole('link', { name: 'Go to checkout' }).click();

    await page.getByRole('button', { name: 'Order and pay' }).click();
    await expect(page.getByText('Please fill this in.', { exact: true })).toHaveCount(6);
    await fillCheckout(page, '0002');
    await page.getByRole('button', { name: 'Order and pay' }).click();
    await expect(
      page.getByRole('alert').getByText('The card was declined. Nothing was charged and your cart is kept.'),
    ).toBeVisible();
    await expect(page.getByLabel('Town')).toHaveValue('Windau');
    await page.getByLabel('Card number').fill('5000000000000001');
    await page.getByRole('button', { name: 'Order and pay' }).click();
    await expect(page.getByRole('heading', { name: 'Thank you, Ada Lund.' })).toBeVisible();
    await expect(page.getByText('€43.90')).toBeVisible();
  });
});

test('quick view keeps the list: the way back closes it, focus returns, scroll and filters stay', async ({
  page,
  server,
}) => {
  await page.goto(`${server.origin}/shop/all?sort=name`);
  const opener = page.getByRole('button', { name: 'Quick look: Heron' });
  await opener.scrollIntoViewIfNeeded();
  const scrolled = await page.evaluate(() => scrollY);
  await opener.focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Heron' });
  await expect(dialog.getByRole('heading', { name: 'Heron' })).toBeVisible();
  expect(page.url()).toContain('look=heron');

  for (let i = 0; i < 25; i += 1) await page.keyboard.press('Tab');
  expect(await page.evaluate(() => document.activeElement?.localName)).toBe('pl-quick-view');
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await expect(opener).toBeFocused();
  expect(page.url()).toBe(`${server.origin}/shop/all?sort=name`);

  await opener.click();
  await page.goBack();
  await expect(dialog).toBeHidden();
  expect(page.url()).toBe(`${server.origin}/shop/all?sort=name`);
  expect(Math.abs((await page.evaluate(() => scrollY)) - scrolled)).toBeLessThan(3);

  await opener.click();
  await page.mouse.click(4, 400);
  await expect(dialog).toBeHidden();
});

test('quick view opens by link, steps to the next product, changes picture and price with the choice, and enlarges', async ({
  page,
  server,
}) => {
  await page.goto(`${server.origin}/shop/c/single-line?look=lapwing-delta`);
  const dialog = page.getByRole('dialog', { name: 'Lapwing Delta' });
  await expect(dialog.locator('.price')).toContainText('€64.00');
  await dialog.getByRole('radio', { name: 'Large' }).check();
  await expect(dialog.locator('.price')).toContainText('€90.00');
  const picture = dialog.locator('.frame img');
  await dialog.getByRole('radio', { name: 'Dusk' }).check();
  await expect(picture).toHaveAttribute('src', /dusk/);
  await picture.click();
  await expect(picture).toHaveCSS('transform', 'matrix(2, 0, 0, 2, 0, 0)');
  const slugs = await page
    .locator('[data-pl-product]:not(body)')
    .evaluateAll((cards) => [...new Set(cards.map((card) => (card as HTMLElement).dataset['plProduct']!))]);
  const next = slugs[slugs.indexOf('lapwing-delta') + 1]!;
  const name = (await page.locator(`[data-pl-product=${next}] [data-pl=name]`).first().textContent())!.trim();
  await dialog.getByRole('button', { name: 'Next product' }).click();
  await expect(page.getByRole('dialog', { name })).toBeVisible();
  expect(page.url()).toContain(`look=${next}`);
});

test('quick view tells a product that cannot be fetched, and offers its page', async ({ page, server }) => {
  await page.route('**/api/products/heron', (route) => route.abort());
  await page.goto(`${server.origin}/shop/c/single-line?look=heron`);
  await expect(page.getByText('The details could not be loaded.')).toBeVisible();
  await expect(page.getByRole('dialog').getByRole('link', { name: 'See all details' })).toHaveAttribute(
    'href',
    '/shop/p/heron',
  );
});

test('nothing is recorded of shoppers who do not want to be tracked', async ({ browser, server }) => {
  const context = await browser.newContext();
  await context.addInitScript(() => Object.defineProperty(navigator, 'globalPrivacyControl', { value: true }));
  const page = await context.newPage();
  const sent: string[] = [];
  page.on('request', (request) => request.url().includes('/api/events') && sent.push(request.url()));

  await page.goto(`${server.origin}/shop/all`);
  // Whatever a page has to tell it tells at the latest when it is left.
  await page.goto(`${server.origin}/shop/p/heron`);
  await page.goto(`${server.origin}/shop/cart`);

  expect(sent).toEqual([]);
  expect((await context.cookies()).filter((cookie) => cookie.name === 'pl_visit')).toEqual([]);
});

test('a fault in a piece leaves the page whole', async ({ page, server }) => {
  await page.route('**/rt/c/*.js', (route) => route.abort());
  await page.goto(`${server.origin}/shop/c/lines-and-winders`);
  await page.locator('[data-pl-product=hoop-winder]').getByRole('button', { name: 'Add to cart' }).click();
  await expect(page.locator('[data-pl-count]')).toHaveText('1');
  await page.getByRole('link', { name: /^Cart/ }).click();
  await expect(page.getByRole('heading', { name: 'Your cart' })).toBeVisible();
});

for (const [name, path] of [
  ['front page', '/shop/'],
  ['listing', '/shop/c/single-line'],
  ['product', '/shop/p/fell-foil'],
  ['quick view', '/shop/c/single-line?look=heron'],
  ['empty cart', '/shop/cart'],
] as const) {
  test(`axe finds nothing on the ${name}, and nothing is wider than a phone of 320 px`, async ({ browser, server }) => {
    const page = await (await browser.newContext({ ...PHONE, viewport: { width: 320, height: 640 } })).newPage();
    await page.goto(server.origin + path);
    if (path.includes('look='))
      await expect(page.getByRole('dialog').getByRole('button', { name: 'Add to cart' })).toBeVisible();
    await atRest(page);
    await expectAccessible(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
  });
}

test('the product page carries its structured data, safe against its own texts', async ({ page, server }) => {
  await page.goto(`${server.origin}/shop/p/lapwing-delta`);
  const data = JSON.parse((await page.locator('script[type="application/ld+json"]').textContent())!) as {
    '@type': string;
    offers: unknown[];
  };

  expect(data['@type']).toBe('Product');
  expect(data.offers).toHaveLength(9);
});
