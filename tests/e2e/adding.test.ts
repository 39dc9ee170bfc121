import sharp from 'sharp';
import { createApp } from '~/services/app';
import { addWinder, expect, expectAccessible, PHONE, playLane, test, type Page, atRest } from './harness';

const kite = '/shop/p/sail-your-own';
const bar = (page: Page) => page.getByRole('region', { name: 'Buy' });
const popup = (page: Page) => page.getByRole('dialog', { name: 'Added to your cart' });
const artwork = async () => ({
  name: 'lake.png',
  mimeType: 'image/png',
  buffer: await sharp({ create: { width: 60, height: 60, channels: 3, background: '#b23a24' } })
    .png()
    .toBuffer(),
});

for (const [device, viewport] of [
  ['phone', { width: 390, height: 844 }],
  ['desktop', { width: 1280, height: 800 }],
] as const) {
  test.describe(`on a ${device}`, () => {
    test.use(device === 'phone' ? PHONE : { viewport });

    test('options follow every answer, price and all, and come into the cart', async ({ page, server }) => {
      await page.goto(server.origin + kite);
      const form = page.locator('form[data-product-form]');
      await expect(form.getByText('Lettering colour')).toBeHidden();

      await form.getByLabel('Name on the sail').fill('Ada');
      await expect(form.getByText('15 characters left')).toBeVisible();
      await form.getByText('Copper').click();
      await form.getByText('Own artwork').click();
      await form.getByText('With a tail').click();
      await form.getByLabel('Tail length').fill('3');
      await expect(form.locator('[data-price]')).toHaveText('€141.00'); // 96 + 9 + 2.50 + 4 + 3 × 1.50 + 25 once
      await expect(form.getByText('Options: +€45.00')).toBeVisible(); // with 25 once for the artwork

      await form.getByRole('button', { name: 'Add to cart' }).click();
      await expect(form.getByText('Please add a file for “Your artwork”.')).toBeVisible();
      expect(await page.locator('[data-pl-count]').textContent()).toBe('0');

      await form.getByLabel('Your artwork').setInputFiles(await artwork());
      await expect(form.getByRole('link', { name: 'lake.png' })).toBeVisible();
      await form.getByRole('button', { name: 'Add to cart' }).click();
      await expect(popup(page)).toContainText('Name on the sail: Ada');
      await expect(popup(page)).toContainText('Your artwork: lake.png');
      await expect(popup(page)).toContainText('1 item in your cart: €141.00');
      await expectAccessible(page);
    });

    test('answers and files are there after loading anew, after Back, and in quick view', async ({ page, server }) => {
      await page.goto(server.origin + kite);
      const form = page.locator('form[data-product-form]');
      await page.waitForLoadState('networkidle');
      await form.getByLabel('Name on the sail').fill('Ada');
      await form.getByText('Copper').click();
      await form.getByText('Own artwork').click();
      await form.getByText('With a tail').click();
      await form.getByLabel('Tail length').fill('3');
      await form.getByLabel('Your artwork').setInputFiles(await artwork());
      const isAnswered = async (within = form) => {
        await expect(within.getByRole('link', { name: 'lake.png' })).toBeVisible();
        await expect(within.getByLabel('Name on the sail')).toHaveValue('Ada');
        await expect(within.getByLabel('Copper')).toBeChecked();
        await expect(within.getByLabel('Own artwork')).toBeChecked();
        await expect(within.getByLabel('Tail length')).toHaveValue('3');
      };
      await isAnswered();

      await page.reload();
      await isAnswered();
      await page.goto(`${server.origin}/shop/c/figures`);
      await page.goBack();
      await isAnswered();
      await expect(form.locator('[data-price]')).toHaveText('€141.00');
      await page.goto(`${server.origin}/shop/c/figures?look=sail-your-own`);
      const look = page.getByRole('dialog', { name: 'Sail Your Own' });
      await isAnswered(look);
      await look.getByRole('button', { name: 'Add to cart' }).click();
      await expect(look.getByText('Added to your cart.')).toBeVisible();
    });

    test('the same options are asked in quick view', async ({ page, server }) => {
      await page.goto(`${server.origin}/shop/c/figures?look=sail-your-own`);
      const look = page.getByRole('dialog', { name: 'Sail Your Own' });
      await look.getByText('No tail').click();
      await look.getByRole('button', { name: 'Add to cart' }).click();
      await expect(look.getByText('Please choose an option for “Printing”.')).toBeVisible();

      await look.getByText('One colour').click();
      await expect(look.locator('.price')).toContainText('€108.00');
      await look.getByRole('button', { name: 'Add to cart' }).click();
      await expect(look.getByText('Added to your cart.')).toBeVisible();
      await page.goto(`${server.origin}/shop/cart`);
      await expect(page.getByText('Printing: One colour', { exact: true })).toBeVisible();
    });

    test('the added popup says what happened, and leads on by keyboard alone', async ({ page, server }) => {
      await page.goto(`${server.origin}/shop/c/lines-and-winders`);
      const add = page.locator('[data-pl-product=hoop-winder]').getByRole('button', { name: 'Add to cart' });
      await add.focus();
      await page.keyboard.press('Enter');

      await expect(popup(page)).toContainText('Hoop Winder');
      await expect(popup(page)).toContainText('Add €52.10 for free delivery.');
      await expect(page.getByRole('status').filter({ hasText: 'Hoop Winder: Added to your cart' })).toHaveCount(1);
      await expect(add).toBeFocused();
      await expectAccessible(page);
      await page.keyboard.press('Escape');
      await expect(popup(page)).toBeHidden();

      await page.keyboard.press('Enter');
      await popup(page).getByRole('link', { name: 'View cart' }).focus();
      await page.keyboard.press('Enter');
      const cart = page.getByRole('dialog', { name: 'Your cart' });
      await expect(cart.getByRole('spinbutton', { name: 'Quantity' })).toHaveValue('2');
      await expect(popup(page)).toBeHidden();
    });
  });
}

