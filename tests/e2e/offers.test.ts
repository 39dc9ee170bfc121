import { offerSchema } from '~/core/pricing';
import { signInOwner } from '../support/owner';
import { startServer } from '../support/server';
import {
  addWinder,
  changingTest as test,
  expect,
  expectAccessible,
  fillCheckout,
  PHONE,
  phonePage,
  signIn,
  cartChanged,
} from './harness';

test('an offer is made from nothing, its receipt seen, checked, published, and bought with on a phone', async ({
  page,
  browser,
  server,
}) => {
  await signIn(page, server.origin, '/studio/offers');
  await page.getByLabel('Add an offer').selectOption('Quantity discount');
  const sentence = page.getByTestId('sentence');
  await expect(sentence).toHaveText(
    /^Sell in the whole shop by quantity of one kind: from 5 on 5 % off each, each item by one offer of/,
  );
  await page.getByLabel('Name', { exact: true }).fill('More wind');
  await page.getByLabel('Step 1: from').fill('2');
  await page.getByLabel('Step 1: percent').fill('25');
  await page.locator('summary').first().click();
  await page.getByRole('radio', { name: 'only' }).check();
  await page.getByLabel('Add a category: In, only').selectOption('Lines and winders');
  await expect(sentence).toHaveText(/in category “Lines and winders” by quantity of one kind: from 2 on 25 % off each/);
  // A larger step that is worse makes no offer, and is said.
  await page.getByRole('button', { name: 'Add a step' }).click();
  await page.getByLabel('Step 2: percent').fill('10');
  await expect(page.getByRole('alert')).toContainText('must get better with more');
  await page.getByRole('button', { name: 'Remove step 2' }).click();

  const till = page.getByRole('region', { name: 'Try it on a cart' });
  await till.getByPlaceholder('Find a product').fill('hoop');
  await till.getByRole('button', { name: '+ Hoop Winder' }).click();
  const strip = page.getByTestId('strip');
  await expect(strip).toContainText('€7.90');
  await strip.getByLabel(/How many: Hoop Winder/).fill('3');
  await expect(strip).toContainText('More wind−€5.94');
  await expect(strip).toContainText('Total€22.66');
  await expect(till).toContainText('First windneeds its code');
  await page.getByLabel('On', { exact: true }).check();
  await expectAccessible(page, 'the offers');

  await page.getByRole('button', { name: 'Calendar' }).click();
  await expect(page.getByRole('button', { name: /^More wind: always so far, without end/ })).toBeVisible();
  await page.getByRole('button', { name: 'Checks' }).click();
  await page.getByLabel('Floor of the shop in percent').fill('80');
  await page.getByRole('button', { name: 'Look for a cart under the floor' }).click();
  await expect(page.getByText('A cart sells under your floor')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/^Looked at [\d,]+ carts, each under/)).toBeVisible();
  await page.getByLabel('Floor of the shop in percent').fill('15');
  await expectAccessible(page, 'the checks of offers');
  await page.getByRole('button', { name: 'Past orders' }).click();
  await page.getByRole('button', { name: 'Price all past orders' }).click();
  await expect(page.getByText(/^\d+ of \d+$/)).toBeVisible({ timeout: 30_000 });

  await page
    .getByRole('button', { name: /^Publish/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toContainText('The offer “More wind”');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Publish/ })
    .click();
  await expect(page.getByRole('dialog')).toBeHidden();

  const phone = await phonePage(browser);
  await phone.goto(`${server.origin}/shop/p/hoop-winder`);
  await phone.locator('main input[name=quantity]').fill('3');
  await expect(phone.locator('[data-price]')).toHaveText('€17.76');
  await expect(phone.locator('[data-was]')).toHaveText('€23.70');
  const added = cartChanged(phone);
  await phone.locator('main form[data-pl-add] button[data-add]').click();
  await added;
  await phone.goto(`${server.origin}/shop/cart`);
  await expect(phone.getByText('€17.76').first()).toBeVisible();
  await phone.goto(`${server.origin}/shop/checkout`);
  await fillCheckout(phone);
  await phone.getByRole('button', { name: 'Order and pay' }).first().click();
  await phone.waitForURL(/\/shop\/thanks\//);
  await expect(phone.getByText(/^[−-]€5.94$/)).toBeVisible();
  await phone.close();
  const owner = await signInOwner(server);
  const orders = await (
    await fetch(`${server.origin}/api/studio/orders`, { headers: { cookie: owner.cookie } })
  ).text();
  expect(orders).toContain('22.66');
});

