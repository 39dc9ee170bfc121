import { addPiece, copyPiece, selectionOf } from '~/core/lane';
import { definitionOf, definitions } from '~/pieces/definitions';
import { signInOwner } from '../support/owner';
import { expect, expectAccessible, phonePage, signIn, changingTest as test, type Page, atRest } from './harness';

const cards = (page: Page) => page.locator('.listing [data-pl-product]');
const slugs = (page: Page) => cards(page).evaluateAll((all) => all.map((card) => card.getAttribute('data-pl-product')));

for (const device of ['desktop', 'phone'] as const)
  test.describe(`on a ${device}`, () => {
    test('a listing grows twice, is looked into and left, and is found again as it was', async ({
      page: desktop,
      browser,
      server,
    }) => {
      const owner = await signInOwner(server);
      await owner.publish((lane) => {
        delete lane.pieces['listing'];
        const id = addPiece(lane, definitionOf('listing')!);
        const piece = lane.pieces[id]!;
        piece.on = true;
        piece.where.spot = 'listing.main';
        Object.assign(piece.settings, { more: 'button', pageSize: 6 });
      });
      const page = device === 'phone' ? await phonePage(browser) : desktop;
      await page.goto(`${server.origin}/shop/all?sort=name&stock=1`);
      await expect(cards(page)).toHaveCount(6);
      const more = page.getByRole('link', { name: 'Show more' });
      await more.click();
      await expect(cards(page)).toHaveCount(12);
      await more.focus();
      await page.keyboard.press('Enter');
      await expect(cards(page)).toHaveCount(18);
      expect(page.url()).toContain('shown=3');
      // Whoever went on by keyboard stands at the first that came.
      await expect(cards(page).nth(12).locator(':focus')).toHaveCount(1);
      const before = await slugs(page);

      // What came is looked into like what was there; the look leaves the listing as it is.
      const fifteenth = cards(page).nth(14);
      await fifteenth.scrollIntoViewIfNeeded();
      await fifteenth.hover();
      await fifteenth.locator('pl-look button').click();
      const dialog = page.getByRole('dialog');
      await expect(dialog).toBeVisible();
      await page.keyboard.press('Escape');
      await expect(dialog).toBeHidden();
      expect(await slugs(page)).toEqual(before);

      const scrolled = await page.evaluate(() => scrollY);
      expect(scrolled).toBeGreaterThan(200);
      await fifteenth.locator('a[data-pl=name]').click();
      await page.waitForURL(/\/shop\/p\//);
      await page.goBack();
      await expect(cards(page)).toHaveCount(18);
      expect(await slugs(page)).toEqual(before);
      await expect.poll(() => page.evaluate(() => scrollY)).toBeGreaterThan(scrolled - 60);
      await expect(page.getByLabel('In stock')).toBeChecked();

      await page.reload();
      expect(await slugs(page)).toEqual(before);
      await expectAccessible(page, `a grown listing on a ${device}`);
      if (device === 'phone') await page.close();
    });
  });

test('a listing is narrowed by what the catalogue holds, by keyboard, and says what is chosen', async ({
  page,
  server,
}) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    delete lane.pieces['listing'];
    const id = addPiece(lane, definitionOf('listing')!);
    lane.pieces[id]!.on = true;
    lane.pieces[id]!.where.spot = 'listing.main';
    Object.assign(lane.pieces[id]!.settings, { filters: 'all', more: 'button', pageSize: 60 });
  });
  await page.goto(`${server.origin}/shop/all`);
  const skill = page.getByRole('group', { name: 'Skill' }).getByRole('checkbox', { name: /^First kite/ });
  const label = await skill.locator('..').textContent();
  await skill.focus();
  await page.keyboard.press('Space');
  await page.waitForURL(/a\.Skill=First/);
  await expect(cards(page)).toHaveCount(Number(/(\d+)\s*$/.exec(label!)![1]));
  const first = await slugs(page);

  const span = page.getByRole('group', { name: 'Span (cm)' });
  await span.getByLabel('from').fill('100');
  await page.keyboard.press('Enter');
  await page.waitForURL(/n\.Span\.from=100/);
  const narrowed = await slugs(page);
  expect(narrowed.length).toBeGreaterThan(0);
  expect(narrowed.length).toBeLessThan(first.length);
  await expectAccessible(page, 'a listing with filters');

  await page.getByRole('link', { name: 'Remove the filter Span from 100' }).click();
  await expect(cards(page)).toHaveCount(first.length);
  expect(await slugs(page)).toEqual(first);
  await page.getByRole('link', { name: 'Clear filters' }).click();
  await expect(skill).not.toBeChecked();

  await page.setViewportSize({ width: 390, height: 844 });
  await expect(skill).toBeHidden();
  await page.getByText('Filters', { exact: true }).click();
  await skill.check();
  await page.waitForURL(/a\.Skill=First/);
  // What was unfolded stays so, and a search keeps its filters.
  await expect(skill).toBeVisible();
  await page.goto(`${server.origin}/shop/search?q=kite&a.Skill=nobody`);
  await expect(cards(page)).toHaveCount(0);
  await expect(page.getByText('Try fewer filters.')).toBeVisible();
});