test.describe('without script', () => {
  test.use({ javaScriptEnabled: false });

  test('every option can be answered, a file sent, and what is not asked costs nothing', async ({ page, server }) => {
    await page.goto(server.origin + kite);
    const form = page.locator('form[data-product-form]');
    // What stands in noscript is seen by shoppers, but not by locators that go by text.
    const asked = (key: string) => form.locator(`[data-option=${key}]`);
    expect(await asked('artwork').innerText()).toContain('Counts only when: Printing is Own artwork');
    await asked('lettering').locator('label').first().click();
    await asked('printing').locator('label').last().click();
    await asked('tail').locator('label').first().click();
    await asked('tail-length').locator('input').fill('5');
    await asked('artwork')
      .locator('input')
      .setInputFiles(await artwork());
    await form.getByRole('button', { name: 'Add to cart' }).click();

    await expect(page).toHaveURL(`${server.origin}/shop/cart`);
    await expect(page.getByText('Your artwork: lake.png')).toBeVisible();
    await expect(page.getByText('Tail length')).toBeHidden();
    await expect(page.locator('.totals')).toContainText('€121.00'); // 96 + 25 once

    await page.getByRole('link', { name: 'Edit: Sail Your Own' }).click();
    await expect(page.getByRole('heading', { name: 'Edit Sail Your Own' })).toBeVisible();
    await page.locator('[data-option=tail] label').last().click();
    await page.locator('[data-option=tail-length] input').fill('5');
    await page.getByRole('button', { name: 'Save changes' }).click();
    await expect(page.locator('.totals')).toContainText('€132.50'); // + 4 + 5 × 1.50
    await expect(page.getByText('Your artwork: lake.png')).toBeVisible();
  });

  test('a missing answer is said, and nothing is added', async ({ page, server }) => {
    await page.goto(server.origin + kite);
    await page.getByRole('button', { name: 'Add to cart' }).click();

    await expect(page.getByRole('alert')).toContainText('Please choose an option for “Printing”.');
    await expect(page.locator('[data-pl-count]')).toBeHidden();
  });
});

