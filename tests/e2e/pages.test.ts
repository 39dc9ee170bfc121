import { addPiece, selectionOf, type Lane } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import { signInOwner } from '../support/owner';
import { changingTest as test, expect, expectAccessible, loneTest, PHONE, signIn } from './harness';

test('an owner writes a page with a fact and a table in it; shoppers read it as the catalogue is', async ({
  page,
  server,
}) => {
  const owner = await signInOwner(server);
  await owner.change((lane) => {
    lane.pieces['spares-table']!.settings['shows'] = selectionOf({ from: 'picked', picked: { slugs: ['end-cap'] } });
  });
  await signIn(page, server.origin, '/studio/shop?section=pages');
  await page.getByRole('button', { name: 'New page' }).first().click();
  await page.getByLabel('Title').fill('Our guide');
  await page.getByRole('button', { name: 'Take it from the title' }).click();
  await expect(page.getByText('/shop/pages/our-guide')).toBeVisible();
  const text = page.getByRole('textbox', { name: 'Text', exact: true });
  await text.click();
  await page.keyboard.type('## First\nIt costs ');
  await page.getByRole('button', { name: 'Insert a product fact' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByPlaceholder('Find a product').fill('hoop');
  await dialog.getByRole('button', { name: '+ Hoop Winder' }).click();
  await dialog.getByLabel('Words before').pressSequentially('only now');
  await dialog.getByLabel('If there is no such fact').fill('little');
  await dialog.getByRole('button', { name: 'Insert', exact: true }).click();
  const chip = text.getByRole('button', { name: 'Change: only now Price of Hoop Winder' });
  await expect(chip).toBeVisible();
  // Typing goes on behind what was put in.
  await page.keyboard.type(' each, says **Maud**.\n');
  await page.getByRole('button', { name: 'Insert a piece' }).click();
  await expect(dialog.getByRole('link', { name: /^Shape Spares/ })).toBeVisible();
  await dialog.getByRole('button', { name: 'Insert', exact: true }).click();
  await expect(text.getByRole('button', { name: /^Change: Piece: Spares/ })).toBeVisible();
  await expect(text.locator('strong')).toHaveText('Maud');
  const stored = async () => (await owner.get<{ lane: Lane }>('/api/studio/draft')).lane.pages['our-guide']?.text['en'];
  await expect
    .poll(stored)
    .toBe(
      '## First\n\nIt costs <pl-fact product="hoop-winder" fact="price" before="only now ">little</pl-fact> each, says **Maud**.\n\n<pl-piece name="spares-table"></pl-piece>',
    );
  // A chip is changed by pressing it.
  await chip.click();
  await expect(dialog.getByLabel('Words before')).toHaveValue('only now ');
  await dialog.getByLabel('Words before').fill('just');
  await dialog.getByRole('button', { name: 'Apply' }).click();
  await expect(text.getByRole('button', { name: 'Change: just Price of Hoop Winder' })).toBeVisible();
  const sample = page.frameLocator('iframe[title="The shop with the draft"]');
  await expect(sample.getByRole('heading', { name: 'Our guide' })).toBeVisible();
  await expect(sample.getByText('It costs just €')).toBeVisible();
  // What is undone is undone in the text as well.
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(text.getByRole('button', { name: 'Change: only now Price of Hoop Winder' })).toBeVisible();
  // Tab leaves the text.
  await text.locator('h2').click();
  await page.keyboard.press('Tab');
  await expect(text).not.toBeFocused();
  await page
    .getByRole('button', { name: /^Publish/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toContainText('Page /our-guide');
  await expect(page.getByRole('dialog')).toContainText('[Price of Hoop Winder]');
  await expect(page.getByRole('dialog')).not.toContainText('pl-fact');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Publish/ })
    .click();
  await expect(page.getByRole('dialog')).toBeHidden();

  await page.setViewportSize(PHONE.viewport);
  await page.goto(`${server.origin}/shop/`);
  await page.getByRole('link', { name: 'Our guide' }).click();
  await expect(page.getByText('It costs only now €')).toBeVisible();
  await page.getByRole('checkbox', { name: /End Cap/ }).check();
  await page.getByRole('button', { name: 'Add all chosen' }).click();
  await expect(page.locator('[data-pl-count]').first()).toHaveText('1');
  await expectAccessible(page);
});

test('a text says its fallback where a product is gone, loses what could run, and publishing tells what is gone', async ({
  page,
  server,
}) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    const id = addPiece(lane, definitionOf('text')!);
    const piece = lane.pieces[id]!;
    piece.on = true;
    piece.where.spot = 'home.above';
    piece.words['en'] = {
      heading: 'Of old',
      body: 'The <pl-fact product="long-gone" fact="name">old one</pl-fact> <script>window.ran = 1</script><img src=x onerror="window.ran = 1"> [here](javascript:alert)',
    };
    lane.pages['odd'] = {
      on: true,
      inFooter: false,
      formerly: ['old'],
      title: { en: 'Odd' },
      text: { en: 'Before\n\n<pl-piece name="nowhere"></pl-piece>\n\nAfter' },
    };
  });
  await page.goto(`${server.origin}/shop/?odd`);
  const text = page.locator('[data-pl-piece=text] .rich');
  await expect(text).toContainText('The old one');
  expect(await text.innerHTML()).not.toMatch(/script|onerror|<img/);
  expect(await page.evaluate(() => (window as { ran?: number }).ran)).toBeUndefined();
  await page.goto(`${server.origin}/shop/pages/odd`);
  await expect(page.locator('article')).toContainText('Before');
  await expect(page.locator('article')).toContainText('After');
  await page.goto(`${server.origin}/shop/pages/old`);
  expect(new URL(page.url()).pathname).toBe('/shop/pages/odd');
  expect((await page.goto(`${server.origin}/shop/pages/constructor`))!.status()).toBe(404);

  await owner.change((lane) => void (lane.shop.name = 'Other Kites'));
  await signIn(page, server.origin, '/studio');
  await page
    .getByRole('button', { name: /^Publish/ })
    .first()
    .click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('“long-gone”, a product that is gone');
  await expect(dialog).toContainText('The page “Odd” names the piece “nowhere”');
});