test('a countdown ends while the cart is open: the price is the old one again, and nothing starts anew', async ({
  browser,
  server,
}) => {
  const owner = await signInOwner(server);
  const until = new Date(Date.now() + 14_000).toISOString();
  await owner.publish((lane) => {
    lane.offers = {
      half: offerSchema.parse({
        kind: 'percentOff',
        name: 'Half',
        target: 'lines',
        basisPoints: 5000,
        when: { until },
      }),
    };
  });
  const phone = await phonePage(browser);
  await addWinder(phone, server.origin);
  await phone.goto(`${server.origin}/shop/cart`);
  const line = phone.locator('[data-line] .sum').first();
  await expect(line).toHaveText('€7.90 €3.95');
  const timer = phone.getByRole('timer');
  await expect(timer).toHaveText(/^Half ends in 0:00:\d\d$/);
  const left = Number((await timer.textContent())!.slice(-2));
  await phone.reload();
  await expect(timer).toBeVisible();
  // The server tells its time in whole seconds: one page may read it a second later than the other, and no more.
  expect(Number((await timer.textContent())!.slice(-2))).toBeLessThanOrEqual(left + 1);
  await expect(timer).toHaveCount(0, { timeout: 20_000 });
  await expect(line).toHaveText('€7.90');
  await expect(phone.getByText('€3.95')).toHaveCount(0);
  await phone.close();
});

test('what is told of is taken by a press, and readers of the letter pay less', async ({ browser, server }) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    const off = { kind: 'amountOff', target: 'order' };
    lane.offers = {
      code: offerSchema.parse({ ...off, name: 'Wind', amountMinor: 200, when: { code: 'WIND2' }, told: true }),
      big: offerSchema.parse({ ...off, name: 'Big day', amountMinor: 500, when: { minGoodsMinor: 9000 }, told: true }),
      letter: offerSchema.parse({ ...off, name: 'Letter', amountMinor: 100, when: { sources: ['letter'] } }),
    };
    lane.shop.severalCodes = true;
  });
  const userAgent = 'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36';
  const context = await browser.newContext({ ...PHONE, userAgent });
  const phone = await context.newPage();
  await phone.goto(`${server.origin}/shop?from=letter`);
  await addWinder(phone, server.origin);
  await phone.goto(`${server.origin}/shop/cart`);
  const total = phone.locator('.totals .sum, [data-part=totals]').last();
  await expect(phone.getByText('Add €82.10 for “Big day”.')).toBeVisible();
  await expect(phone.getByText('€2.00 less with WIND2')).toBeVisible();
  await expectAccessible(phone, 'a cart with hints');
  await phone.getByRole('button', { name: 'Apply: WIND2' }).click();
  await expect(phone.getByText('WIND2: €2.00 off')).toBeVisible();
  await expect(phone.getByText('less with WIND2')).toHaveCount(0);
  // What the letter's readers are told in the letter counts by itself.
  await expect(async () => {
    await phone.reload();
    await expect(phone.getByText('Letter').first()).toBeAttached({ timeout: 1500 });
  }).toPass({ timeout: 15_000 });
  await expect(total).toContainText('€4.90');
  await context.close();

  const other = await phonePage(browser);
  await addWinder(other, server.origin);
  await other.goto(`${server.origin}/shop/cart`);
  await expect(other.getByText('€2.00 less with WIND2')).toBeVisible();
  await expect(other.getByText('Letter')).toHaveCount(0);
  await other.close();
});

test('a price by quantity is taken by a press, with and without script', async ({ page, browser, server }) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    lane.offers = {
      more: offerSchema.parse({ kind: 'quantityBreaks', name: 'More', breaks: [{ from: 5, basisPoints: 1000 }] }),
    };
  });
  await page.goto(`${server.origin}/shop/p/hoop-winder`);
  await page.getByRole('link', { name: '5 for €35.55' }).click();
  await expect(page.locator('main input[name=quantity]')).toHaveValue('5');
  await expect(page.locator('[data-price]')).toHaveText('€35.55');
  await expectAccessible(page);
  const context = await browser.newContext({ javaScriptEnabled: false });
  const plain = await context.newPage();
  await plain.goto(`${server.origin}/shop/p/hoop-winder`);
  await plain.getByRole('link', { name: '5 for €35.55' }).click();
  await expect(plain.locator('main input[name=quantity]')).toHaveValue('5');
  await expect(plain.locator('[data-price]')).toHaveText('€35.55');
  await context.close();
});