test.describe('the buy bar', () => {
  test.use(PHONE);

  test('comes when the page’s own button is out of view, in step with it both ways', async ({ page, server }) => {
    await page.goto(`${server.origin}/shop/p/lapwing-delta`);
    const form = page.locator('form[data-product-form]');
    await form.getByRole('button', { name: 'Add to cart' }).scrollIntoViewIfNeeded();
    await expect(bar(page)).toBeHidden();
    await page.locator('footer.foot').scrollIntoViewIfNeeded();
    await expect(bar(page)).toBeVisible();

    await bar(page).getByLabel('Size').selectOption('Large');
    await expect(form.getByRole('radio', { name: 'Large' })).toBeChecked();
    await expect(form.locator('[data-price]')).toHaveText('€90.00');
    await form.locator('label').filter({ hasText: 'Dusk' }).click();
    await page.locator('footer.foot').scrollIntoViewIfNeeded();
    await expect(bar(page).getByLabel('Sail')).toHaveValue('Dusk');
    await expect(bar(page)).toContainText('€90.00');
    await bar(page).getByRole('button', { name: 'Add to cart' }).click();

    await expect(popup(page)).toContainText('Large, Dusk');
    const bottom = async () => {
      const box = await popup(page).boundingBox();
      return box!.y + box!.height;
    };
    const below = await bar(page).boundingBox();
    await expect.poll(bottom).toBeLessThanOrEqual(below!.y);
    await expectAccessible(page);
  });

  test('leads to what is still open instead of failing', async ({ page, server }) => {
    await page.goto(server.origin + kite);
    await page.locator('footer.foot').scrollIntoViewIfNeeded();
    await bar(page).getByRole('button', { name: 'Choose options' }).click();

    await expect(page.getByText('Please choose an option for “Printing”.')).toBeInViewport();
    await expect(page.locator('[data-pl-count]').first()).toBeHidden();
  });

  test('keeps a name of any length to its line, at 360 px', async ({ page, server }) => {
    await page.setViewportSize({ width: 360, height: 700 });
    await page.goto(`${server.origin}/shop/search?q=Great+Northern`);
    await page.getByRole('link', { name: /^Great Northern/ }).click();
    await page.locator('footer.foot').scrollIntoViewIfNeeded();

    const name = await bar(page).locator('[data-part=name]').boundingBox();
    expect(name!.height).toBeLessThan(30);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
  });

  test('is not on sold-out products unless asked, and says so then', async ({ page, server }) => {
    const app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
    const slug = (await app.catalogue.findSamples())['sold-out'];
    await app.db.close();
    // Low enough that the page's own button is out of view at its end.
    await page.setViewportSize({ width: 390, height: 600 });
    const toEnd = () => page.evaluate(() => scrollTo(0, document.documentElement.scrollHeight));
    await page.goto(`${server.origin}/shop/p/${slug}`);
    await toEnd();
    await page.waitForLoadState('networkidle');
    await atRest(page);
    await expect(bar(page)).toBeHidden();

    await playLane(page, (lane) => void (lane.pieces['buy-bar']!.settings['onSoldOut'] = true));
    await page.reload();
    await toEnd();
    await expect(bar(page).getByRole('button', { name: 'Sold out' })).toBeDisabled();
  });

  test('goes to checkout from the cart, stands right to left, and always where told to', async ({ page, server }) => {
    await addWinder(page, server.origin);
    await playLane(
      page,
      (lane) =>
        Object.assign(lane.pieces['buy-bar']!.settings, { shows: 'always', edgePhone: 'top' }) as unknown as void,
      'ar',
    );
    await page.goto(`${server.origin}/shop/cart`);

    const buy = page.getByRole('region', { name: 'الشراء' });
    await expect(buy).toHaveAttribute('dir', 'rtl');
    await expect(buy).toContainText('قطعة واحدة');
    expect((await buy.boundingBox())!.y).toBe(0);
    const [name, button] = [
      await buy.locator('[data-part=name]').boundingBox(),
      await buy.getByRole('button').boundingBox(),
    ];
    expect(button!.x).toBeLessThan(name!.x);
    await buy.getByRole('button', { name: 'إتمام الشراء' }).click();
    await expect(page).toHaveURL(`${server.origin}/shop/checkout`);
  });
});

