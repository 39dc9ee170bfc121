import { liveDemoLane } from '../../demo/lane';
import { expect, expectAccessible, signIn, test, type Page } from './harness';

const preview = (page: Page) => page.frameLocator('[data-testid=preview]').getByRole('dialog');

test('what is pressed in the preview is chosen in the outline, and words are edited where they stand', async ({
  page,
  server,
}) => {
  const faults: string[] = [];
  page.on('pageerror', ({ message }) => faults.push(message));
  await signIn(page, server.origin, '/studio/bench/quick-view');
  await expect(preview(page).getByRole('heading')).toBeVisible();

  await preview(page).locator('[data-part=shortText]').click();
  await expect(page.getByRole('heading', { name: 'Short text' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Short text', exact: true })).toHaveAttribute('aria-pressed', 'true');

  await preview(page).locator('[data-word=link]').dblclick();
  await page.keyboard.type('The long story');
  await page.keyboard.press('Enter');
  await expect(preview(page).getByRole('link', { name: 'The long story' })).toBeVisible();
  await expect(page.getByTestId('draft-state')).toContainText('8 changes in draft');

  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(preview(page).getByRole('link', { name: 'See all details' })).toBeVisible();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(preview(page).getByRole('link', { name: 'The long story' })).toBeVisible();
  await expect(page.getByTestId('draft-state')).toContainText('8 changes in draft');

  // Tab leads on, out of the preview.
  await preview(page)
    .getByRole('link', { name: 'See all details' })
    .or(preview(page).getByRole('button'))
    .first()
    .focus();
  const isInFrame = () => page.evaluate(() => document.activeElement?.tagName === 'IFRAME');
  expect(await isInFrame()).toBe(true);
  for (let i = 0; i < 60 && (await isInFrame()); i += 1) await page.keyboard.press('Tab');
  expect(await isInFrame()).toBe(false);

  await page.reload();
  await expect(preview(page).getByRole('link', { name: 'The long story' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByTestId('draft-state')).toContainText('7 changes in draft');
  expect(faults).toEqual([]);
});

test('no panel of the bench squeezes or cuts off what is in it', async ({ page, server }) => {
  test.slow();
  await signIn(page, server.origin);
  for (const [id, piece] of Object.entries(liveDemoLane().pieces)) {
    await page.goto(`${server.origin}/studio/bench/${id}`);
    for (const task of ['Where', 'Parts', 'Words', 'Look']) {
      await page.getByRole('tab', { name: task }).click();
      await expect(page.getByRole('tab', { name: task })).toHaveAttribute('aria-selected', 'true');
      const panel = page.getByRole('complementary', { name: 'Settings' });
      const squeezed = await panel
        .locator('[role=radiogroup],input:not(.sr-only),select,textarea,button')
        .evaluateAll((all) => all.filter((one) => (one as HTMLElement).offsetHeight < 14).map((one) => one.outerHTML));
      const cutOff = await panel
        .locator('[role=radiogroup],p')
        .evaluateAll((all) => all.filter((one) => one.scrollWidth > one.clientWidth + 1).map((one) => one.outerHTML));
      expect([...squeezed, ...cutOff], `${piece.kind}, ${task}`).toEqual([]);
    }
  }
});

test('situations put the preview into hard cases on products of the shop’s own', async ({ page, server }) => {
  await signIn(page, server.origin, '/studio/bench/quick-view');
  await page.getByRole('button', { name: 'Long name' }).click();
  await expect(preview(page).getByRole('heading')).toContainText('Great Northern Twin-Spar');
  await page.getByRole('button', { name: 'Sold out' }).click();
  await expect(preview(page).getByRole('button', { name: 'Sold out' })).toBeDisabled();
  await page.getByRole('button', { name: 'Right to left' }).click();
  await expect(preview(page)).toHaveAttribute('dir', 'rtl');
});

test('the cart is never empty in the bench unless asked, and its changes are seen at once', async ({
  page,
  server,
}) => {
  await signIn(page, server.origin, '/studio/bench/slide-out-cart');
  await expect(preview(page).locator('.lines > li')).toHaveCount(8);
  await page.getByRole('tab', { name: 'Where' }).click();
  await page.getByText('Left', { exact: true }).click();
  await expect(preview(page)).toHaveAttribute('data-side', 'start');
  await page.getByRole('button', { name: 'Empty' }).click();
  await expect(preview(page)).toContainText('Your cart is empty.');
  await page.getByLabel('Phones').uncheck();
  await page.getByLabel('Tablets').uncheck();
  await page.getByLabel('Desktops').uncheck();
  await expect(page.getByTestId('who-sees')).toContainText('nobody would see it');
});

test('two windows: changes in different places are joined, in the same place one decides', async ({
  page,
  context,
  server,
}) => {
  await signIn(page, server.origin, '/studio/bench/quick-view');
  const other = await context.newPage();
  await other.goto(`${server.origin}/studio/bench/quick-view`);
  await expect(preview(other).getByRole('heading')).toBeVisible();
  const saved = (window: Page) => expect(window.getByTestId('draft-state')).toContainText('in draft');

  await page.getByText('Dots', { exact: true }).click();
  await saved(page);
  await other.getByRole('tab', { name: 'Words' }).click();
  await other.getByLabel('While loading').fill('One moment …');
  await expect(other.getByText('Changes made in another window were taken in.')).toBeVisible();
  await expect(preview(other).locator('.dots')).toBeVisible();

  await page.getByRole('tab', { name: 'Words' }).click();
  await page.getByLabel('While loading').fill('Mine');
  const dialog = page.getByRole('dialog', { name: 'This draft was changed in another window' });
  await expect(dialog).toContainText('“Mine”');
  await dialog.getByRole('button', { name: 'Keep mine' }).click();
  await saved(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Words' }).click();
  await expect(page.getByLabel('While loading')).toHaveValue('Mine');
});

test('contrast is computed in each state, and the colour offered passes', async ({ page, server }) => {
  await signIn(page, server.origin, '/studio/bench/quick-view');
  await page.getByRole('button', { name: 'Quantity and add button', exact: true }).click();
  await page.getByRole('tab', { name: 'Look' }).click();
  await page.getByText('Hover', { exact: true }).click();
  await page.getByLabel('Add button: Background', { exact: true }).fill('#f2c14e');
  await expect(page.getByTestId('contrast')).toContainText('too faint');
  await expect(preview(page).locator('[data-slot=add]')).toHaveCSS('background-color', 'rgb(242, 193, 78)');
  await page.getByRole('button', { name: /^Use #/ }).click();
  await expect(page.getByTestId('contrast')).toContainText('easy enough to read');
});

test('what is not set shows what it comes to, judged on what really lies behind it', async ({ page, server }) => {
  await signIn(page, server.origin, '/studio/bench/cart-page?task=look');
  const slot = page.frameLocator('[data-testid=preview]').locator('[data-slot=quiet]').first();
  await expect(slot).toBeVisible();
  const stands = await slot.evaluate((element) => getComputedStyle(element).color);
  const hex = `#${[...stands.matchAll(/\d+/g)].map(([part]) => Number(part).toString(16).padStart(2, '0')).join('')}`;
  await expect(page.getByLabel('Keep shopping: Text', { exact: true })).toHaveValue(hex);
  // The ground is changed where it is: in the box the sums stand on, which no rule of the button names.
  const section = page.locator('section', { has: page.getByRole('heading', { name: 'Keep shopping' }) });
  const before = await section.getByTestId('contrast').textContent();
  await page.getByLabel('Own style rules').fill('[data-slot=box] { background: #888888 }');
  await page.getByLabel('Own style rules').blur();
  await expect(section.getByTestId('contrast')).not.toHaveText(before!);
});

test('filters of the lane map change the figures, and an old revision can be put back', async ({ page, server }) => {
  await signIn(page, server.origin);
  const all = Number(
    (await page.getByTestId('stretch-browse').getByTestId('sessions').textContent())!.replace(',', ''),
  );
  await page.getByLabel('Device').selectOption('phone');
  await expect
    .poll(async () =>
      Number((await page.getByTestId('stretch-browse').getByTestId('sessions').textContent())!.replace(',', '')),
    )
    .toBeLessThan(all);
  expect(page.url()).toContain('device=phone');

  await page.goto(`${server.origin}/studio/revisions`);
  await page.getByRole('button', { name: 'Restore …' }).last().click();
  await page.getByRole('button', { name: 'Restore into the draft' }).click();
  await expect(page.getByText(/Revision 1 is in the draft now/)).toBeVisible();
});

test('a setting is found by a word of it, and keys lead to stretches', async ({ page, server }) => {
  await signIn(page, server.origin);
  await expect(page.getByRole('heading', { name: 'See where shoppers leave the lane' })).toBeVisible();
  await page.keyboard.press('/');
  await page.getByLabel('Find', { exact: true }).fill('backdrop dark');
  await page.getByRole('link', { name: /Backdrop darkness Quick view/ }).waitFor();
  // Enter opens what is found first, and the focus is on it.
  await page.keyboard.press('Enter');
  await expect(page.getByRole('tab', { name: 'Look' })).toHaveAttribute('aria-selected', 'true');
  await expect(page.locator('[data-row="Backdrop darkness"] :focus')).toBeAttached();
  for (const word of ['animation', 'zoom', 'font', 'exclude', 'currency']) {
    await page.keyboard.press('Escape');
    await page.locator('h1').click();
    await page.keyboard.press('/');
    await page.getByLabel('Find', { exact: true }).fill(word);
    await expect(page.getByRole('dialog').getByRole('link').first()).toBeVisible();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByRole('dialog').getByRole('link').first()).toBeFocused();
    await page.keyboard.press('Escape');
  }
  await page.locator('h1').click();
  await page.keyboard.press('4');
  await expect(page.getByRole('heading', { name: 'Let shoppers keep and change what they chose' })).toBeVisible();
});

for (const path of [
  '/studio',
  '/studio/bench/quick-view',
  '/studio/stretch/look',
  '/studio/revisions',
  '/studio/catalogue',
  '/studio/catalogue/import',
  '/studio/orders',
  '/studio/mailbox',
  '/studio/catalogue/sail-your-own',
  '/studio/catalogue/sail-your-own/options',
  '/studio/shop',
  '/studio/catalogue/categories',
  '/studio/catalogue/searches',
  '/studio/orders/1',
  '/studio/bench/cart-opener',
  '/studio/bench/checkout',
  '/studio/proof',
  '/studio/seen',
  '/studio/words',
]) {
  test(`axe finds nothing on ${path}`, async ({ page, server }) => {
    await signIn(page, server.origin, path);
    await expect(page.locator('h1').first()).toBeVisible();
    // The shop in a frame is looked at where it is a page of its own.
    await expectAccessible(page, path, 'iframe');
  });
}

test('the cart opener is dragged to its place in the preview, and snaps to a corner', async ({ page, server }) => {
  await signIn(page, server.origin, '/studio/bench/cart-opener?task=where');
  await page.getByText('Floating', { exact: true }).click();
  const opener = page.frameLocator('[data-testid=preview]').locator('pl-cart-opener a');
  await expect(opener).toHaveAttribute('data-stands', 'floating');
  await opener.click({ trial: true });
  const [box, stage] = [await opener.boundingBox(), await page.getByTestId('preview').boundingBox()];
  await page.mouse.move(box!.x + box!.width / 2, box!.y + box!.height / 2);
  await page.mouse.down();
  await page.mouse.move(stage!.x + 200, stage!.y + 200, { steps: 6 });
  await page.mouse.move(stage!.x + 24, stage!.y + 40, { steps: 6 });
  await page.mouse.up();

  const wide = page.getByRole('radiogroup', { name: 'Place on larger screens' });
  await expect(wide.getByRole('radio', { name: 'Left' })).toBeChecked();
  await expect.poll(async () => Math.round((await opener.boundingBox())!.x - stage!.x)).toBeLessThan(30);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(wide.getByRole('radio', { name: 'Bottom' })).toBeChecked();
});

test('a layout is begun from, undone, and parts are put back one by one', async ({ page, server }) => {
  await signIn(page, server.origin, '/studio/bench/slide-out-cart');
  await expect(preview(page).locator('.lines > li')).toHaveCount(8);
  await page.getByRole('button', { name: 'Way out first' }).click();
  await expect(preview(page)).toHaveAttribute('data-form', 'popup');
  const shown = () =>
    preview(page)
      .locator('[data-part]')
      .evaluateAll((parts) => parts.map((part) => (part as HTMLElement).dataset['part']).filter(Boolean));
  expect((await shown()).slice(0, 3)).toEqual(['heading', 'totals', 'checkout']);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(preview(page)).toHaveAttribute('data-form', 'slide');

  await page.getByRole('button', { name: 'Items', exact: true }).click();
  await page.getByRole('radiogroup', { name: 'Pictures' }).getByText('Off').click();
  await expect(preview(page).locator('.lines img')).toHaveCount(0);
  await page.getByRole('button', { name: 'Reset this part' }).click();
  await expect(preview(page).locator('.lines img').first()).toBeVisible();

  // One's own: kept under a name, and begun from again.
  await page.getByRole('button', { name: 'The whole cart panel' }).click();
  await page.getByRole('button', { name: 'Way out first' }).click();
  await expect(preview(page)).toHaveAttribute('data-form', 'popup');
  const own = page.getByRole('region', { name: 'Layouts of yours' });
  await own.getByLabel('Name of the layout').fill('Ours');
  await own.getByRole('button', { name: 'Keep this one' }).click();
  await expect(own.getByRole('status')).toHaveText('“Ours” is kept.');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(preview(page)).toHaveAttribute('data-form', 'slide');
  await own.getByRole('button', { name: 'Ours', exact: true }).click();
  await expect(preview(page)).toHaveAttribute('data-form', 'popup');
  await page.getByRole('button', { name: 'Undo' }).click();
  await own.getByRole('button', { name: 'Remove the layout Ours' }).click();
  await expect(own.getByRole('button', { name: 'Ours', exact: true })).toHaveCount(0);
});

test('the bench says when a popup is too small for its suggestions', async ({ page, server }) => {
  await signIn(page, server.origin, '/studio/bench/added-popup?task=look');
  await expect(preview(page)).toContainText('Added to your cart');
  await page.getByText('Small', { exact: true }).click();
  await page.getByRole('button', { name: 'Suggestions', exact: true }).click();
  await page.getByRole('tab', { name: 'Parts' }).click();
  await expect(page.getByTestId('note')).toContainText('This size holds 1 suggestion; of your 2, one is shown.');
});

test('publishing tells that two things would open at once, and which one does', async ({ page, server }) => {
  await signIn(page, server.origin, '/studio/bench/quick-view');
  await page.getByRole('button', { name: 'Publish …' }).click();
  await expect(page.getByRole('dialog')).toContainText(
    'Shoppers get added popup; cart panel stays closed. Turn “Opens by itself” off',
  );
});

test('the owner asks for something new, tries it, is refused a circle, and buyers are asked it', async ({
  page,
  server,
}) => {
  await signIn(page, server.origin, '/studio/catalogue/wagtail/options');
  await expect(page.getByText('Nothing is asked yet.')).toBeVisible();
  await page.getByRole('button', { name: 'A text' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Dedication');
  await page.getByLabel('Adds (EUR)').fill('4.50');
  await page.getByRole('button', { name: 'Single choice' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Ribbon');
  await page.getByLabel('Name of choice 1').fill('Blue');
  await page.getByRole('button', { name: 'Add a condition' }).click();
  await expect(page.getByTestId('condition-words')).toHaveText('Only when Dedication is filled in.');

  const tryIt = page.getByTestId('try-it');
  await expect(tryIt.getByText('Not asked now: Ribbon.')).toBeVisible();
  await tryIt.getByLabel('Dedication').fill('For Bo');
  await expect(tryIt.getByLabel('Ribbon')).toBeVisible();
  await expect(tryIt.getByTestId('try-total')).toHaveText('€43.50');

  await page.getByRole('button', { name: /^Dedication/ }).click();
  await page.getByRole('button', { name: 'Add a condition' }).click();
  await expect(page.getByRole('alert')).toContainText(
    'These options wait for each other: Dedication → Ribbon → Dedication.',
  );
  await expect(page.getByRole('button', { name: 'Save options' })).toBeDisabled();
  await page.getByRole('button', { name: 'Ask always' }).click();
  await page.getByRole('button', { name: 'Save options' }).click();
  await expect(page.getByText('not saved yet')).toBeHidden();

  await page.goto(`${server.origin}/shop/p/wagtail`);
  await page.getByLabel(/^Dedication/).fill('For Bo');
  await page.getByText('Blue').click();
  await expect(page.locator('[data-price]')).toHaveText('€43.50');
});

test('an icon of the owner’s own is brought in, cleaned and shown', async ({ page, server }) => {
  await signIn(page, server.origin, '/studio/bench/cart-opener?part=icon');
  await page.getByRole('button', { name: 'Icon', exact: true }).click();
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><script>alert(1)</script><path d="M0 0h9v9z"/></svg>';
  await page
    .getByLabel('Icon of your own')
    .setInputFiles({ name: 'icon.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) });
  const image = page.frameLocator('[data-testid=preview]').locator('pl-cart-opener img');
  await expect(image).toHaveAttribute('src', /^\/media\/icons\/\w+\.svg$/);
  const kept = await page.request.get(server.origin + (await image.getAttribute('src'))!);
  expect(await kept.text()).not.toContain('script');

  await page
    .getByLabel('Icon of your own')
    .setInputFiles({ name: 'icon.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert')).toContainText('This kind of file cannot be taken here.');
});
