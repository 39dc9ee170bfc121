import { addPiece, selectionOf, type Lane } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import { signInOwner } from '../support/owner';
import { expect, expectAccessible, phonePage, saidBeside, changingTest as test } from './harness';

function putForm(lane: Lane, heading: string, slugs: readonly string[], settings: object = {}): void {
  const id = addPiece(lane, definitionOf('order-form')!);
  const piece = lane.pieces[id]!;
  piece.on = true;
  piece.where.spot = 'home.above';
  piece.words['en'] = { heading };
  Object.assign(piece.settings, settings);
  piece.settings['shows'] = selectionOf({ from: 'picked', picked: { slugs: [...slugs] }, most: 50 });
}
const clear = (lane: Lane) => {
  for (const [id, piece] of Object.entries(lane.pieces))
    if (['order-form', 'listing'].includes(piece.kind)) delete lane.pieces[id];
};

test('two order forms and a list on a page work apart: ticked, sorted, searched, left and found again, added in one request', async ({
  page,
  server,
}) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    clear(lane);
    putForm(lane, 'Spares', ['end-cap', 'centre-t-piece', 'hoop-winder', 'ripstop-patch']);
    putForm(lane, 'Lines', ['single-line-40-kg'], { adds: 'rows' });
    const list = lane.pieces[addPiece(lane, definitionOf('listing')!)]!;
    Object.assign(list, { on: true, where: { ...list.where, spot: 'home.above' } });
    list.settings['shows'] = selectionOf({ from: 'picked', picked: { slugs: ['heron', 'kestrel'] } });
  });
  const posted: string[] = [];
  page.on('request', (request) => {
    if (request.method() === 'POST' && request.url().includes('/api/cart')) posted.push(request.postData() ?? '');
  });
  await page.goto(`${server.origin}/shop/`);
  const form = page.locator('[data-pl-piece=order-form] form');
  const other = page.locator('[data-pl-piece=order-form-2] form');
  await expect(form.getByLabel('Find in this list')).toBeVisible();
  await expect(other.getByRole('checkbox')).toHaveCount(0);
  const cards = page.locator('[data-pl-piece=listing] [data-pl-product]');
  await expect(cards).toHaveCount(2);

  // By keyboard: a tick, and a number that ticks its row.
  await form.getByRole('checkbox', { name: /End Cap/ }).focus();
  await page.keyboard.press('Space');
  await form.getByLabel(/^Quantity: Hoop Winder/).fill('3');
  await expect(form.getByRole('checkbox', { name: /Hoop Winder/ })).toBeChecked();
  await expect(form.locator('[data-chosen]')).toContainText('4 items');

  await form.getByRole('button', { name: 'Price' }).click();
  await expect(form.getByRole('columnheader', { name: 'Price' })).toHaveAttribute('aria-sort', 'ascending');
  const prices = (await form.locator('tr[data-variant] [data-part=price]').allTextContents()).map((text) =>
    Number(text.replace('€', '')),
  );
  expect(prices).toEqual([...prices].sort((a, b) => a - b));
  await form.getByLabel('Find in this list').fill('winder');
  await expect(form.locator('tr[data-variant]:visible')).toHaveCount(1);
  await expect(other.locator('tr[data-variant]')).not.toHaveCount(0);
  await expect(cards).toHaveCount(2);
  await form.getByLabel('Find in this list').fill('nothing like it');
  await expect(form.getByText('Nothing in this list fits.')).toBeVisible();

  // A closer look, a reload, another page and back: what was ticked stays ticked.
  await form.getByLabel('Find in this list').fill('');
  await form.getByRole('link', { name: 'Hoop Winder' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.reload();
  await expect(form.locator('[data-chosen]')).toContainText('4 items');
  await expect(form.getByLabel(/^Quantity: Hoop Winder/)).toHaveValue('3');
  await page.goto(`${server.origin}/shop/all`);
  await page.goBack();
  await expect(form.getByRole('checkbox', { name: /End Cap/ })).toBeChecked();
  await expectAccessible(page, 'a page with order forms');

  await form.getByRole('button', { name: 'Add all chosen' }).click();
  await expect(saidBeside(page)).toHaveText('2 rows are in your cart now.');
  await expect(page.locator('[data-pl-count]').first()).toHaveText('4');
  expect(posted).toHaveLength(1);
  expect((JSON.parse(posted[0]!) as { items: object[] }).items).toHaveLength(2);
  await form.getByRole('button', { name: 'Add all chosen' }).click();
  await expect(saidBeside(page)).toHaveText('Tick something first.');

  await other
    .getByRole('button', { name: /^Add: / })
    .first()
    .click();
  await expect(page.locator('[data-pl-count]').first()).toHaveText('5');
});