test.describe('what opens after an add', () => {
  test('is one thing by one rule: the popup, and the cart stays closed', async ({ page, server }) => {
    await addWinder(page, server.origin);

    await expect(popup(page)).toBeVisible();
    await expect(page.getByRole('dialog')).toHaveCount(1);
  });

  test('is the cart for products the popup leaves out', async ({ page, server }) => {
    await playLane(page, (lane) => {
      lane.pieces['added-popup']!.where.categories = { mode: 'except', slugs: ['lines-and-winders'] };
    });
    await addWinder(page, server.origin);

    await expect(page.getByRole('dialog', { name: 'Your cart' })).toBeVisible();
    await expect(popup(page)).toBeHidden();
  });

  test('closes by itself, but never under the pointer', async ({ page, server }) => {
    await playLane(page, (lane) => void (lane.pieces['added-popup']!.settings['seconds'] = 4));
    await addWinder(page, server.origin);
    await popup(page).hover();
    await page.waitForTimeout(4600);
    await expect(popup(page)).toBeVisible();

    await page.mouse.move(5, 5);
    await expect(popup(page)).toBeHidden({ timeout: 6000 });
  });

  test('suggests as many as its size holds, adds one in place, and never what is in the cart', async ({
    page,
    server,
  }) => {
    await playLane(page, (lane) => {
      const it = lane.pieces['added-popup']!;
      for (const part of it.parts) if (part.key === 'suggestions') part.on = true;
      Object.assign(it.settings, { size: 'small', suggestionCount: 4, closes: 'asked', form: 'middle' });
    });
    await addWinder(page, server.origin);

    const near = popup(page).locator('.near li');
    await expect(near).toHaveCount(1);
    await expect(near).not.toContainText('Hoop Winder');
  });
});

test.describe('the cart opener', () => {
  const float = (settings: object) => (lane: Parameters<Parameters<typeof playLane>[1]>[0]) =>
    void Object.assign(lane.pieces['cart-opener']!.settings, { stands: 'floating', ...settings });
  const opener = (page: Page) => page.locator('pl-cart-opener').getByRole('link');

  test('takes the place of the shop’s own link in the header', async ({ page, server }) => {
    await addWinder(page, server.origin);

    await expect(opener(page)).toHaveAccessibleName('Cart: 1 item');
    await expect(page.locator('header .cart-link')).toBeHidden();
    await page.keyboard.press('Escape');
    await opener(page).click();
    await expect(page.getByRole('dialog', { name: 'Your cart' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(opener(page)).toBeFocused();
  });

  test('floats off the buy bar, hidden while the cart is empty', async ({ browser, server }) => {
    const page = await (await browser.newContext(PHONE)).newPage();
    await playLane(page, (lane) => {
      float({ hideEmpty: true })(lane);
      lane.pieces['buy-bar']!.settings['shows'] = 'always';
      lane.pieces['added-popup']!.on = false;
      lane.pieces['slide-out-cart']!.settings['opensOnAdd'] = false;
    });
    await page.goto(`${server.origin}/shop/p/heron`);
    await expect(bar(page)).toBeVisible();
    await expect(opener(page)).toHaveCount(0);
    await bar(page).getByRole('button', { name: 'Add to cart' }).click();

    await expect(opener(page)).toBeVisible();
    await opener(page).click({ trial: true });
    const [box, below] = [await opener(page).boundingBox(), await bar(page).boundingBox()];
    expect(box!.y + box!.height).toBeLessThanOrEqual(below!.y);
    expect(box!.x + box!.width).toBeLessThanOrEqual(390);
    expect(box!.width).toBeGreaterThanOrEqual(44);
  });

  test('opens after a moment’s rest of a mouse, where told to, and nods when something is added', async ({
    page,
    server,
  }) => {
    await playLane(page, (lane) => {
      float({ opensBy: 'hover', placeDesktop: 'start 50', countAs: 'text' })(lane);
      lane.pieces['added-popup']!.on = false;
      lane.pieces['slide-out-cart']!.settings['opensOnAdd'] = false;
    });
    await addWinder(page, server.origin);
    await expect(opener(page)).toContainText('1 item');
    const middle = async () => {
      const box = await opener(page).boundingBox();
      return [box!.x, Math.round(box!.y + box!.height / 2)];
    };
    await expect.poll(middle).toEqual([16, 400]);

    await opener(page).hover();
    await expect(page.getByRole('dialog', { name: 'Your cart' })).toBeVisible();
  });
});