test('pairs that were found are accepted, and seen in the added popup with their reason', async ({ page }) => {
  test.setTimeout(180_000);
  // Enough orders to be certain of something.
  const server = await startServer(0.3);
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    const popup = lane.pieces['added-popup']!;
    popup.on = true;
    popup.parts.find(({ key }) => key === 'suggestions')!.on = true;
    lane.pieces['slide-out-cart']!.settings['opensOnAdd'] = false;
  });
  await signIn(page, server.origin, '/studio/suggestions');
  await page.getByRole('button', { name: 'Look through all orders' }).click();
  await expect(page.getByText(/^[\d,]+ orders, \d+ products\./)).toBeVisible({ timeout: 30_000 });
  const row = page.getByRole('row').filter({ hasText: 'Hoop Winder' }).filter({ hasText: 'Single Line 40 kg' }).first();
  await row.getByRole('button', { name: /^Accept/ }).click();
  await expect(page.getByText(/^1 pair accepted/)).toBeVisible();
  await expectAccessible(page, 'the finder');

  await addWinder(page, server.origin);
  const popup = page.getByRole('dialog');
  await expect(popup.getByRole('link', { name: /^Single Line 40 kg/ })).toBeVisible();
  await popup.getByText('Why this?').first().click();
  await expect(
    popup.getByText(/^Why this\?Bought together in \d+ of \d+ orders, [\d.]+ times as often as by chance/),
  ).toBeVisible();
  await server.stop();
});

test('orders made elsewhere are looked through from a file, once its columns are right', async ({ page, server }) => {
  const csv = ['Ref,Kite,Bought on'];
  for (let order = 0; order < 60; order += 1)
    for (const name of order % 2 ? ['Minnow', 'Weather Hat'] : ['Heron', 'Hollowtarn Mug', 'Nothing of ours'])
      csv.push(`A${order},${name},2026-${String(1 + Math.floor(order / 5)).padStart(2, '0')}-03`);
  await signIn(page, server.origin, '/studio/suggestions');
  await page.getByText('From a file of orders made elsewhere').click();
  await page
    .getByLabel('Orders file')
    .setInputFiles({ name: 'orders.csv', mimeType: 'text/csv', buffer: Buffer.from(csv.join('\n')) });
  await expect(page.getByRole('alert').first()).toContainText('No column was found for Order number');
  await page.getByLabel('Column Ref holds').selectOption('Order number');
  await page.getByLabel('Column Kite holds').selectOption('SKU or product name');
  await page.getByLabel('Column Bought on holds').selectOption('Day of the order');
  await expect(page.getByText('60 orders in 150 rows.')).toBeVisible();
  await expect(page.getByText('1 name is not in your catalogue and stays out')).toBeVisible();
  await expectAccessible(page, 'a file of orders');
  await page.getByLabel('Together with the orders of this shop').uncheck();
  await page.getByRole('button', { name: 'Look through 60 orders' }).click();
  await expect(page.getByText(/^60 orders, 4 products\./)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('region', { name: 'Pairs' })).toContainText('Minnow and Weather Hat');
});

test('a better one is taken in the cart: what changes and costs is said, the quantity stays', async ({
  browser,
  server,
}) => {
  const phone = await phonePage(browser);
  await phone.goto(`${server.origin}/shop/p/kestrel`);
  await phone.locator('main input[name=quantity]').fill('2');
  const added = cartChanged(phone);
  await phone.locator('main form[data-pl-add] button[data-add]').click();
  await added;
  await phone.goto(`${server.origin}/shop/cart`);
  const offer = phone.locator('.better');
  await expect(offer).toContainText('Or rather Kestrel Plus');
  await expect(offer).toContainText('→');
  await expectAccessible(phone, 'a cart with a better one');
  const main = phone.locator('dl.totals .main dd');
  const sum = async () => Number((await main.textContent())!.replace(/[^\d]/g, ''));
  const before = await sum();
  const button = offer.getByRole('button', { name: /^Swap for €[\d.,]+ more$/ });
  const more = Number((await button.textContent())!.replace(/[^\d]/g, ''));
  await button.click();
  await expect(phone.locator('[data-line] .text a').first()).toHaveText('Kestrel Plus');
  await expect(phone.locator('[data-line] input[name=quantity]')).toHaveValue('2');
  expect((await sum()) - before).toBe(more);
  await expect(offer).toHaveCount(0);
  await phone.close();
});

test('a better one costs its own price where it was swapped in, in the cart and in what is charged', async ({
  browser,
  server,
}) => {
  const phone = await phonePage(browser);
  await phone.goto(`${server.origin}/shop/p/merlin`);
  const added = cartChanged(phone);
  await phone.locator('main form[data-pl-add] button[data-add]').click();
  await added;
  await phone.goto(`${server.origin}/shop/cart`);
  await phone.getByRole('button', { name: 'Swap for €30.00 more' }).click();
  const line = phone.locator('[data-line]');
  await expect(line.locator('.text a').first()).toHaveText('Merlin Ultralight');
  await expect(line).toContainText('€199.00');
  await phone.goto(`${server.origin}/shop/checkout`);

  await expect(phone.locator('main')).toContainText('€199.00');
  await expect(phone.locator('main')).not.toContainText('€219.00');
  await phone.close();
});
