import { expect, PHONE, test } from './harness';

test('the bar takes at most a quarter of a short window, and still says the price and has its button', async ({
  page,
  server,
}) => {
  for (const size of [
    { width: 600, height: 320 },
    { width: 320, height: 480 },
  ]) {
    await page.setViewportSize(size);
    await page.goto(`${server.origin}/shop/p/lapwing-delta`);
    await page.locator('footer.foot').scrollIntoViewIfNeeded();
    const bar = page.getByRole('region', { name: 'Buy' });
    await expect(bar.getByRole('button', { name: 'Add to cart' })).toBeInViewport();
    await expect(bar).toContainText('€');
    expect((await bar.boundingBox())!.height).toBeLessThanOrEqual(size.height / 4 + 1);
  }
});

test('edges are drawn where colours are the reader’s own', async ({ page, server }) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await page.goto(`${server.origin}/shop/all`);
  const edge = (selector: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((element) => getComputedStyle(element).borderTopWidth);

  expect(await edge('.card')).toBe('1px');
  await page.emulateMedia({ forcedColors: 'none' });
  expect(await edge('.card')).toBe('0px');
});

test.describe('the gallery on a phone', () => {
  test.use(PHONE);

  test('is swiped from picture to picture, and each opens to be enlarged', async ({ page, server }) => {
    await page.goto(`${server.origin}/shop/p/lapwing-delta`);
    const gallery = page.locator('[data-gallery]');
    const width = (await gallery.boundingBox())!.width;
    await gallery.evaluate((strip, by) => strip.scrollBy({ left: by, behavior: 'instant' }), width * 0.7);
    // It comes to rest on a whole picture.
    await expect.poll(() => gallery.evaluate((strip) => Math.round(strip.scrollLeft))).toBe(Math.round(width));
    await expect(gallery.locator('a').nth(1)).toHaveAttribute('href', /^\/media\/.+\.svg$/);
    await expect(gallery.locator('img').nth(1)).toBeInViewport();
  });
});