test('what another buyer was quicker for is said at its row, and the others are kept, or nothing is', async ({
  page,
  server,
}) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    clear(lane);
    putForm(lane, 'Some', ['end-cap', 'hoop-winder']);
  });
  await page.goto(`${server.origin}/shop/`);
  const form = page.locator('[data-pl-piece=order-form] form');
  const [cap, winder] = [
    form.getByRole('checkbox', { name: /End Cap/ }),
    form.getByRole('checkbox', { name: /Hoop Winder/ }),
  ];
  await cap.check();
  await winder.check();
  // In the meantime the last ones go.
  const slug = 'hoop-winder';
  const read = () =>
    owner.get<{ edit: number; record: { variants: { stock: number | null }[] } }>(`/api/studio/products/${slug}`);
  const { variants: full } = (await read()).record;
  const stockWith = async (stockOf: (i: number) => number | null) => {
    const { edit, record } = await read();
    const variants = record.variants.map((variant, i) => ({ ...variant, stock: stockOf(i) }));
    const saved = await page.request.put(`${server.origin}/api/studio/products/${slug}`, {
      headers: { cookie: owner.cookie, origin: server.origin },
      data: { edit, record: { ...record, variants } },
    });
    expect(saved.ok()).toBe(true);
  };
  await stockWith(() => 0);
  await form.getByRole('button', { name: 'Add all chosen' }).click();
  await expect(saidBeside(page)).toContainText('1 row is in your cart now. 1 row could not be added');
  await expect(form.locator('tr', { hasText: 'Hoop Winder' }).locator('.order-why')).toContainText('sold out');
  await expect(winder).toBeChecked();
  await expect(cap).not.toBeChecked();

  await owner.publish((lane) => void (lane.pieces['order-form']!.settings['whole'] = 'nothing'));
  const before = await page.locator('[data-pl-count]').first().textContent();
  await page.goto(`${server.origin}/shop/?anew`);
  await expect(form.getByText('Sold out')).toBeVisible();
  await page.evaluate(async () => {
    // A page that was open before the last one went would still send it.
    const ids = [...document.querySelectorAll<HTMLElement>('[data-pl-piece=order-form] tr[data-variant]')].map((row) =>
      Number(row.dataset['variant']),
    );
    const answer = await fetch('/api/cart/many', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ items: ids.map((variantId) => ({ variantId, quantity: 1 })), whole: true }),
    });
    document.body.dataset['answer'] = JSON.stringify(await answer.json());
  });
  const answer = JSON.parse((await page.locator('body').getAttribute('data-answer'))!) as {
    added: number[];
    refused: object[];
  };
  expect([answer.added, answer.refused.length]).toEqual([[], 1]);
  await page.reload();
  await expect(page.locator('[data-pl-count]').first()).toHaveText(before!);
  // Whoever comes next finds the shelf as it was.
  await stockWith((i) => full[i]!.stock);
});

