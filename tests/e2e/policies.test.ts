import type { Page } from '@playwright/test';
import { addWinder, expect, fillCheckout, phonePage, signIn, test } from './harness';

/** Everything the page's policy kept from being loaded or run, and every script that failed. */
function watchFaults(page: Page, faults: string[]): void {
  page.on('pageerror', (error) => faults.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error' && /security policy|refused to/i.test(message.text())) faults.push(message.text());
  });
}

test('no page of the shop or the studio needs what its policy forbids', async ({ page, server, browser }) => {
  const faults: string[] = [];
  watchFaults(page, faults);
  await signIn(page, server.origin);
  const rooms = [
    '',
    '/stretch/look',
    '/bench/quick-view?task=look',
    '/bench/checkout',
    '/catalogue',
    '/catalogue/sail-your-own',
  ];
  for (const room of [...rooms, '/catalogue/import', '/orders', '/mailbox', '/revisions']) {
    await page.goto(`${server.origin}/studio${room}`);
    await page.waitForLoadState('networkidle');
    await expect(page.getByRole('navigation', { name: 'Rooms' })).toBeVisible();
  }
  const shopper = await phonePage(browser);
  watchFaults(shopper, faults);
  await addWinder(shopper, server.origin);
  for (const path of [
    '',
    'c/single-line?look=heron',
    'p/sail-your-own',
    'search?q=kite',
    'cart',
    'quick-pay',
    'checkout',
  ]) {
    await shopper.goto(`${server.origin}/shop/${path}`);
    await shopper.waitForLoadState('networkidle');
  }
  await fillCheckout(shopper);
  await shopper
    .getByRole('button', { name: /Order and pay/ })
    .first()
    .click();
  await shopper.waitForURL(/\/shop\/thanks\//);

  expect(faults).toEqual([]);
});

test('a script that is not ours does not run', async ({ page, server }) => {
  await page.goto(`${server.origin}/shop/p/heron`);
  const ran = await page.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'document.title = "taken"';
    document.body.append(script);
    const link = document.createElement('a');
    link.setAttribute('onclick', 'document.title = "taken"');
    link.href = '#';
    document.body.append(link);
    link.click();
    return document.title;
  });

  expect(ran).not.toBe('taken');
});
