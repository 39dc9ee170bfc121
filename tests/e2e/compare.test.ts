import { expect, expectAccessible, phonePage, playLane, test } from './harness';
import { newPiece } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import type { Page } from './harness';

const withCompare = (page: Page, settings: object = {}) =>
  playLane(page, (lane) => {
    const piece = newPiece(definitionOf('compare')!, true);
    Object.assign(piece.settings, settings);
    lane.pieces['compare'] = piece;
  });
const tick = (page: Page, slug: string) =>
  page.locator(`[data-pl-product=${slug}] pl-compare-tick`).getByRole('checkbox');

test('products are ticked, kept over pages, seen side by side, removed and added, by keyboard', async ({
  page,
  server,
}) => {
  await withCompare(page, { less: 'Weight', most: 3 });
  await page.goto(`${server.origin}/shop/c/deltas-and-diamonds`);
  await page.goto(`${server.origin}/shop/all?sort=name`);
  const slugs = await page
    .locator('[data-pl-product]:not(body)')
    .evaluateAll((cards) => cards.slice(0, 24).map((card) => (card as HTMLElement).dataset['plProduct']!));
  const [first, second, third, fourth] = slugs.filter((slug) =>
    /delta|diamond|heron|kestrel|box|carbon|dual|end-cap|centre/.test(slug),
  ) as [string, string, string, string];
  await tick(page, first).focus();
  await page.keyboard.press('Space');
  await expect(page.locator('pl-compare .tray')).toContainText('1 product to compare');
  await tick(page, second).check();
  await tick(page, third).check();
  await tick(page, fourth).click();
  await expect(tick(page, fourth)).not.toBeChecked();
  await expect(page.locator('pl-compare .tray')).toContainText('3 products fit side by side');

  await page.goto(`${server.origin}/shop/p/${first}`);
  await expect(page.locator('main pl-compare-tick').getByRole('checkbox').first()).toBeChecked();
  await page.getByRole('button', { name: 'See side by side' }).press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Side by side' });
  await expect(dialog.getByRole('columnheader')).toHaveCount(3);
  expect(page.url()).toContain('compare=');
  await expectAccessible(page, 'the comparison');
  await dialog
    .getByRole('button', { name: /^Remove / })
    .first()
    .press('Enter');
  await expect(dialog.getByRole('columnheader')).toHaveCount(2);
  const shared = page.url();
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  expect(page.url()).not.toContain('compare=');
  await expect(page.locator('pl-compare .tray')).toContainText('2 products to compare');

  // An address that was shared shows what it names, and leaves what is ticked alone; what is wild in it is left out.
  await page.goto(`${shared.replace(/compare=[^&]*/, 'compare=heron,nobody,%3Cb%3E,kestrel')}`);
  await expect(dialog.getByRole('columnheader')).toHaveCount(2);
  await expect(dialog.getByRole('columnheader', { name: /Heron/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('pl-compare .tray')).toContainText('2 products to compare');
  await page.getByRole('button', { name: 'Clear' }).click();
  await expect(page.locator('pl-compare .tray')).toBeHidden();
});

test('on a phone the first column stays in sight, what differs is marked, and a plain product is added', async ({
  browser,
  server,
}) => {
  const page = await phonePage(browser);
  await withCompare(page, { more: 'Span', less: 'Weight' });
  await page.goto(`${server.origin}/shop/?compare=heron,kestrel,lapwing-delta,hoop-winder`);
  const dialog = page.getByRole('dialog', { name: 'Side by side' });
  await expect(dialog.getByRole('columnheader')).toHaveCount(4);
  await expect(dialog.locator('tr[data-slot=differs]').first()).toBeVisible();
  await expect(dialog.getByText('best', { exact: true }).first()).toBeVisible();
  await expect(dialog.getByText('not stated').first()).toBeVisible();
  await dialog.locator('.scroll').evaluate((element) => element.scrollTo(400, 0));
  const box = await dialog.getByRole('rowheader', { name: 'Price' }).boundingBox();
  expect(box!.x).toBeLessThan(40);
  await dialog.getByRole('button', { name: 'Add to cart' }).click();
  await expect(dialog.getByRole('status').first()).toContainText('Added');
  await expect(page.locator('[data-pl-count]').first()).toHaveText('1');
  await expectAccessible(page, 'the comparison on a phone');
  await page.close();
});

test('what is ticked in quick view is ticked on its card, and the other way round', async ({ page, server }) => {
  await withCompare(page);
  await page.goto(`${server.origin}/shop/c/lines-and-winders?look=hoop-winder`);
  const inside = page.getByRole('dialog').locator('pl-compare-tick').getByRole('checkbox');
  await inside.check();
  await page.keyboard.press('Escape');
  await expect(tick(page, 'hoop-winder')).toBeChecked();
  await tick(page, 'hoop-winder').uncheck();
  await page.goto(`${server.origin}/shop/c/lines-and-winders?look=hoop-winder`);
  await expect(inside).not.toBeChecked();
});