test('an order form works on a phone, and without script, right to left', async ({ browser, server }) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    clear(lane);
    putForm(lane, 'Spares', ['end-cap', 'centre-t-piece', 'sail-your-own']);
  });
  const phone = await phonePage(browser);
  await phone.goto(`${server.origin}/shop/?phone`);
  const form = phone.locator('[data-pl-piece=order-form] form');
  await form.getByRole('checkbox', { name: /End Cap/ }).check();
  await expect(form.getByRole('link', { name: 'Choose options' }).first()).toBeVisible();
  const overflows = await phone.evaluate(() => document.documentElement.scrollWidth > innerWidth);
  expect(overflows).toBe(false);
  await form.getByRole('button', { name: 'Add all chosen' }).click();
  await expect(phone.locator('[data-pl-count]').first()).toHaveText('1');
  await expectAccessible(phone, 'an order form on a phone');
  await phone.close();

  const context = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 320, height: 700 } });
  const page = await context.newPage();
  await page.goto(`${server.origin}/shop/?lang=ar&plain`);
  const plain = page.locator('[data-pl-piece=order-form] form');
  await plain.locator('[name=tick]').nth(0).check();
  await plain.locator('[name=tick]').nth(1).check();
  await plain.locator('[name^="quantity:"]').nth(1).fill('2');
  await plain.getByRole('button', { name: 'إضافة المختار' }).click();
  await page.waitForURL(/\/shop\/cart/);
  await expect(page.locator('[data-pl-count]').first()).toHaveText('3');
  await context.close();
});

test('a long order form draws the rows in sight, finds any of them, and adds forty at once', async ({
  page,
  server,
}) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    clear(lane);
    putForm(lane, 'Everything', []);
    lane.pieces['order-form']!.settings['shows'] = selectionOf({ from: 'all', order: 'name', most: 2000 });
    lane.pieces['order-form']!.where.spot = 'home.below';
  });
  const posted: string[] = [];
  page.on('request', (request) => {
    if (request.method() === 'POST' && request.url().includes('/api/cart')) posted.push(request.postData() ?? '');
  });
  await page.goto(`${server.origin}/shop/?long`);
  const form = page.locator('[data-pl-piece=order-form] form');
  const rows = form.locator('tr[data-variant]');
  await form.getByLabel('Find in this list').scrollIntoViewIfNeeded();
  await expect(form.getByRole('table')).toHaveAttribute('aria-rowcount', /^1\d\d$/);
  await expect.poll(() => rows.count()).toBeLessThan(60);

  // What is ticked stays so while its row is out of sight.
  const first = await rows.first().getAttribute('data-variant');
  await rows.first().getByRole('checkbox').check();
  await form
    .locator('.order-foot')
    .evaluate((foot) => foot.parentElement!.querySelector('tbody')!.scrollIntoView(false));
  await expect(form.locator(`tr[data-variant="${first}"]`)).toHaveCount(0);
  await form.getByLabel('Find in this list').fill('winder hoop');
  await expect(rows).toHaveCount(1);
  await expect(rows.first()).toContainText('Hoop Winder');
  await form.getByLabel('Find in this list').fill('');

  const seen = new Set<string>();
  for (let tries = 0; seen.size < 40 && tries < 60; tries += 1) {
    const box = form.locator('tr[data-variant] [name=tick]:not(:checked)').first();
    seen.add((await box.getAttribute('value'))!);
    await box.check();
  }
  await form.getByRole('button', { name: 'Add all chosen' }).click();
  await expect(saidBeside(page)).toContainText('rows are in your cart now.');
  expect(posted).toHaveLength(1);
  expect((JSON.parse(posted[0]!) as { items: object[] }).items).toHaveLength(41);
  await expectAccessible(page, 'a long order form');
});

