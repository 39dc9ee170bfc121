import { readFile } from 'node:fs/promises';
import { signInOwner } from '../support/owner';
import { changingTest, expect, signIn } from './harness';

changingTest('some changes go out now, others at a time, which one press stops', async ({ page, server }) => {
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(error.message));
  const owner = await signInOwner(server);
  await owner.change((lane) => {
    lane.pieces['quick-view']!.settings['layout'] = 'right';
    lane.theme.radiusPx = 2;
  });
  await signIn(page, server.origin, '/studio');
  const dialog = page.getByRole('dialog', { name: 'Publish to the live shop' });
  await page.getByRole('button', { name: 'Publish …' }).click();
  await dialog.getByRole('checkbox', { name: /^Picture position/ }).uncheck();
  await dialog.getByRole('button', { name: /^Publish \d+ of \d+ changes$/ }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByTestId('draft-state')).toHaveText(/1 change in draft/);

  await page.getByRole('button', { name: 'Publish …' }).click();
  await expect(dialog.getByRole('checkbox')).toHaveCount(0);
  await dialog.getByRole('radio', { name: 'At a time' }).check();
  const year = new Date().getUTCFullYear() + 1;
  await dialog.getByLabel('Day and time').fill(`${year}-01-08T09:30`);
  await dialog.getByLabel('A note for later').fill('For the new year');
  await dialog.getByRole('button', { name: 'Plan 1 change' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByTestId('draft-state')).toContainText(`goes out 8 Jan ${year}, 09:30`);
  const { live } = await owner.get<{ live: { revision: number } }>('/api/studio/draft');

  await page.goto(`${server.origin}/studio/revisions`);
  const planned = page.getByRole('list', { name: 'Planned' });
  await expect(planned).toContainText('For the new year');
  await planned.getByText('1 change', { exact: true }).click();
  await expect(planned.getByText(/^Picture position/)).toBeVisible();
  await planned.getByRole('button', { name: 'Stop' }).click();
  await expect(planned).toHaveCount(0);
  await expect(page.getByTestId('draft-state')).not.toContainText('goes out');
  expect((await owner.get<{ live: { revision: number } }>('/api/studio/draft')).live.revision).toBe(live.revision);
  expect(faults).toEqual([]);
});

changingTest(
  'the configuration goes out as a file, and comes in when it has been looked at',
  async ({ page, server }) => {
    await signIn(page, server.origin, '/studio/revisions');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Export the draft' }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('configuration-draft.json');
    const text = await readFile(await download.path(), 'utf8');
    const field = page.getByLabel('Configuration file');
    const fileOf = (content: string) => ({
      name: 'shop.json',
      mimeType: 'application/json',
      buffer: Buffer.from(content),
    });
    await field.setInputFiles(fileOf('{"format":'));
    await expect(page.getByRole('alert')).toHaveText('This is no JSON we can read: look at line 1.');
    await field.setInputFiles(fileOf(text.replace(/"radiusPx": \d+/, '"radiusPx": 2')));
    const dialog = page.getByRole('dialog', { name: 'Import shop.json' });
    await expect(dialog.getByRole('listitem')).toHaveCount(1);
    await dialog.getByRole('button', { name: 'Cancel' }).click();
    await field.setInputFiles(fileOf(text.replace(/"radiusPx": \d+/, '"radiusPx": 2')));
    await dialog.getByRole('button', { name: 'Put into the draft' }).click();
    await expect(page.getByText('The configuration is in the draft now.')).toBeVisible();
    await field.setInputFiles(fileOf(text));
    await expect(dialog.getByRole('listitem')).toHaveCount(1);
  },
);

