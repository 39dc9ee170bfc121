import { createApp } from '~/services/app';
import { expect, fillCheckout, phonePage, signIn, test } from './harness';

const CSV = `Name;SKU;Price;Stock;choice: Size;Short text;Category
Curlew Parafoil;CP-S;"1.129,50";7;Small;Never seen in this shop before.;Power
;CP-L;"1.349,00";3;Large;;
`;

test('the whole loop: import, shape, publish, buy on a phone, and see it counted', async ({
  page,
  browser,
  server,
}) => {
  // Import products this shop has never seen.
  await signIn(page, server.origin, '/studio/catalogue/import');
  await page.getByText('1.234,50').click();
  await page
    .getByLabel('Catalogue file')
    .setInputFiles({ name: 'new.csv', mimeType: 'text/csv', buffer: Buffer.from(CSV) });
  await expect(page.getByTestId('plan')).toContainText('1 new product, 0 changed');
  await page.getByRole('button', { name: 'Import 1 product' }).click();
  await expect(page.getByText('Imported.')).toBeVisible();

  // Shape quick view: the frame is loaded once, and every change is seen in it without a reload.
  await page.goto(`${server.origin}/studio/bench/quick-view`);
  const shop = page.frameLocator('[data-testid=preview]');
  const dialog = shop.getByRole('dialog');
  await expect(dialog).toBeVisible();
  const frame = page.frames().find((candidate) => candidate.url().includes('/shop/'))!;
  await frame.evaluate(() => Object.assign(window, { sameLoad: true }));

  await page.getByRole('tab', { name: 'Words' }).click();
  await page.getByLabel('Add button', { exact: true }).fill('Into my basket');
  await expect(dialog.getByRole('button', { name: 'Into my basket' })).toBeVisible();

  await page.getByRole('button', { name: 'Hide Rating' }).click();
  await expect(dialog.getByText('ratings')).toBeHidden();
  await page.getByRole('button', { name: 'Move Price' }).focus();
  const said = page.locator('[id^=DndLiveRegion]');
  await page.keyboard.press('Space');
  await expect(said).toContainText('Price is over Price.');
  // A key that comes before the list has been measured moves nothing: it is pressed until it does.
  for (const name of ['Rating', 'Name'])
    await expect(async () => {
      if (!(await said.textContent())?.includes(`Price is over ${name}.`)) await page.keyboard.press('ArrowUp');
      await expect(said).toContainText(`Price is over ${name}.`, { timeout: 2000 });
    }).toPass({ timeout: 15_000 });
  await page.keyboard.press('Space');
  await expect
    .poll(() =>
      dialog.locator('[data-part]').evaluateAll((parts) =>
        parts
          .map((part) => (part as HTMLElement).dataset['part'])
          .filter(Boolean)
          .slice(0, 2),
      ),
    )
    .toEqual(['price', 'name']);

  await page.getByRole('tab', { name: 'Look' }).click();
  await page.getByLabel('Add button: Background', { exact: true }).fill('#204020');
  await expect(dialog.getByRole('button', { name: 'Into my basket' })).toHaveCSS('background-color', 'rgb(32, 64, 32)');
  expect(await frame.evaluate(() => 'sameLoad' in window)).toBe(true);

  // Publish.
  await page.getByRole('button', { name: 'Publish …' }).click();
  const publish = page.getByRole('dialog', { name: 'Publish to the live shop' });
  await expect(publish).toContainText('Add button: “Into my basket” instead of “Add to cart”');
  await publish.getByRole('button', { name: /^Publish \d+ changes$/ }).click();
  await expect(page.getByText('Published.')).toBeVisible();

  // Buy it on a phone.
  const phone = await phonePage(browser);
  await phone.goto(`${server.origin}/shop/search?q=Curlew`);
  await phone.getByRole('button', { name: /^(A closer look|Quick look): Curlew Parafoil$/ }).click();
  const quickView = phone.getByRole('dialog', { name: 'Curlew Parafoil' });
  await quickView.getByRole('radio', { name: 'Large' }).check();
  await expect(quickView.getByText('€1,349.00')).toBeVisible();
  await quickView.getByRole('button', { name: 'Into my basket' }).click();
  await expect(phone.locator('[data-pl-cart]').first()).toContainText('1');
  await phone.keyboard.press('Escape');
  await expect(quickView).toBeHidden();
  await phone.locator('pl-cart-opener').getByRole('link').click();
  const cart = phone.getByRole('dialog', { name: /^Your (basket|cart)$/ });
  await expect(cart).toContainText('Large');
  await cart.getByRole('link', { name: 'Go to checkout' }).click();
  await fillCheckout(phone);
  // On a phone the bar holds the button of the page, which is out of view.
  await phone.getByRole('region', { name: 'Buy' }).getByRole('button', { name: 'Order and pay' }).click();
  await expect(phone.getByRole('heading', { name: 'Thank you, Ada Lund.' })).toBeVisible();
  await expect(phone.getByText('€1,349.00').first()).toBeVisible();

  // The order is stored with the revision it was made under …
  const token = phone.url().split('/').at(-1)!;
  const app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
  const order = await app.orders.find(token);
  await app.db.close();
  expect(order).toMatchObject({ status: 'paid', laneRevision: 2, totalMinor: 134_900 });
  expect(order!.lines).toMatchObject([{ sku: 'CP-L', quantity: 1 }]);

  // … and the lane map counts it, on phones.
  await page.goto(`${server.origin}/studio?device=phone&days=7`);
  const after = page.getByTestId('stretch-after').getByTestId('sessions');
  const counted = Number(await after.textContent());
  const map = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
  const [visit] = await map.db.select<{ depth: number; revenue: number; device: string }>(
    'SELECT depth, revenue_minor revenue, device FROM visits WHERE id = $id',
    { id: order!.visitId },
  );
  const [seeded] = await map.db.select<{ n: number }>(
    `SELECT count(*) n FROM visits WHERE depth = 6 AND device = 'phone' AND day >= date('now', '-6 days') AND id <> $id AND excluded IS NULL`,
    { id: order!.visitId },
  );
  await map.db.close();
  expect(visit).toEqual({ depth: 6, revenue: 134_900, device: 'phone' });
  expect(counted).toBe(seeded!.n + 1);
});
