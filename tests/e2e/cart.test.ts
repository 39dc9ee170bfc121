import type { Lane } from '~/core/lane';
import { createApp } from '~/services/app';
import {
  addWinder,
  expect,
  expectAccessible,
  fillCheckout,
  PHONE,
  playLane,
  saidBeside,
  signIn,
  test,
  type Page,
} from './harness';

const surface = (page: Page) => page.getByRole('dialog', { name: 'Your cart' });

/** The cart opens on add, and with these settings and parts. */
const withCart =
  (settings: object = {}, parts: readonly string[] = []) =>
  (lane: Lane) => {
    lane.pieces['added-popup']!.on = false;
    const cart = lane.pieces['slide-out-cart']!;
    Object.assign(cart.settings, settings);
    for (const part of cart.parts) if (parts.includes(part.key)) part.on = true;
  };

/** Puts the kite that is sewn to order into the cart. */
async function addKite(page: Page, origin: string): Promise<void> {
  await page.goto(`${origin}/shop/p/sail-your-own`);
  const form = page.locator('form[data-product-form]');
  await form.getByLabel('Name on the sail').fill('Ada');
  await form.getByText('Night').click();
  await form.getByText('One colour').click();
  await form.getByText('No tail').click();
  await form.getByRole('button', { name: 'Add to cart' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
}

for (const [device, viewport] of [
  ['phone', { width: 390, height: 844 }],
  ['desktop', { width: 1280, height: 800 }],
] as const) {
  test.describe(`on a ${device}`, () => {
    test.use(device === 'phone' ? PHONE : { viewport });

    test('the cart changes at once, puts back what was taken out, and takes a refused change back', async ({
      page,
      server,
    }) => {
      await playLane(page, withCart());
      await addWinder(page, server.origin);
      const cart = surface(page);
      await expect(cart).toContainText('Add €52.10 for free delivery.');
      await cart.getByRole('button', { name: 'One more' }).click();
      await expect(cart.locator('.lines .sum')).toHaveText('€15.80');
      await expect(page.locator('pl-cart-opener')).toContainText('2');
      await expectAccessible(page);

      await page.route('**/api/cart', (route) =>
        route.request().method() === 'POST'
          ? route.fulfill({
              status: 409,
              json: { problems: [{ path: 'quantity', message: 'Only 2 of Hoop Winder left.' }] },
            })
          : route.continue(),
      );
      await cart.getByRole('button', { name: 'One more' }).click();
      await expect(saidBeside(page)).toHaveText('Only 2 of Hoop Winder left.');
      await expect(cart.getByRole('spinbutton', { name: 'Quantity' })).toHaveValue('2');
      await page.unroute('**/api/cart');

      await cart.getByRole('button', { name: 'Remove: Hoop Winder' }).click();
      await expect(cart).toContainText('Your cart is empty.');
      await cart.getByRole('button', { name: 'Undo' }).click();
      await expect(cart.getByRole('spinbutton', { name: 'Quantity' })).toHaveValue('2');
    });

    test('choices are changed in the cart: in the line, priced anew, the same line, and back', async ({
      page,
      server,
    }) => {
      await playLane(page, withCart());
      await addKite(page, server.origin);
      const cart = surface(page);
      const id = await cart.locator('[data-line]').getAttribute('data-line');
      await expect(cart.locator('.lines .sum')).toHaveText('€117.00');
      await cart.getByRole('link', { name: 'Edit: Sail Your Own' }).click();

      const editor = page.getByRole('region', { name: 'Edit Sail Your Own' });
      await expect(editor.getByLabel('Name on the sail')).toHaveValue('Ada');
      await editor.getByText('Medium').click();
      await editor.getByText('With a tail').click();
      await editor.getByRole('button', { name: 'Save changes' }).click();
      await expect(editor.getByText('Please fill in “Tail length”.')).toBeVisible();
      await editor.getByLabel('Tail length').fill('2');
      await expect(editor.getByText('New price: €142.00 (before: €117.00)')).toBeVisible();
      await editor.getByRole('button', { name: 'Save changes' }).click();

      await expect(cart.locator('.lines .sum')).toHaveText('€142.00');
      await expect(cart.locator('[data-line]')).toHaveAttribute('data-line', id!);
      await expect(editor).toBeHidden();
      await cart.getByRole('button', { name: 'Undo' }).click();
      await expect(cart.locator('.lines .sum')).toHaveText('€117.00');
    });

    test('choices can be changed in a dialog, which gives the cart back, and by keyboard alone', async ({
      page,
      server,
    }) => {
      await playLane(page, (lane) => {
        withCart()(lane);
        lane.pieces['line-editor']!.settings['form'] = 'dialog';
      });
      await addKite(page, server.origin);
      await surface(page).getByRole('link', { name: 'Edit: Sail Your Own' }).focus();
      await page.keyboard.press('Enter');
      const dialog = page.getByRole('dialog', { name: 'Edit Sail Your Own' });
      await expect(dialog.getByLabel('Name on the sail')).toHaveValue('Ada');
      await expectAccessible(page);
      await page.keyboard.press('Escape');
      await expect(surface(page)).toBeVisible();

      await surface(page).getByRole('link', { name: 'Edit: Sail Your Own' }).focus();
      await page.keyboard.press('Enter');
      await dialog.getByLabel('Name on the sail').focus();
      await page.keyboard.press('Control+A');
      await page.keyboard.type('Bo');
      await dialog.getByRole('button', { name: 'Save changes' }).focus();
      await page.keyboard.press('Enter');
      await expect(surface(page)).toContainText('Name on the sail: Bo');
    });

    test('codes, delivery and sums explain themselves', async ({ page, server }) => {
      await playLane(page, withCart({ couponFolded: false }, ['estimate', 'note']));
      await addWinder(page, server.origin);
      const cart = surface(page);
      await cart.getByLabel('Discount code', { exact: true }).fill('WIND10');
      await cart.getByRole('button', { name: 'Apply' }).click();
      await expect(cart.getByText('This code needs an order of €30.00. Add €22.10.')).toBeVisible();

      for (let i = 0; i < 3; i += 1) {
        await cart.getByRole('button', { name: 'One more' }).click();
        await expect(cart.getByRole('spinbutton', { name: 'Quantity' })).toHaveValue(String(i + 2));
      }
      await cart.getByRole('button', { name: 'Apply' }).click();
      await expect(cart.getByText('WIND10: €3.16 off')).toBeVisible();

      await cart.getByLabel('Country').selectOption('NO');
      await cart.getByLabel('Postcode').fill('12');
      await cart.getByRole('button', { name: 'Show delivery', exact: true }).click();
      await expect(cart.getByText('Enter the postcode as it is written in Norway.')).toBeVisible();
      await cart.getByLabel('Postcode').fill('0150');
      await cart.getByRole('button', { name: 'Show delivery', exact: true }).click();
      await expect(cart.locator('.ways')).toContainText('€16.90');
      await expect(cart.locator('.totals')).toContainText('€45.34'); // 31.60 − 3.16 + 16.90

      await cart.getByText('Price breakdown').click();
      const steps = cart.locator('.why');
      await expect(steps).toContainText('4 × €7.90');
      await expect(steps).toContainText('−€3.16');
      await expect(steps).toContainText('Includes 20 % tax');
      await cart.getByLabel('Note with your order').fill('Ring twice');
      await cart.getByLabel('Note with your order').blur();
      await page.goto(`${server.origin}/shop/checkout`);
      await expect(page.getByLabel('Postcode')).toHaveValue('0150');
      await page.getByRole('button', { name: 'Remove: WIND10' }).click();
      await expect(page.locator('.totals')).toContainText('€48.50'); // 31.60 + 16.90
    });
  });
}

test('the cart opens within sight also when the page is scrolled, in each of its forms', async ({ page, server }) => {
  for (const form of ['slide', 'drop', 'popup'] as const) {
    await page.unrouteAll();
    await playLane(page, withCart({ form }));
    await page.goto(`${server.origin}/shop/all`);
    await page.mouse.wheel(0, 900);
    await expect.poll(() => page.evaluate(() => scrollY)).toBeGreaterThan(0);
    await page.locator('[data-pl-add] button').last().click();
    await expect(surface(page)).toHaveAttribute('data-form', form);
    await expect(surface(page).getByRole('button', { name: 'Close' })).toBeInViewport({ ratio: 1 });
    await page.mouse.click(20, 780);
    await expect(surface(page)).toBeHidden();
  }

  await page.unrouteAll();
  await playLane(page, withCart({ form: 'checkout', opensOnAdd: false }));
  await page.reload();
  await page.locator('pl-cart-opener').getByRole('link').click();
  await expect(page).toHaveURL(`${server.origin}/shop/checkout`);
});

test('two tabs show the same cart, and what cannot be sent is sent later', async ({ context, server }) => {
  const [one, other] = [await context.newPage(), await context.newPage()];
  await playLane(one, withCart());
  await playLane(other, withCart());
  await addWinder(one, server.origin);
  await other.goto(`${server.origin}/shop/cart`);
  await expect(other.getByRole('spinbutton', { name: 'Quantity' })).toHaveValue('1');
  await surface(one).getByRole('button', { name: 'One more' }).click();
  await expect(other.getByRole('spinbutton', { name: 'Quantity' })).toHaveValue('2');

  await context.setOffline(true);
  await other.getByRole('button', { name: 'One more' }).click();
  await expect(saidBeside(other)).toContainText('No connection just now.');
  await expect(other.getByRole('spinbutton', { name: 'Quantity' })).toHaveValue('3');
  await context.setOffline(false);
  await expect(surface(one).getByRole('spinbutton', { name: 'Quantity' })).toHaveValue('3');
  await other.reload();
  await expect(other.getByRole('spinbutton', { name: 'Quantity' })).toHaveValue('3');
});

test('the cart page keeps its pictures in narrow columns, as a table and as cards, right to left, too', async ({
  browser,
  server,
}) => {
  const page = await (await browser.newContext({ ...PHONE, viewport: { width: 320, height: 700 } })).newPage();
  await addWinder(page, server.origin);
  for (const [lay, language] of [
    ['table', 'en'],
    ['cards', 'ar'],
  ] as const) {
    await page.unrouteAll();
    await playLane(page, (lane) => void (lane.pieces['cart-page']!.settings['lay'] = lay), language);
    await page.goto(`${server.origin}/shop/cart`);
    await expect(page.locator('.lines')).toHaveAttribute('data-lay', lay);
    await expect(page.locator('pl-cart-page .page')).toHaveAttribute('dir', language === 'ar' ? 'rtl' : 'ltr');
    const picture = await page.locator('.lines img').boundingBox();
    expect(picture!.width).toBeGreaterThan(40);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
    await expectAccessible(page);
  }
});

test('checkout: the order is changed in place, a failed payment loses nothing, and one mail goes out', async ({
  page,
  server,
}) => {
  await addWinder(page, server.origin);
  await page.goto(`${server.origin}/shop/checkout`);
  await page.getByRole('button', { name: 'One more' }).click();
  await expect(page.locator('.totals')).toContainText('€20.70'); // 15.80 + 4.90
  await page.getByRole('radio', { name: /Express/ }).check();
  await expect(page.locator('.totals')).toContainText('€28.70');
  await expectAccessible(page);

  await page.getByRole('button', { name: 'Order and pay' }).click();
  await expect(page.getByText('Please fill this in.', { exact: true })).toHaveCount(6);
  // What is wrong is in view, with the focus, and leads to each field.
  const notice = page.getByRole('alert').filter({ hasText: 'Please check 6 fields:' });
  await expect(notice).toBeFocused();
  await expect(notice).toBeInViewport({ ratio: 1 });
  await notice.getByRole('button', { name: 'E-mail' }).click();
  await expect(page.getByLabel('E-mail')).toBeFocused();
  // A likely slip is asked about, and mended by a press.
  await page.getByLabel('E-mail').fill('ada@gmial.com');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Did you mean ada@gmail.com?' }).click();
  await expect(page.getByLabel('E-mail')).toHaveValue('ada@gmail.com');
  await expect(page.getByRole('button', { name: /^Did you mean/ })).toHaveCount(0);
  await fillCheckout(page, '0002');
  await page.getByRole('button', { name: 'Order and pay' }).click();
  await expect(
    page.getByRole('alert').getByText('The card was declined. Nothing was charged and your cart is kept.'),
  ).toBeVisible();
  await expect(page.getByLabel('Town')).toHaveValue('Windau');
  await expect(page.getByRole('radio', { name: /Express/ })).toBeChecked();

  await page.reload();
  await expect(page.getByLabel('E-mail')).toHaveValue('ada@example.com');
  await expect(page.getByLabel('Card number')).toHaveValue('');
  await page.getByLabel('Card number').fill('5000 0000 0000 0001');
  await page.getByRole('button', { name: 'Order and pay' }).click();
  await expect(page.getByRole('heading', { name: 'Thank you, Ada Lund.' })).toBeVisible();
  await expect(page.getByText('€28.70')).toBeVisible();

  const app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
  const token = page.url().split('/').at(-1)!;
  const mails = (await app.mailbox.list(50)).filter((mail) => mail.id === `order-${token}`);
  await app.db.close();
  expect(mails).toHaveLength(1);
  await signIn(page, server.origin, '/studio/mailbox');
  await expect(page.getByRole('heading', { name: /^Your order \d+ at Hollowtarn Kites$/ })).toBeVisible();
  await expect(page.frameLocator('iframe[title="The mail"]').getByText('2 × Hoop Winder').first()).toBeVisible();
});

test('a cart that is paid for in one tab is gone from the others', async ({ page, server }) => {
  await addWinder(page, server.origin);
  const other = await page.context().newPage();
  await other.goto(`${server.origin}/shop/cart`);
  await expect(other.locator('[data-line]')).toHaveCount(1);
  await expect(page.locator('[data-pl-count]').first()).toHaveText('1');
  const third = await page.context().newPage();
  await third.goto(`${server.origin}/shop/quick-pay`);
  await third.getByRole('button', { name: 'Pay €12.80' }).click();
  await expect(third.getByRole('heading', { name: 'Thank you, Ida Brandt.' })).toBeVisible();

  await expect(other.getByText('Your cart is empty.')).toBeVisible();
  await expect(page.locator('[data-pl-count]').first()).toHaveText('0');
});

test('without a connection, what opens says so, and nothing leads to an error page', async ({ page, server }) => {
  await page.goto(`${server.origin}/shop/c/single-line`);
  await page.waitForLoadState('networkidle');
  // With the first sign of somebody comes what says so.
  await page.mouse.move(200, 300);
  await page.waitForTimeout(500);
  await page.context().setOffline(true);
  await page
    .getByRole('button', { name: /^Quick look/ })
    .first()
    .click();
  const line = page.getByText(/^You are offline/);
  await expect(page.getByText('The details could not be loaded.')).toBeVisible();
  const onTop = () =>
    line.evaluate((element) => {
      const { left, top, width, height } = element.getBoundingClientRect();
      let root: DocumentOrShadowRoot | null = document;
      let hit: Element | null = null;
      while (root) {
        hit = root.elementFromPoint(left + width / 2, top + height / 2);
        root = hit?.shadowRoot ?? null;
      }
      return hit === element;
    });
  await expect.poll(onTop).toBe(true);
  await page.getByRole('dialog').getByRole('link', { name: 'See all details' }).click();
  await expect.poll(onTop).toBe(true);
  await page.keyboard.press('Escape');
  await page
    .locator('header [data-pl-cart]')
    .or(page.getByRole('button', { name: /^Cart/ }))
    .first()
    .click();
  await expect(line).toBeVisible();
  expect(page.url()).toContain('/shop/c/single-line');
  await page.context().setOffline(false);
});

test('an order is paid at once with the wallet, and kept when it is declined', async ({ page, server }) => {
  await addWinder(page, server.origin);
  await page.goto(`${server.origin}/shop/cart`);
  await page.getByRole('link', { name: 'Pay with wallet' }).click();
  await page.getByLabel(/is declined/).check();
  await page.getByRole('button', { name: 'Pay €12.80' }).click();
  await expect(page.getByRole('alert')).toContainText('The card was declined.');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Pay €12.80' }).click();
  await expect(page.getByRole('heading', { name: 'Thank you, Ida Brandt.' })).toBeVisible();
});

test('a checkout whose line has sold out in the meantime says so, and takes no money', async ({ page, server }) => {
  await page.goto(`${server.origin}/shop/p/heron`);
  await page.locator('form[data-product-form]').getByRole('button', { name: 'Add to cart' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.goto(`${server.origin}/shop/checkout`);
  await fillCheckout(page);
  const app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
  const heron = (await app.catalogue.findProduct('heron'))!;
  const before = heron.variants[0]!.stock!;
  const setStock = (quantity: number) =>
    app.db.run('UPDATE stock_levels SET quantity = $quantity WHERE variant_id = $id', {
      quantity,
      id: heron.variants[0]!.id,
    });
  await setStock(0);
  await page.getByRole('button', { name: 'Order and pay' }).click();
  await expect(page.getByText(/^Heron.* is sold out\./).first()).toBeVisible();
  await expect(page.getByLabel('Town')).toHaveValue('Windau');
  await setStock(before);
  await app.db.close();
});