test.describe('an order form in place of a listing', () => {
  test('is narrowed by the page’s filters, and without script has links to more', async ({ browser, server }) => {
    const owner = await signInOwner(server);
    await owner.publish((lane) => {
      clear(lane);
      putForm(lane, '', []);
      lane.pieces['order-form']!.settings['shows'] = selectionOf({ from: 'page', order: 'name', most: 500 });
      lane.pieces['order-form']!.where.spot = 'listing.main';
    });
    const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
    await page.goto(`${server.origin}/shop/c/spares?plain`);
    const rows = page.locator('.order-form tr[data-variant]');
    const all = await rows.count();
    expect(all).toBeGreaterThan(3);
    await page.goto(`${server.origin}/shop/c/spares?from=0&to=5`);
    expect(await rows.count()).toBeLessThan(all);
    await page.goto(`${server.origin}/shop/t/beginner?plain`);
    await expect(page.locator('h1')).toHaveText('Beginner');
    expect(await rows.count()).toBeGreaterThan(0);
    await page.goto(`${server.origin}/shop/all?plain`);
    await expect(rows).toHaveCount(100);
    await page.getByRole('navigation', { name: 'Pages' }).getByRole('link', { name: 'Next' }).click();
    await expect(rows.first()).toBeVisible();
    expect(new URL(page.url()).searchParams.get('order-form.page')).toBe('2');
  });

  test('is one basket over filters, pages and search, and all that is found can be ticked', async ({
    page,
    server,
  }) => {
    const owner = await signInOwner(server);
    await owner.publish((lane) => {
      clear(lane);
      putForm(lane, '', []);
      const form = lane.pieces['order-form']!;
      form.settings['shows'] = selectionOf({ from: 'page', order: 'name' });
      form.settings['filterLists'] = true;
      form.where.spot = 'listing.main';
      for (const part of form.parts) if (['sku', 'category', 'rating', 'attributes'].includes(part.key)) part.on = true;
    });
    await page.goto(`${server.origin}/shop/c/spares?one`);
    const form = page.locator('.order-form');
    const rows = form.locator('tr[data-variant]');
    await form.getByRole('checkbox', { name: /End Cap/ }).check();
    await form.getByLabel(/^Quantity: End Cap/).fill('2');
    await expect(form.locator('[data-chosen]')).toContainText('2 items');

    // Another category, another filter: what was ticked counts on, is told, and can be taken out.
    await page.goto(`${server.origin}/shop/c/single-line?v.Size=Small&two`);
    await expect(form.locator('[data-chosen]')).toContainText('2 items');
    const away = form.getByText('1 more row is ticked that this page does not show');
    await away.click();
    await expect(form.locator('[data-elsewhere]')).toContainText(/2 × End Cap.*€/);
    for (const text of await rows.locator('[data-part=choices]').allTextContents()) expect(text).toContain('Small');

    // All that a filter of the table leaves is ticked at once, and nothing else.
    await form.getByLabel('Find in this list').fill('lapwing');
    await expect(rows).not.toHaveCount(0);
    const found = await rows.count();
    await form.getByLabel('Tick all').check();
    await expect(form.locator('[name=tick]:checked')).toHaveCount(found);
    await form.getByLabel('Find in this list').fill('');
    await expect(form.locator('[name=tick]:checked')).toHaveCount(found);
    await expect(form.getByLabel('Tick all')).not.toBeChecked();
    await form.getByLabel('Category', { exact: true }).selectOption({ index: 1 });
    await form.getByLabel('Category', { exact: true }).selectOption('');
    await expect(form.locator('[data-chosen]')).toContainText(`${found + 2} items`);

    // Where a filter leaves nothing, the basket is still there.
    await page.goto(`${server.origin}/shop/c/single-line?from=9000&three`);
    await expect(rows).toHaveCount(0);
    await expect(form.locator('[data-chosen]')).toContainText(`${found + 2} items`);
    await page.goBack();

    // A column is as wide as what it holds.
    const widths = await rows.first().evaluate((row) => ({
      tick: row.querySelector('.order-tick')!.getBoundingClientRect().width,
      skuLines: (() => {
        const range = document.createRange();
        range.selectNodeContents(row.querySelector('[data-part=sku]')!);
        return range.getClientRects().length;
      })(),
    }));
    expect(widths.tick).toBeLessThan(48);
    expect(widths.skuLines).toBe(1);
    await form.getByRole('button', { name: 'Rating' }).click();
    await expectAccessible(page, 'an order form with every column');

    await form.getByRole('button', { name: 'Add all chosen' }).click();
    await expect(saidBeside(page)).toHaveText(`${found + 1} rows are in your cart now.`);
    await expect(page.locator('[data-pl-count]').first()).toHaveText(String(found + 2));
    await expect(form.locator('[data-elsewhere]')).toBeHidden();
    await page.reload();
    await expect(form.locator('[data-chosen]')).toHaveText('');
  });
});
