import { readFileSync } from 'node:fs';
import { dayIn } from '~/core/time';
import { expect, phonePage, test } from './harness';

test('the shop’s day judges dates, not the day where the shopper is', async ({ browser, server }) => {
  // Far enough east and west that one of them has another day than the shop, whenever this runs.
  for (const timezoneId of ['Pacific/Kiritimati', 'Pacific/Pago_Pago']) {
    const page = await (await browser.newContext({ timezoneId })).newPage();
    await page.goto(`${server.origin}/shop/p/sail-your-own`);
    await page.locator('form[data-pl-open]').waitFor({ state: 'attached' });
    const earliest = await page.locator('[name="option:not-before"]').getAttribute('min');
    const serverDay = dayIn('Europe/Berlin', Date.now());

    expect(Date.parse(earliest!) - Date.parse(serverDay)).toBe(10 * 86_400_000);
    await page.context().close();
  }
});

test('a phone that is turned is judged anew, and again when it is turned back', async ({ browser, server }) => {
  const page = await phonePage(browser);
  await page.goto(`${server.origin}/shop/p/heron`);
  await expect(page.locator('pl-buy-bar')).toBeAttached();

  await page.setViewportSize({ width: 844, height: 390 });
  await expect(page.locator('pl-buy-bar')).not.toBeAttached();
  await page.setViewportSize({ width: 390, height: 844 });

  await expect(page.locator('pl-buy-bar')).toBeAttached();
});

test('a phone that is turned while its pieces are still on their way is judged as it lies then', async ({
  browser,
  server,
}) => {
  const { kinds } = JSON.parse(readFileSync('public/rt/pieces.json', 'utf8')) as { kinds: Record<string, string> };
  const page = await phonePage(browser);
  let letThrough = (): void => {};
  const held = new Promise<void>((resolve) => (letThrough = resolve));
  await page.route(`**/rt/${kinds['buy-bar']}`, async (route) => {
    await held;
    await route.continue();
  });
  const asked = page.waitForRequest(`**/rt/${kinds['buy-bar']}`);
  const arrived = page.waitForResponse(`**/rt/${kinds['buy-bar']}`);
  await page.goto(`${server.origin}/shop/p/heron`);
  await asked;

  await page.setViewportSize({ width: 844, height: 390 });
  await page.evaluate(() => new Promise(requestAnimationFrame));
  letThrough();
  await (await arrived).finished();
  await page.waitForLoadState('networkidle');
  await expect(page.locator('pl-buy-bar')).not.toBeAttached();
  await page.setViewportSize({ width: 390, height: 844 });

  await expect(page.locator('pl-buy-bar')).toBeAttached();
});
