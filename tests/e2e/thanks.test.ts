import type { BrowserContext } from '@playwright/test';
import type { Product } from '~/core/catalogue';
import { applyLayout, newPiece, type Piece } from '~/core/lane';
import { offerSchema } from '~/core/pricing';
import { definitionOf } from '~/pieces/definitions';
import { signInOwner } from '../support/owner';
import type { TestServer } from '../support/server';
import {
  changingTest as test,
  expect,
  expectAccessible,
  fillCheckout,
  PHONE,
  phonePage,
  signIn,
  type Page,
} from './harness';

const definition = definitionOf('thanks-page')!;
const LAYOUTS = Object.keys(definition.layouts!);

/** Publishes one thank-you page, with a code for next time and an offer around birthdays. */
async function publishThanks(server: TestServer, change: (page: Piece) => void): Promise<void> {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    const page = newPiece(definition, true);
    page.where.spot = 'thanks.main';
    change(page);
    for (const [id, { kind }] of Object.entries(lane.pieces)) if (kind === 'thanks-page') delete lane.pieces[id];
    lane.pieces['thanks'] = page;
    lane.offers['again'] = offerSchema.parse({
      name: 'Again',
      kind: 'percentOff',
      target: 'lines',
      basisPoints: 1000,
      when: { code: 'AGAIN', isOneTime: true },
    });
    lane.offers['birthday'] = offerSchema.parse({
      name: 'Birthday',
      kind: 'amountOff',
      target: 'order',
      amountMinor: 500,
      when: { birthdayDays: 183 },
    });
  });
}

async function productOf(server: TestServer, slug: string): Promise<Product> {
  return (await (await fetch(`${server.origin}/api/products/${slug}`)).json()) as Product;
}