// Texts of categories are live at once: tests after this one would find it changed.
loneTest(
  'the text of a category says facts and holds pieces, which the bench finds there',
  async ({ page, server }) => {
    const owner = await signInOwner(server);
    await owner.publish((lane) => {
      lane.pages = {};
      lane.pieces['spares-table']!.settings['shows'] = selectionOf({ from: 'picked', picked: { slugs: ['end-cap'] } });
    });
    await signIn(page, server.origin, '/studio/catalogue/categories');
    await page.getByRole('button', { name: 'Spares', exact: true }).click();
    const text = page.getByRole('textbox', { name: 'Text', exact: true });
    await text.press('End');
    await page.keyboard.type(' Now from ');
    await page.getByRole('button', { name: 'Insert a product fact' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByPlaceholder('Find a product').fill('end cap');
    await dialog.getByRole('button', { name: '+ End Cap' }).first().click();
    await dialog.getByRole('button', { name: 'Insert', exact: true }).click();
    await page.keyboard.type('.\n');
    await page.getByRole('button', { name: 'Insert a piece' }).click();
    await dialog.getByRole('button', { name: 'Insert', exact: true }).click();
    await expect(text.getByRole('button', { name: /^Change: Piece: Spares/ })).toBeVisible();
    await page.getByRole('button', { name: 'Save changes' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();

    await page.goto(`${server.origin}/shop/c/spares`);
    const lead = page.locator('.lead').first();
    await expect(lead).toContainText(/Now from (from )?€/);
    await expect(lead.locator('[data-pl-piece=spares-table]').getByText('End Cap')).toBeVisible();
    await expect(page.locator('meta[name=description]')).toHaveAttribute('content', /Now from (from )?€[\d.]+\.$/);

    await page.goto(`${server.origin}/studio/bench/spares-table?task=where`);
    await expect(page.getByTestId('who-sees')).not.toContainText('nobody');
    const preview = page.frameLocator('[data-testid=preview]');
    await expect(preview.locator('h1')).toHaveText('Spares');
    await expect(preview.locator('[data-pl-piece=spares-table]')).toBeVisible();
  },
);