test('a listing that grows by scrolling lets the foot of the page be reached', async ({ page, server }) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    delete lane.pieces['listing'];
    const id = addPiece(lane, definitionOf('listing')!);
    lane.pieces[id]!.on = true;
    lane.pieces[id]!.where.spot = 'listing.main';
    Object.assign(lane.pieces[id]!.settings, { more: 'endless', pageSize: 4, columns: 4 });
  });
  await page.goto(`${server.origin}/shop/all?sort=price-up`);
  for (let i = 0; i < 12; i += 1) {
    await page.mouse.wheel(0, 1500);
    await page.waitForLoadState('networkidle');
    await atRest(page);
  }
  await expect(cards(page)).toHaveCount(16);
  await expect(page.getByRole('link', { name: 'Show more' })).toBeVisible();
  await page.locator('footer').scrollIntoViewIfNeeded();
  await expect(page.locator('footer')).toBeInViewport();
});

test('without script a listing has links to more, and lists stand as they were drawn, right to left too', async ({
  browser,
  server,
}) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    delete lane.pieces['listing'];
    const id = addPiece(lane, definitionOf('listing')!);
    lane.pieces[id]!.on = true;
    lane.pieces[id]!.where.spot = 'listing.main';
    Object.assign(lane.pieces[id]!.settings, { more: 'button', pageSize: 6, as: 'table' });
  });
  const context = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 320, height: 700 } });
  const page = await context.newPage();
  await page.goto(`${server.origin}/shop/all?lang=ar`);
  await page.getByRole('link', { name: 'عرض المزيد' }).click();
  await expect(cards(page)).toHaveCount(12);
  await page.setViewportSize({ width: 900, height: 700 });
  const [picture, text] = await Promise.all(
    ['.card-picture', '.card-text'].map(async (part) => (await cards(page).first().locator(part).boundingBox())!),
  );
  expect(picture!.x).toBeGreaterThan(text!.x);
  await context.close();
});

test('a list is added, named, copied, told apart, and removed again', async ({ page, server }) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    for (const [id, piece] of Object.entries(lane.pieces)) if (piece.kind === 'listing') delete lane.pieces[id];
    const id = addPiece(lane, definitionOf('listing')!);
    Object.assign(lane.pieces[id]!, { on: true, name: 'Winders' });
    lane.pieces[id]!.settings['shows'] = selectionOf({ from: 'picked', picked: { slugs: ['hoop-winder'] } });
    copyPiece(lane, id, definitions);
  });
  await signIn(page, server.origin, '/studio');
  await expect(page.getByRole('link', { name: /^Winders/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Copy of Winders/ })).toBeVisible();
  await page.goto(`${server.origin}/studio/bench/listing-2?task=where`);
  await page.getByLabel('Name', { exact: true }).fill('Reels');
  await expect(page.getByRole('heading', { name: 'Shape Reels' })).toBeVisible();
  await page.locator('h1').click();
  await page.keyboard.press('/');
  await page.getByLabel('Find', { exact: true }).fill('columns on phones');
  await expect(page.getByRole('dialog').getByText('Reels, look')).toBeVisible();
  await expect(page.getByRole('dialog').getByText('Winders, look')).toBeVisible();
  await page.keyboard.press('Escape');

  await page.locator('header').getByRole('checkbox').check();
  const preview = page.frameLocator('[data-testid=preview]');
  await expect(preview.locator('[data-pl-piece=listing-2] [data-pl-product]')).toHaveCount(1);
  await page.getByRole('tab', { name: 'Words' }).click();
  await page.getByLabel('Heading', { exact: true }).fill('Reels for everybody');
  await expect(preview.getByRole('heading', { name: 'Reels for everybody' })).toBeVisible();
  await page.getByRole('button', { name: 'Publish …' }).click();
  await expect(page.getByRole('dialog').getByText('Reels', { exact: true })).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByRole('tab', { name: 'Where' }).click();
  await page.getByRole('button', { name: 'Remove it …' }).click();
  await page.getByRole('button', { name: 'Remove it', exact: true }).click();
  await page.waitForURL(/\/studio\/stretch\/browse/);
  await expect(page.getByRole('heading', { name: 'Winders' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Reels' })).toBeHidden();
  await expectAccessible(page, 'the stretch with its pieces');
});

test('a picture of a list enlarges in place, and tags lead to what else has them', async ({ page, server }) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    delete lane.pieces['listing'];
    const id = addPiece(lane, definitionOf('listing')!);
    lane.pieces[id]!.on = true;
    lane.pieces[id]!.where.spot = 'listing.main';
    lane.pieces[id]!.settings['pictureEnlarges'] = true;
  });
  await page.goto(`${server.origin}/shop/all`);
  // Until the runtime has taken the list over, a press leads to the picture itself.
  const picture = page.locator('a[data-pl-enlarge][aria-haspopup=dialog]').first();
  await picture.focus();
  await page.keyboard.press('Enter');
  const large = page.getByRole('dialog');
  await expect(large.getByRole('img')).toBeVisible();
  expect((await large.getByRole('img').boundingBox())!.width).toBeGreaterThan(500);
  await expectAccessible(page, 'a picture enlarged');
  await page.keyboard.press('Escape');
  await expect(large).toHaveCount(0);
  await expect(picture).toBeFocused();

  await page.goto(`${server.origin}/shop/p/heron`);
  const tag = page.locator('.tags a').first();
  const name = await tag.textContent();
  await tag.click();
  await page.waitForURL(/\/shop\/t\//);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(new RegExp(`^${name}$`, 'i'));
  await expect(page.locator('[data-pl-product=heron]')).toHaveCount(1);
});

