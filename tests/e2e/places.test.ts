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
