import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { serve } from '../support/server';
import { expect, expectAccessible, fillCheckout, phonePage, test, cartChanged } from './harness';

const CSV = `Name,SKU,Price,Stock,choice: Size,Short text,Category
Reed Whistle,RW-S,6.50,40,Small,Two notes and a half.,Whistles
,RW-L,8.50,12,Large,,
Tin Whistle,TW,4.00,3,,One note.,Whistles
`;

test('an empty folder becomes a shop that sells imported products, in nine steps of its owner', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  const dataDir = await mkdtemp(path.join(tmpdir(), 'paved-lane-begin-'));
  const server = await serve(path.join(dataDir, 'shop'), { PAVED_LANE_DEMO: '0' });
  let steps = 0;
  const owner = async (step: () => Promise<unknown>) => {
    await step();
    steps += 1;
  };
  const visitor = await phonePage(browser);
  await visitor.goto(`${server.origin}/shop/`);
  await expect(visitor.getByRole('heading', { name: 'My shop opens soon' })).toBeVisible();

  // 1. The link on the console, and an account.
  await owner(async () => {
    await page.goto(/http\S+\/studio\/begin\S+/.exec(server.said())![0]);
    await expectAccessible(page);
    await page.getByLabel('Your name').fill('Runa Halse');
    await page.getByLabel('E-mail').fill('runa@shop.example');
    await page.getByLabel('Password').fill('wind enough');
    await page.getByRole('button', { name: 'Make my account' }).click();
  });
  const road = page.getByRole('navigation', { name: 'First steps' });
  await expect(road.getByRole('link', { name: 'Your shop' })).toHaveAttribute('aria-current', 'step');

  // 2. The shop. 3. Next.
  await owner(() => page.getByLabel('Name of the shop').fill('Reed & Loft'));
  await expect(page.frameLocator('iframe').getByText('Reed & Loft').first()).toBeVisible();
  await expectAccessible(page, 'settings', 'iframe');
  await owner(() => road.getByRole('button', { name: 'Done, next' }).click());

  // 4. A file. 5. Import it. 6. Next.
  await owner(() =>
    page
      .getByLabel('Catalogue file')
      .setInputFiles({ name: 'whistles.csv', mimeType: 'text/csv', buffer: Buffer.from(CSV) }),
  );
  await owner(() => page.getByRole('button', { name: 'Import 2 products' }).click());
  // It stands below all that was looked at, and is in view all the same.
  await expect(page.getByText('Imported.')).toBeInViewport();
  await owner(() => road.getByRole('button', { name: 'Done, next' }).click());

  // The first pieces, on the products just imported. 7. Next.
  const look = page.frameLocator('[data-testid=preview]').getByRole('dialog');
  await expect(look.getByRole('heading', { name: /Whistle/ })).toBeVisible();
  await owner(() => road.getByRole('button', { name: 'Done, next' }).click());

  // The lane shows the road with its pieces, though nobody has been there. 8. and 9. Open the shop.
  await expect(page.getByTestId('no-visits')).toBeVisible();
  await expect(page.getByRole('link', { name: /Quick view/ })).toBeVisible();
  await expectAccessible(page);
  await owner(() => road.getByRole('button', { name: 'Open the shop …' }).click());
  await owner(() => page.getByRole('dialog').getByRole('button', { name: 'Open the shop' }).click());
  await expect(page.getByText('Your shop is open.')).toBeVisible();
  await expect(road).toBeHidden();
  expect(steps).toBeLessThan(10);

  // A stranger buys what was imported.
  await visitor.goto(`${server.origin}/shop/p/reed-whistle`);
  await visitor.getByRole('radio', { name: 'Large' }).check({ force: true });
  const added = cartChanged(visitor);
  await visitor.getByRole('button', { name: 'Add to cart' }).first().click();
  await added;
  await expect(visitor.locator('[data-pl-count]').first()).toHaveText('1');
  await visitor.goto(`${server.origin}/shop/checkout`);
  await fillCheckout(visitor);
  await visitor.getByRole('button', { name: 'Order and pay' }).last().click();
  await expect(visitor.getByRole('heading', { name: 'Thank you, Ada Lund.' })).toBeVisible();
  await page.goto(`${server.origin}/studio/orders`);
  await expect(page.getByText('Ada Lund')).toBeVisible();
  await visitor.close();
  await server.stop();
  await rm(dataDir, { recursive: true, force: true });
});