changingTest('texts are written beside their source, and come back from a PO file', async ({ page, server }) => {
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(error.message));
  await signIn(page, server.origin, '/studio/words');
  const texts = page.getByRole('list', { name: 'Texts' });
  await expect(texts.getByText('You changed the source.').first()).toBeVisible();
  const heading = page.getByRole('textbox', { name: 'Pages of the shop: First row' });
  await heading.fill('Zuerst in der Luft');
  // What has been done stays where it was written.
  await expect(heading).toHaveValue('Zuerst in der Luft');
  await page.getByRole('radiogroup', { name: 'Show' }).getByText('All').click();
  await page.getByRole('searchbox', { name: 'Find a text' }).fill('{count');
  const counted = texts.getByRole('textbox').first();
  await counted.fill('{count, plural, one {# Stück}');
  await expect(texts.getByRole('alert')).toContainText('this cannot be read');
  await page.keyboard.press('Control+z');

  await page.getByRole('radiogroup', { name: 'Language' }).getByText('Arabic').click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Export Arabic (PO)' }).click(),
  ]);
  const text = await readFile(await download.path(), 'utf8');
  const changed = text.replace(/(msgctxt "shopWords\/soldOut"\nmsgid "[^"]*"\nmsgstr )"[^"]*"/, '$1"نفد كله"');
  await page
    .getByLabel('PO file')
    .setInputFiles({ name: 'ar.po', mimeType: 'text/x-gettext-translation', buffer: Buffer.from(changed) });
  const dialog = page.getByRole('dialog', { name: 'Import ar.po' });
  await expect(dialog.getByRole('listitem')).toHaveText(/Sold out \(ar\): “نفد كله”/);
  await dialog.getByRole('button', { name: 'Put into the draft' }).click();
  await expect(page.getByText('The translations are in the draft now.')).toBeVisible();
  expect(faults).toEqual([]);
});

changingTest(
  'the theme goes out as design tokens, and what another file says of it is taken over',
  async ({ page, server }) => {
    await signIn(page, server.origin, '/studio/shop?section=look');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Export design tokens' }).click(),
    ]);
    const text = await readFile(await download.path(), 'utf8');
    const field = page.getByLabel('Design tokens file');
    const fileOf = (content: string) => ({
      name: 'tokens.json',
      mimeType: 'application/json',
      buffer: Buffer.from(content),
    });
    await field.setInputFiles(fileOf(text));
    await expect(page.getByText('The shop has these values already.')).toBeVisible();
    await expect(page.getByTestId('draft-state')).toHaveText(/live/);
    await field.setInputFiles(fileOf('{"a":{"$type":"color","$value":"{a}"}}'));
    await expect(page.getByRole('alert')).toHaveText(/^a stands for itself/);
    await field.setInputFiles(
      fileOf('{"accent":{"$type":"color","$value":"#225522"},"gap":{"$type":"dimension","$value":"4px"}}'),
    );
    await expect(page.getByText('1 value taken over. Left out, as they stand for nothing here: gap.')).toBeVisible();
    await expect(page.getByTestId('draft-state')).toHaveText(/1 change in draft/);
  },
);

changingTest('a look at rest proposes the other states, and another piece lends its own', async ({ page, server }) => {
  const owner = await signInOwner(server);
  await owner.change((lane) => {
    lane.pieces['slide-out-cart']!.look.slots['panel'] = { rest: { background: '#fff4dd' } };
    lane.pieces['added-popup']!.look.slots['checkout'] = { rest: { background: '#7a2222' } };
  });
  await signIn(page, server.origin, '/studio/bench/added-popup?task=look');
  await page.getByLabel('Copy the look of').selectOption({ label: 'Cart panel' });
  await expect(page.getByText('The look of Cart panel was taken over.')).toBeVisible();
  const place = page.locator('section').filter({ has: page.getByRole('heading', { name: 'Checkout button' }) });
  await place.last().getByRole('button', { name: 'Set the other states by this' }).click();
  const looks = async () => {
    const { lane } = await owner.get<{ lane: { pieces: Record<string, { look: { slots: unknown } }> } }>(
      '/api/studio/draft',
    );
    return lane.pieces['added-popup']!.look.slots;
  };
  await expect.poll(looks).toMatchObject({
    panel: { rest: { background: '#fff4dd' } },
    checkout: { hover: { background: expect.stringMatching(/^#/) } },
  });
});
