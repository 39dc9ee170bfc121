import { seedFolder, serve, type TestServer } from '../support/server';
import { expect, expectAccessible, test, cartChanged } from './harness';

test.describe('the demo as it is opened', () => {
  let server: TestServer;
  test.beforeAll(async () => {
    test.setTimeout(120_000);
    server = await serve(await seedFolder(0, 0, true));
  });
  test.afterAll(() => server.stop());

  test('shows every kind of piece, and the offers that go with them', async ({ page }) => {
    const { origin } = server;
    await page.goto(`${origin}/shop/p/kestrel`);
    for (const [kind, least] of [
      ['better-one', 0],
      ['goes-with', 3],
      ['related', 3],
    ] as const) {
      await expect(page.locator(`[data-pl-piece=${kind}]`)).toBeVisible();
      expect(await page.locator(`[data-pl-piece=${kind}] .card`).count(), kind).toBeGreaterThanOrEqual(least);
    }
    await expectAccessible(page, 'a product with everything around it');

    await page.goto(`${origin}/shop/c/single-line`);
    for (const i of [0, 1])
      await page
        .getByRole('checkbox', { name: /compare/i })
        .nth(i)
        .check();
    await page.getByRole('button', { name: 'See side by side' }).click();
    await expect(page.getByRole('dialog', { name: 'Side by side' }).getByRole('columnheader')).toHaveCount(2);

    // Breaks, from the order form in place of the list of spares.
    await page.goto(`${origin}/shop/c/spares`);
    const row = page.locator('[data-pl-order-form] tr[data-variant]', { hasText: 'Centre T-Piece' }).first();
    await row.getByRole('spinbutton').fill('5');
    await row.getByRole('button', { name: /^Add/ }).click();
    await page.goto(`${origin}/shop/cart`);
    // 5 × 2.20 less a tenth.
    await expect(page.locator('li', { hasText: 'Centre T-Piece' }).locator('.sum')).toContainText('€9.90');

    // A bundle, and a gift above a sum.
    for (const path of ['single-line-40-kg', 'hoop-winder', 'fell-foil-trainer']) {
      await page.goto(`${origin}/shop/p/${path}`);
      await page.waitForLoadState('networkidle');
      const added = cartChanged(page);
      await page.locator('form[data-product-form]').getByRole('button', { name: 'Add to cart' }).click();
      await added;
    }
    await page.goto(`${origin}/shop/cart`);
    await expect(page.getByText('Line and winder').first()).toBeVisible();
    await expect(page.getByText('Ripstop Patch').first()).toBeVisible();
    await expectAccessible(page, 'a cart with a bundle and a gift');
  });
});