/** Orders one of a product, without script where the page has none, and stays on the page that thanks. */
async function order(page: Page, server: TestServer, slug: string, email?: string): Promise<void> {
  const { sku } = (await productOf(server, slug)).variants[0]!;
  await page.goto(`${server.origin}/shop/buy?sku=${sku}&to=checkout`);
  await page.getByRole('button', { name: 'Add to cart' }).click();
  await page.waitForURL(/\/shop\/checkout/);
  await fillCheckout(page);
  if (email) await page.getByLabel('E-mail').fill(email);
  await page.locator('button[name=intent][value=order]').click();
  await page.waitForURL(/\/shop\/thanks\//);
}

test('what is offered after the order is added by one press, without script, and is packed with it', async ({
  page,
  server,
  browser,
}) => {
  const mug = await productOf(server, 'hollowtarn-mug');
  await publishThanks(server, (it) => {
    applyLayout(it, definition.layouts!['doorstep']!);
    Object.assign(it.settings, { offerGoods: { sku: mug.variants[0]!.sku, quantity: 1, code: '' }, offerPercent: 20 });
  });
  const context = await browser.newContext({ ...PHONE, javaScriptEnabled: false });
  const buyer = await context.newPage();
  await order(buyer, server, 'carbon-spar');
  const offer = buyer.locator('[data-part=offer]');
  await expect(offer.getByText('€9.60', { exact: true })).toBeVisible();
  await offer.getByRole('button', { name: 'Add it for €9.60' }).click();
  await expect(buyer.getByText('Added to your order. €9.60 was charged to the same card.')).toBeVisible();
  await expect(buyer.getByText('1 × Hollowtarn Mug')).toBeVisible();
  // Come back to later, the page says the same, and nothing can be added twice.
  await buyer.reload();
  await expect(buyer.getByRole('button', { name: /Add it for/ })).toHaveCount(0);
  await expect(buyer.getByText('€9.60 was charged')).toBeVisible();
  const number = /Order (\d+)/.exec((await buyer.textContent('.thanks-head')) ?? '')![1]!;
  await context.close();

  await signIn(page, server.origin, `/studio/orders?q=${number}`);
  await page
    .getByRole('link', { name: new RegExp(number) })
    .first()
    .click();
  await expect(page.getByText('Hollowtarn Mug').first()).toBeVisible();
  await page.getByRole('button', { name: 'Mark as packed' }).click();
  await expect(page.getByRole('button', { name: 'Mark as packed' })).toHaveCount(0);
});

test('an offer that ends lies over the page once, and runs by the shop’s clock, whatever the shopper’s says', async ({
  server,
  browser,
}) => {
  const mug = await productOf(server, 'hollowtarn-mug');
  const goods = { sku: mug.variants[0]!.sku, quantity: 1, code: '' };
  await publishThanks(server, (it) => {
    applyLayout(it, definition.layouts!['doorstep']!);
    Object.assign(it.settings, { offerGoods: goods, offerMinutes: 10, offerStands: 'popup', offerPicture: 'large' });
  });
  const context = await browser.newContext(PHONE);
  const buyer = await context.newPage();
  await order(buyer, server, 'carbon-spar');
  const popup = buyer.getByRole('dialog', { name: 'Add this before we pack' });
  await expect(popup).toBeVisible();
  // A stray Enter charges nothing.
  await buyer.keyboard.press('Enter');
  await expect(popup).toBeVisible();
  await expectAccessible(buyer, 'a timed offer in a popup');
  await expect(popup.getByRole('timer')).toHaveText(/^0:0\d:\d\d left$/);
  await popup.getByRole('button', { name: 'No, thank you' }).click();
  await expect(popup).toHaveCount(0);
  const address = buyer.url();
  const secondsLeft = async (page: Page) => {
    const [, minutes, seconds] = /0:(\d\d):(\d\d)/.exec(await page.getByRole('timer').innerText())!;
    return Number(minutes) * 60 + Number(seconds);
  };
  const first = await secondsLeft(buyer);
  expect(first).toBeLessThan(600);
  // A clock that is a day slow, and a page that is loaded anew: no second is won.
  const slow = await context.newPage();
  await slow.clock.install({ time: Date.now() - 86_400_000 });
  await slow.goto(address);
  expect(await secondsLeft(slow)).toBeLessThanOrEqual(first);
  await expect(slow.getByRole('dialog')).toHaveCount(0);
  // When it is over it is gone while the page is looked at.
  await slow.clock.fastForward(600_000);
  await expect(slow.getByRole('timer')).toBeHidden();
  await expect(slow.getByRole('button', { name: /Add it for/ })).toBeHidden();
  await context.close();
});

test('a code, the same again, and a birthday that is asked for once', async ({ server, browser }) => {
  test.setTimeout(120_000);
  await publishThanks(server, (it) => {
    applyLayout(it, definition.layouts!['return']!);
    it.settings['couponOffer'] = 'again';
  });
  const context = await browser.newContext(PHONE);
  const buyer = await context.newPage();
  await order(buyer, server, 'minnow', 'once@shop.example');
  const code = await buyer.locator('.thanks-code').innerText();
  expect(code).toMatch(/^AGAIN-[A-Z0-9]{9}$/);

  // A day there is none of is refused; the question stands.
  await buyer.getByLabel('Day').selectOption('31');
  await buyer.getByLabel('Month').selectOption('February');
  await buyer.getByRole('button', { name: 'Keep my birthday' }).click();
  await expect(buyer.getByText('Choose a day and a month that go together.')).toBeVisible();
  await buyer.getByLabel('Day').selectOption('29');
  await buyer.getByLabel('Month').selectOption('February');
  await buyer.getByRole('button', { name: 'Keep my birthday' }).click();
  await expect(buyer.getByText('Thank you. We have noted it.')).toBeVisible();
  await expect(buyer.getByLabel('Month')).toHaveCount(0);

  // The same again: with the code of this order, which works once, and the birthday's own offer.
  await buyer.getByRole('button', { name: 'Order again' }).click();
  await buyer.waitForURL(/\/shop\/cart/);
  await expect(buyer.getByText(new RegExp(code, 'i')).first()).toBeVisible();
  await buyer.goto(`${server.origin}/shop/checkout`);
  await fillCheckout(buyer);
  await buyer.getByLabel('E-mail').fill('once@shop.example');
  await buyer.locator('button[name=intent][value=order]').click();
  // The birthday lowers the price once it is paid: less is charged than was shown, and the page says so.
  await buyer.waitForURL(/\/shop\/thanks\//);
  await expect(buyer.getByText('€5.00 less than you were shown')).toBeVisible();
  await expect(buyer.locator('.totals, [data-part=summary]').getByText('€20.51').first()).toBeVisible();
  // Asked once, ever.
  await expect(buyer.getByRole('heading', { name: 'For your next order' })).toBeVisible();
  await expect(buyer.getByLabel('Month')).toHaveCount(0);
  await expect(buyer.locator('.thanks-code')).not.toHaveText(code);
  await context.close();
});

test('every layout works on a phone, without script and from right to left, and axe finds nothing', async ({
  server,
  browser,
}) => {
  test.setTimeout(240_000);
  const mug = await productOf(server, 'hollowtarn-mug');
  const withAll = (layout: string) => (it: Piece) => {
    applyLayout(it, definition.layouts![layout]!);
    for (const part of it.parts) part.on = true;
    Object.assign(it.settings, {
      offerGoods: { sku: mug.variants[0]!.sku, quantity: 1, code: '' },
      couponOffer: 'again',
    });
  };
  expect(LAYOUTS.length).toBeGreaterThanOrEqual(4);
  await publishThanks(server, withAll(LAYOUTS[0]!));
  const buyers: { address: string; storageState: Awaited<ReturnType<BrowserContext['storageState']>> }[] = [];
  for (const language of ['en', 'ar']) {
    const context = await browser.newContext({ ...PHONE, javaScriptEnabled: false });
    const buyer = await context.newPage();
    await buyer.goto(`${server.origin}/shop/?lang=${language}`);
    const { sku } = (await productOf(server, 'puddle-sled')).variants[0]!;
    await buyer.goto(`${server.origin}/shop/buy?sku=${sku}&to=checkout&lang=${language}`);
    await buyer.locator('[data-pl-main]').click();
    await buyer.waitForURL(/\/shop\/checkout/);
    for (const [name, value] of Object.entries({
      email: `${language}@shop.example`,
      name: 'Ada Lund',
      line1: 'Seestraße 1',
      postcode: '12345',
      city: 'Windau',
      cardNumber: '5000000000000001',
    }))
      await buyer.locator(`[name=${name}]`).fill(value);
    await buyer.locator('button[name=intent][value=order]').click();
    await buyer.waitForURL(/\/shop\/thanks\//);
    buyers.push({ address: buyer.url(), storageState: await context.storageState() });
    await context.close();
  }
  for (const layout of LAYOUTS) {
    await publishThanks(server, withAll(layout));
    for (const [i, { address, storageState }] of buyers.entries())
      for (const javaScriptEnabled of [true, false]) {
        // What looks for faults is a script itself.
        const context = await browser.newContext({ ...PHONE, javaScriptEnabled, storageState });
        const page = await context.newPage();
        await page.goto(address);
        await expect(page.locator('html')).toHaveAttribute('dir', i === 0 ? 'ltr' : 'rtl');
        for (const part of ['thanks', 'offer', 'summary', 'delivery', 'next', 'coupon', 'reorder', 'birthday', 'back'])
          await expect(page.locator(`[data-part=${part}]`), `${layout} ${part}`).toBeVisible();
        const width = await page.locator('.thanks').evaluate((element) => element.scrollWidth);
        expect(width, layout).toBeLessThanOrEqual(390);
        if (javaScriptEnabled) await expectAccessible(page, `${layout} ${i === 0 ? 'en' : 'ar'}`);
        await context.close();
      }
  }
  // Whoever only has the address reads no name, and is asked who they are.
  for (const { address } of buyers) {
    const stranger = await phonePage(browser);
    await stranger.goto(address);
    await expect(stranger.locator('[name=email]')).toBeVisible();
    await expect(stranger.getByText('Ada Lund')).toHaveCount(0);
    await expectAccessible(stranger, 'an order seen by a stranger');
    await stranger.context().close();
  }
});
