import { createApp } from '~/services/app';
import { expect, fillCheckout, phonePage, signIn, test } from './harness';

test('prices, categories and orders are kept by keyboard alone, and the open shop has them at once', async ({
  page,
  browser,
  server,
}) => {
  test.setTimeout(90_000);
  const focused = page.locator(':focus');
  /** Goes on with Tab until this has the focus. */
  async function tabTo(name: RegExp): Promise<void> {
    for (let i = 0; i < 160; i += 1) {
      await page.keyboard.press('Tab');
      const said = await focused.evaluate((element) =>
        [
          element.getAttribute('aria-label'),
          element.textContent,
          (element as HTMLInputElement).labels?.[0]?.textContent,
        ]
          .filter(Boolean)
          .join(' '),
      );
      if (name.test(said)) return;
    }
    throw new Error(`Tab never came to ${name}`);
  }

  // A price is corrected in its product: the skip link, the cell, the button.
  await signIn(page, server.origin, '/studio/catalogue/heron');
  await expect(page.getByLabel('Price, row 1')).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(focused).toHaveText('Skip to main content');
  await page.keyboard.press('Enter');
  await tabTo(/^Price, row 1/);
  await page.keyboard.type('61.25');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Price, row 2')).toBeFocused();
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.down('Shift');
  for (let i = 0; i < 40; i += 1) {
    await page.keyboard.press('Tab');
    if ((await focused.textContent()) === 'Save changes') break;
  }
  await page.keyboard.up('Shift');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Saved. The open shop shows it already.')).toBeVisible();
  const visitor = await phonePage(browser);
  await visitor.goto(`${server.origin}/shop/p/heron`);
  await expect(visitor.getByText('€61.25').first()).toBeVisible();
  const app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
  const [audit] = await app.db.select<{ facts: string }>(
    `SELECT facts FROM audit_entries WHERE action = 'edit-product' ORDER BY id DESC`,
  );
  expect(audit!.facts).toContain('6125');
  await app.close();

  // A category goes before the one above it.
  await page.goto(`${server.origin}/studio/catalogue/categories`);
  const names = page.locator('button[aria-label^="Move "]');
  await expect(names.first()).toBeVisible();
  // Two that stand in the same: one within another goes with it.
  const [first, second] = await names.evaluateAll((all) => {
    const rows = all.map((one) => ({
      name: one.getAttribute('aria-label')!.slice(5),
      kind: one.closest('li')!.className,
    }));
    const at = rows.findIndex((row, i) => rows[i + 1]?.kind === row.kind);
    return [rows[at]!.name, rows[at + 1]!.name];
  });
  await page.getByLabel(`Move ${second}`, { exact: true }).focus();
  await page.keyboard.press('Space');
  const said = page.locator('[id^=DndLiveRegion]');
  await expect(said).toContainText(`${second} is over ${second}.`);
  await page.keyboard.press('ArrowUp');
  await expect(said).toContainText(`${second} is over ${first}.`);
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Save changes' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Saved. The open shop shows it already.')).toBeVisible();

  // An order is sent and refunded in part.
  await visitor.request.post(`${server.origin}/api/cart`, {
    data: { kind: 'add', product: 'hoop-winder', quantity: 2 },
  });
  await visitor.goto(`${server.origin}/shop/checkout`);
  await fillCheckout(visitor);
  await visitor.getByRole('button', { name: 'Order and pay' }).last().click();
  await expect(visitor.getByRole('heading', { name: /^Thank you/ })).toBeVisible();
  await page.goto(`${server.origin}/studio/orders`);
  await page.locator('td a').first().focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Tracking number').focus();
  await page.keyboard.type('LW 7');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /Order \d+ sent/ })).toBeVisible();
  await page.getByRole('button', { name: 'Refund …' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Refund' })).toBeVisible();
  await page.getByLabel('Units of Hoop Winder to refund').focus();
  await page.keyboard.press('ArrowUp');
  await tabTo(/^Refund €7\.90$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('1 of 2 refunded')).toBeVisible();
  await expect(page.getByRole('dialog')).toBeHidden();
  await visitor.close();
});
