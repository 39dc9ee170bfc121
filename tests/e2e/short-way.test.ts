import { expect, PHONE, test, type Page } from './harness';

test.use(PHONE);

/** Counts what somebody does: a press, or a field that is filled in. */
function counted(page: Page) {
  let count = 0;
  return {
    get count() {
      return count;
    },
    async press(role: 'button' | 'link', name: string, within = page.locator('body')) {
      count += 1;
      await within.getByRole(role, { name, exact: true }).first().click();
    },
    async fill(label: string, text: string) {
      count += 1;
      await page.getByLabel(label, { exact: true }).fill(text);
    },
  };
}

async function add(page: Page, origin: string) {
  await page.goto(`${origin}/shop/p/hoop-winder`);
  await page.waitForLoadState('networkidle');
  const steps = counted(page);
  await steps.press('button', 'Add to cart', page.locator('form[data-product-form]'));
  return steps;
}

test('from a product page to a paid order: four presses with the wallet', async ({ page, server }) => {
  const steps = await add(page, server.origin);
  await steps.press('link', 'Go to checkout');
  await page.waitForURL(/\/shop\/checkout/);
  await expect(page.getByRole('link', { name: 'Pay with wallet' })).toBeInViewport({ ratio: 1 });
  await steps.press('link', 'Pay with wallet');
  await page.waitForURL(/\/shop\/quick-pay/);
  const pay = page.getByRole('button', { name: /^Pay €/ });
  await steps.press('button', (await pay.textContent())!.trim());
  await page.waitForURL(/\/shop\/thanks\//);

  expect(steps.count).toBeLessThanOrEqual(4);
});

test('from a product page to a paid order: nine with a card, the fields counted', async ({ page, server }) => {
  const steps = await add(page, server.origin);
  await steps.press('link', 'Go to checkout');
  await page.waitForURL(/\/shop\/checkout/);
  await steps.fill('E-mail', 'ada@example.com');
  await steps.fill('Name', 'Ada Lund');
  await steps.fill('Street and number', 'Slipway 3');
  await steps.fill('Postcode', '24103');
  await steps.fill('Town', 'Kiel');
  await steps.fill('Card number', '5000 0000 0000 0001');
  await steps.press('button', 'Order and pay');
  await page.waitForURL(/\/shop\/thanks\//);

  expect(steps.count).toBeLessThanOrEqual(9);
});

for (const javaScriptEnabled of [true, false])
  test.describe(javaScriptEnabled ? 'with script' : 'without script', () => {
    test.use({ javaScriptEnabled });

    test('what leads on comes first, what asks for more comes last, and nothing leads away', async ({
      page,
      server,
    }) => {
      const top = async (part: string) => (await page.locator(`[data-part=${part}]`).boundingBox())!.y;
      await page.goto(`${server.origin}/shop/p/hoop-winder`);
      await page.locator('form[data-product-form]').getByRole('button', { name: 'Add to cart' }).click();
      await expect(page.locator('body')).toContainText(/added|Subtotal/i);

      await page.goto(`${server.origin}/shop/cart`);
      await expect(page.getByRole('link', { name: 'Pay with wallet' })).toBeInViewport({ ratio: 1 });
      for (const part of ['coupon', 'estimate', 'suggestions'])
        expect(await top(part), part).toBeGreaterThan(await top('checkout'));

      await page.goto(`${server.origin}/shop/checkout`);
      const remove = page.getByRole('button', { name: 'Remove: Hoop Winder' });
      await expect(page.getByRole('link', { name: 'Pay with wallet' })).toBeInViewport({ ratio: 1 });
      await expect(page.getByLabel('E-mail', { exact: true })).toBeInViewport({ ratio: 1 });
      await expect(remove).toBeHidden();
      await page.getByText('Your order (1)').click();
      await expect(remove).toBeInViewport({ ratio: 1 });
      expect(await top('lines')).toBeLessThan(await top('contact'));
      expect(await top('coupon')).toBeGreaterThan(await top('totals'));
      for (const outside of ['navigation', 'search']) await expect(page.getByRole(outside as 'search')).toHaveCount(0);
      await expect(page.locator('header a:not(.skip, .languages a)')).toHaveText(/Cart/);
    });
  });
