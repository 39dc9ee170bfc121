import { spawn } from 'node:child_process';
import { text } from 'node:stream/consumers';
import { signInOwner } from '../support/owner';
import { changingTest, expect, signIn, type Page } from './harness';

/** Sheets are drawn a situation after the other, on a busy machine slowly. */
const DRAWN = { timeout: 60_000 };
const board = (page: Page) => page.getByRole('region', { name: 'Proof sheet' });
const panel = (page: Page) => page.getByRole('tabpanel', { name: 'Proof' });
const drawn = (page: Page) =>
  expect(board(page).getByText(/situations, drawn by the shop itself in/)).toBeVisible(DRAWN);

/** Presses “Mend it” for the first problem there is, until none is left; answers what was said of each. */
async function mendAll(page: Page): Promise<[heading: string, setting: string][]> {
  const mended: [string, string][] = [];
  for (let presses = 0; presses < 12; presses += 1) {
    await drawn(page);
    const bad = board(page).getByRole('button', { name: /problem/ });
    if ((await bad.count()) === 0) return mended;
    await bad.first().click();
    const problem = panel(page).getByRole('region', { name: 'Problem' });
    const mend = problem.getByRole('button', { name: 'Mend it' });
    await expect(mend).toBeVisible(DRAWN);
    mended.push([await problem.getByRole('heading').innerText(), await problem.locator('strong').innerText()]);
    await mend.click();
    await expect(board(page).getByText(/drawn by the shop itself …/)).toBeVisible();
  }
  throw new Error(`Not mended by 12 presses: ${JSON.stringify(mended)}`);
}

changingTest(
  'what is planted in the added popup is found where it is drawn, and mended by a press each',
  async ({ page, server }) => {
    changingTest.setTimeout(300_000);
    const faults: string[] = [];
    page.on('pageerror', (error) => faults.push(error.message));
    const owner = await signInOwner(server);
    await owner.change((lane) => {
      lane.pieces['added-popup']!.look.css =
        '[data-part=name]{width:9px;overflow-wrap:anywhere}\n.announce{display:none}';
    });
    await signIn(page, server.origin, '/studio/bench/added-popup?task=proof');
    await drawn(page);
    await expect(board(page).getByRole('heading')).toContainText('do not hold');

    const mended = await mendAll(page);

    for (const [heading, setting] of [
      [/is broken into letters$/, /^Own style rules, line 1$/],
      [/is not announced$/, /^Own style rules, line 2$/],
    ] as const)
      expect(
        mended.some((said) => heading.test(said[0]) && setting.test(said[1])),
        `${heading} ${JSON.stringify(mended)}`,
      ).toBe(true);
    await expect(board(page).getByRole('heading')).toContainText('The board is level');
    expect(faults).toEqual([]);
  },
);

changingTest('the strip of situations shows what was drawn, and what does not hold', async ({ page, server }) => {
  changingTest.setTimeout(120_000);
  const owner = await signInOwner(server);
  await owner.change((lane) => void (lane.pieces['quick-view']!.look.css = '[data-slot=name]{color:#9fb8bd}'));
  await signIn(page, server.origin, '/studio/bench/quick-view');
  await page.getByRole('tab', { name: 'Proof' }).click();
  await drawn(page);
  // Nothing is measured while its product is still on its way, however busy the browser is.
  const pictures = await board(page)
    .locator('iframe')
    .evaluateAll((frames) => frames.map((frame) => frame.getAttribute('srcdoc') ?? ''));
  expect(pictures.length).toBeGreaterThan(12);
  expect(pictures.filter((html) => html.includes('data-word="loading"'))).toEqual([]);
  await page.getByRole('tab', { name: 'Parts' }).click();
  const strip = page.getByRole('region', { name: 'Situations' });
  await expect(strip.getByRole('button', { name: 'Everyday · 1' })).toBeVisible();
  await expect(strip.locator('iframe').first().contentFrame().locator('pl-look dialog, dialog').first()).toBeVisible();
  // What was drawn of another draft says nothing of this one.
  await page.getByRole('radiogroup', { name: 'Picture enlarges' }).getByText('Off').click();
  await expect(strip.getByRole('button', { name: /Everyday$/ })).toBeVisible();
});

/** What the command says of a folder, and what it ends with. */
async function prove(dataDir: string, ...more: string[]): Promise<{ status: number; said: string }> {
  const child = spawn(process.execPath, ['scripts/proof.mjs', '--data', dataDir, ...more], {
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const ended = new Promise<number>((resolve) => child.once('exit', (status) => resolve(status ?? -1)));
  const [said, complaint, status] = await Promise.all([text(child.stdout), text(child.stderr), ended]);
  return { status, said: status === 2 ? complaint : said };
}

changingTest('the whole lane is proved on one screen, and by command', async ({ page, server }) => {
  changingTest.setTimeout(300_000);
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(error.message));
  const owner = await signInOwner(server);
  const price = '[data-part=price]{color:#bbccdd}';
  await owner.change((lane) => void (lane.pieces['added-popup']!.look.css = price));
  const found = await prove(server.dataDir, '--piece', 'added-popup', '--json');
  expect(found.status, found.said).toBe(1);
  const { problems } = JSON.parse(found.said) as { problems: Record<string, string>[] };
  expect(problems).toHaveLength(1);
  expect(problems[0]).toMatchObject({ piece: 'added-popup', check: 'faint' });
  expect(problems[0]!['setting']).toMatch(/^Own style rules, line 1\./);

  // What the command found is told wherever the piece is.
  await signIn(page, server.origin, '/studio/stretch/add');
  await expect(page.getByRole('link', { name: '1 problem in its proof' })).toBeVisible();
  await page.getByRole('button', { name: 'Publish …' }).click();
  await expect(page.getByRole('region', { name: 'Proof' })).toContainText('Added popup 1');
  await page.goto(`${server.origin}/studio/proof`);
  const stone = page.getByRole('link', { name: /is hard to read/ });
  await expect(stone).toContainText('Mended by:');
  await page.getByRole('button', { name: /^Prove all/ }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: /^Prove all/ })).toBeVisible();
  await stone.click();
  await expect(page.getByRole('heading', { name: 'Shape added popup' })).toBeVisible();
  await drawn(page);
  await expect(panel(page).getByRole('region', { name: 'Problem' })).toBeVisible();

  await owner.change((lane) => void (lane.pieces['added-popup']!.look.css = ''));
  expect(await prove(server.dataDir, '--piece', 'added-popup')).toEqual({
    status: 0,
    said: '0 problems in 1 piece, 22 situations.\n',
  });
  expect(await prove(server.dataDir, '--piece', 'no-such-piece')).toMatchObject({ status: 2 });
  expect((await prove('/no/such/folder')).said).toContain('There is no shop in /no/such/folder');
  expect(faults).toEqual([]);
});
