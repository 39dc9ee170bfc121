import { execFile } from 'node:child_process';
import { cp, rm } from 'node:fs/promises';
import path from 'node:path';
import { promisify } from 'node:util';
import { elsewhere } from '../support/other-site';
import { signInOwner } from '../support/owner';
import { copyProgram, insertLine } from '../support/program-copy';
import { seedFolder, serve, type TestServer } from '../support/server';
import { expect, signIn, test } from './harness';

const run = promisify(execFile);

interface DraftOf {
  readonly lane: { readonly pieces: Readonly<Record<string, { readonly name?: string; readonly on: boolean }>> };
}
const COPIED = [
  'src',
  'demo',
  'public',
  'scripts',
  'server.mjs',
  'package.json',
  'package-lock.json',
  'astro.config.mjs',
  'tsconfig.json',
];

/** The program with one more kind of piece: its folder, and a line in each of the three lists. */
async function buildWithToy(): Promise<string> {
  const folder = await copyProgram(COPIED);
  const at = (name: string) => path.join(folder, 'src', name);
  await cp(path.resolve('tests/support/toy-kind/bunting'), at('pieces/bunting'), { recursive: true });
  await insertLine(
    at('pieces/definitions.ts'),
    /const REGISTERED[^\n]*\[/,
    '  { definition: bunting, situations: buntingSituations },',
    "import { bunting } from './bunting/definition';\nimport { buntingSituations } from './bunting/situations';\n",
  );
  await insertLine(
    at('pieces/views.ts'),
    /export const views[^\n]*\{/,
    "  bunting: { load: () => import('./bunting/view') },",
  );
  await insertLine(
    at('pieces/servers.ts'),
    /export const servers[^\n]*\{/,
    '  bunting,',
    "import bunting from './bunting/server';\n",
  );
  await run(process.execPath, ['scripts/build.mjs', '--force'], { cwd: folder, timeout: 240_000 });
  return folder;
}

test.describe('a kind of piece that a test adds', () => {
  let folder: string;
  let server: TestServer;
  test.beforeAll(async () => {
    test.setTimeout(300_000);
    folder = await buildWithToy();
    server = await serve(await seedFolder(0), {}, folder);
  });
  test.afterAll(async () => {
    await server?.stop();
    if (folder) await rm(folder, { recursive: true, force: true });
  });

  test('is added twice in the studio, shaped, previewed, published, and stands in the shop with and without script', async ({
    page,
    browser,
  }) => {
    test.setTimeout(120_000);
    const { origin } = server;
    await signIn(page, origin, '/studio/stretch/browse');
    const preview = page.frameLocator('[data-testid=preview]');
    for (const [id, name] of [
      ['bunting', 'First string'],
      ['bunting-2', 'Second string'],
    ] as const) {
      await page.goto(`${origin}/studio/stretch/browse`);
      await page.getByRole('button', { name: 'Add: Bunting' }).click();
      await page.waitForURL(new RegExp(`/studio/bench/${id}\\?`));
      await page.goto(`${origin}/studio/bench/${id}?task=where`);
      await page.getByLabel('Name', { exact: true }).fill(name);
      await page.locator('header').getByRole('checkbox').check();
      await expect(preview.locator(`[data-pl-piece=${id}] [data-slot=flag]`)).toHaveCount(5);
      // A draft is stored after a moment.
      await expect
        .poll(async () => {
          const draft = (await (await page.request.get(`${origin}/api/studio/draft`)).json()) as DraftOf;
          return [draft.lane.pieces[id]?.name, draft.lane.pieces[id]?.on];
        })
        .toEqual([name, true]);
    }
    await page.getByRole('tab', { name: 'Parts' }).click();
    await page.getByRole('slider', { name: 'Flags' }).fill('9');
    await expect(
      page.frameLocator('[data-testid=preview]').locator('[data-pl-piece=bunting-2] [data-slot=flag]'),
    ).toHaveCount(9);
    await page
      .getByRole('button', { name: /^Publish/ })
      .first()
      .click();
    await expect(page.getByRole('dialog')).toContainText('First string');
    await expect(page.getByRole('dialog')).toContainText('Second string');
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^Publish/ })
      .click();
    await expect(page.getByRole('dialog')).toBeHidden();

    await page.goto(`${origin}/shop/?strings`);
    for (const [id, flags] of [
      ['bunting', 5],
      ['bunting-2', 9],
    ] as const) {
      const piece = page.locator(`[data-pl-piece=${id}]`);
      await expect(piece.locator('[data-slot=flag]')).toHaveCount(flags);
      await piece.getByRole('button', { name: 'Count them' }).click();
      await expect(piece.locator('output')).toHaveText(`${flags} flags`);
    }
    const plain = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
    await plain.goto(`${origin}/shop/?plain`);
    await expect(plain.locator('[data-slot=flag]')).toHaveCount(14);
    await expect(plain.getByRole('button', { name: 'Count them' })).toHaveCount(0);

    const blog = await elsewhere(`<script type="module" src="${origin}/rt/elsewhere.js"></script>`);
    const owner = await signInOwner(server);
    await owner.publish((lane) => {
      lane.shop.sites.push(blog.origin);
    });
    const reader = await (await browser.newContext()).newPage();
    await reader.goto(blog.origin);
    await expect(reader.locator('.bunting')).toHaveCount(2);
    // On other sites with the settings it has there.
    await expect(reader.locator('[data-slot=flag]')).toHaveCount(6);
    await reader.getByRole('button', { name: 'Count them' }).first().click();
    await expect(reader.locator('output').first()).toHaveText('3 flags');
    await blog.close();
  });
});
