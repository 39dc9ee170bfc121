import { contrastRatio } from '~/core/proof/contrast';
import { addPiece, selectionOf } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import { signInOwner } from '../support/owner';
import { changingTest as test, expect, PHONE, playLane } from './harness';

test.use(PHONE);

test('the first product of every category is near its heading', async ({ page, server }) => {
  await page.goto(`${server.origin}/shop/all`);
  const categories = page.locator('.nav-row a');
  const paths = await categories.evaluateAll((links) => links.map((link) => link.getAttribute('href')!));
  expect(paths.length).toBeGreaterThan(5);
  for (const path of ['/shop/all', ...paths]) {
    await page.goto(server.origin + path);
    const heading = (await page.getByRole('heading', { level: 1 }).boundingBox())!;
    const first = (await page.locator('main [data-pl-product]').first().boundingBox())!;
    expect(first.y - heading.y, path).toBeLessThanOrEqual(300);
  }
  // What narrows the list is one press away, and stays there when it was used.
  await page.goto(`${server.origin}/shop/all`);
  await expect(page.getByLabel('In stock')).toBeHidden();
  await page.getByText('Filters', { exact: true }).click();
  await page.getByLabel('In stock').check();
  await page.waitForURL(/stock=1/);
  await expect(page.getByLabel('In stock')).toBeVisible();
});

test('rows of an order form are no higher than a thumb’s width or two', async ({ page, server }) => {
  await (
    await signInOwner(server)
  ).publish((lane) => {
    const table = lane.pieces[addPiece(lane, definitionOf('order-form')!)]!;
    Object.assign(table, { on: true, where: { ...table.where, spot: 'home.below' } });
    table.settings['adds'] = 'both';
    table.settings['shows'] = selectionOf({ from: 'all', most: 60 });
  });
  await page.goto(`${server.origin}/shop/`);
  await page.waitForLoadState('networkidle');
  const heights = await page
    .locator('[data-pl-order-form] tr[data-variant]')
    .evaluateAll((rows) => rows.map((row) => row.getBoundingClientRect().height));
  expect(heights.length).toBeGreaterThan(3);
  expect(Math.max(...heights)).toBeLessThanOrEqual(120);
});

test('the words over the front page’s picture can be read whatever it shows', async ({ page, server }) => {
  await page.goto(`${server.origin}/shop/`);
  const texts = await page.locator('.hero-text > :is(h1, p)').evaluateAll((elements) =>
    elements.map((element) => {
      const canvas = document.createElement('canvas').getContext('2d', { willReadFrequently: true })!;
      const { color, backgroundColor } = getComputedStyle(element);
      const hex = (fills: readonly string[]) => {
        for (const fill of fills) {
          canvas.fillStyle = fill;
          canvas.fillRect(0, 0, 1, 1);
        }
        const [...rgb] = canvas.getImageData(0, 0, 1, 1).data.slice(0, 3);
        return `#${rgb.map((part) => part.toString(16).padStart(2, '0')).join('')}`;
      };
      return { ink: hex([color]), grounds: ['#000', '#fff'].map((picture) => hex([picture, backgroundColor])) };
    }),
  );
  expect(texts).toHaveLength(2);
  for (const { ink, grounds } of texts)
    for (const ground of grounds) expect(contrastRatio(ink, ground)).toBeGreaterThanOrEqual(4.5);
});

test('the floating cart keeps off what adds, from the moment it comes, wherever the page is scrolled to', async ({
  page,
  server,
}) => {
  await playLane(page, (lane) => {
    Object.assign(lane.pieces['cart-opener']!.settings, { stands: 'floating', hideEmpty: true });
    lane.pieces['added-popup']!.on = false;
    lane.pieces['slide-out-cart']!.settings['opensOnAdd'] = false;
  });
  await page.goto(`${server.origin}/shop/c/lines-and-winders`);
  await page.waitForLoadState('networkidle');
  const opener = page.locator('pl-cart-opener').getByRole('link');
  const buttons = page.locator('[data-pl-product] form[data-pl-add] button');
  const overlapped = async () => {
    const box = (await opener.boundingBox())!;
    const boxes = await buttons.evaluateAll((all) => all.map((one) => one.getBoundingClientRect().toJSON() as DOMRect));
    return boxes.filter(
      ({ x, y, width, height }) =>
        x < box.x + box.width && box.x < x + width && y < box.y + box.height && box.y < y + height,
    ).length;
  };
  // The first press is where it will come.
  const first = buttons.nth(1);
  await first.evaluate((button) => scrollBy(0, button.getBoundingClientRect().bottom - innerHeight + 20));
  await first.click();
  await expect(opener).toBeVisible();
  expect(await overlapped()).toBe(0);
  for (let i = 0; i < 12; i += 1) {
    await page.evaluate(() => scrollBy(0, -37));
    await expect.poll(overlapped).toBe(0);
  }
});