test('a selection says what it holds, and that it holds nothing', async ({ page, server }) => {
  const owner = await signInOwner(server);
  let id = '';
  await owner.change((lane) => {
    id = addPiece(lane, definitionOf('listing')!);
    lane.pieces[id]!.on = true;
    lane.pieces[id]!.settings['shows'] = selectionOf({ from: 'tag', tag: 'nobody-has-this' });
  });
  const { lint } = await owner.get<{ lint: { code: string; pieceId: string }[] }>('/api/studio/draft');
  expect(lint.filter(({ code }) => code === 'shows-nothing').map(({ pieceId }) => pieceId)).toEqual([id]);
  await signIn(page, server.origin, `/studio/bench/${id}`);
  await page.getByRole('tab', { name: 'Where' }).click();
  await expect(page.getByText('There is no such product at the moment.')).toBeVisible();
  await page.getByLabel('From', { exact: true }).first().selectOption('All products');
  await expect(page.getByText(/^24 products now: .+ and 21 more\.$/)).toBeVisible();
});

test('pieces of one place are put in order by hand; who is never seen is told, and the preview stands where one is seen', async ({
  page,
  server,
}) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    for (const [id, piece] of Object.entries(lane.pieces)) if (piece.kind === 'listing') delete lane.pieces[id];
    for (const name of ['First list', 'Second list']) {
      const piece = lane.pieces[addPiece(lane, definitionOf('listing')!)]!;
      Object.assign(piece, { name, on: true, where: { ...piece.where, spot: 'listing.main' } });
    }
  });
  const ids = ['listing', 'listing-2'];
  await signIn(page, server.origin, `/studio/bench/${ids[1]}?task=where`);
  await expect(page.getByTestId('who-sees')).toContainText('“First list” comes first wherever it could stand');
  await expect(page.getByTestId('shown-anyway')).toContainText('“First list” comes first');

  await page.getByRole('button', { name: 'Move up' }).click();
  await expect(page.getByTestId('who-sees')).toContainText('Seen on');
  await expect(page.getByRole('button', { name: 'Move up' })).toBeDisabled();
  // On one category alone: that is where it is looked at.
  await page
    .getByRole('radiogroup', { name: /^Listings, categories/ })
    .getByText('Only')
    .click();
  await page.getByLabel(/^Find listings, categories/).fill('spares');
  await page.getByRole('button', { name: 'Category “Spares”' }).click();
  await expect(page.getByTestId('preview')).toHaveAttribute('src', /^\/shop\/c\/spares\?draft=/);
  await page.getByLabel('Place').selectOption('listing.below');
  const drawn = page.frameLocator('[data-testid=preview]').locator(`[data-pl-piece=${ids[1]}]`);
  await expect(drawn).toBeInViewport();
});
