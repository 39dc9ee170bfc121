// npm run proof -- [--data DIR] [--live] [--piece ID] [--json]: proves every piece of a shop in headless Chromium, and ends with 1
// when something does not hold. The folder's own server is used where one runs.
import { chromium } from '@playwright/test';
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { parseArgs } from 'node:util';
import { installPackages, run } from './set-up.mjs';

/** A sheet takes seconds; a lane of many pieces on a busy machine, minutes. */
const MOST_MS = 30 * 60_000;
const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

function end(why) {
  console.error(why);
  process.exit(2);
}

function readArguments() {
  try {
    return parseArgs({
      options: {
        data: { type: 'string', default: 'var/shop' },
        live: { type: 'boolean', default: false },
        piece: { type: 'string' },
        json: { type: 'boolean', default: false },
      },
    }).values;
  } catch (error) {
    return end(`${error.message}\nUsage: npm run proof -- [--data DIR] [--live] [--piece ID] [--json]`);
  }
}

const { data, live, piece, json } = readArguments();
const dataDir = path.resolve(data);
if (!existsSync(path.join(dataDir, 'paved-lane.sqlite')))
  end(`There is no shop in ${dataDir}. Name its folder: --data DIR`);
if (!existsSync(CHROMIUM)) end(`Chromium is needed at ${CHROMIUM}; install it, or set CHROMIUM to its path.`);

installPackages();
// What is printed is the answer alone.
run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 2, 2] });

function signIn() {
  const asked = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/proof-session.ts', dataDir], {
    encoding: 'utf8',
  });
  if (asked.status !== 0) end(`The shop in ${dataDir} cannot be opened: ${asked.stderr}`);
  return JSON.parse(asked.stdout);
}

/** A server of our own on the folder, until it is stopped. */
async function serve() {
  const child = spawn(process.execPath, ['server.mjs'], {
    env: { ...process.env, PORT: '0', HOST: '127.0.0.1', PAVED_LANE_DATA: dataDir, PAVED_LANE_LOG: 'error' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  for await (const line of createInterface(child.stdout)) {
    const said = line.startsWith('{') ? JSON.parse(line) : {};
    if (said.msg === 'listening')
      return { address: `http://127.0.0.1:${said.port}`, stop: () => child.kill('SIGTERM') };
  }
  return end(`The shop in ${dataDir} cannot be served.`);
}

const { secret, address } = signIn();
if (!secret) end('Nobody owns this shop yet: begin in the studio, then prove it.');
const server = address ? { address, stop: () => undefined } : await serve();
const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] });
const proved = live ? 'live' : 'draft';
let found = null;
try {
  const context = await browser.newContext({ viewport: { width: 1440, height: 1100 } });
  await context.addCookies([{ name: 'pl_sign_in', value: secret, url: server.address }]);
  const page = await context.newPage();
  const asked = new URLSearchParams({ run: proved, ...(piece && { piece }) });
  await page.goto(`${server.address}/studio/proof?${asked}`);
  const progress = page.getByRole('progressbar', { name: 'Pieces proved' });
  await progress.waitFor();
  await progress.waitFor({ state: 'detached', timeout: MOST_MS });
  const refused = page.getByRole('alert');
  if ((await refused.count()) > 0) throw new Error(await refused.first().innerText());
  found = await (await page.request.get(`${server.address}/api/studio/proofs`)).json();
  await page.request.post(`${server.address}/studio/sign-out`, { headers: { origin: server.address } });
} catch (error) {
  console.error(`The proof did not come to its end: ${error.message}`);
} finally {
  await browser.close();
  server.stop();
}
if (!found) process.exit(2);

const sheets = found.flatMap(({ pieceId, [proved]: sheet }) =>
  sheet && (piece === undefined || pieceId === piece) ? [{ pieceId, sheet }] : [],
);
const problems = sheets.flatMap(({ pieceId, sheet }) =>
  sheet.problems.map(({ situation, check, heading, setting }) => ({
    piece: pieceId,
    situation,
    check,
    where: heading,
    setting,
  })),
);
if (json) console.log(JSON.stringify({ problems }, null, 2));
else {
  for (const { piece: id, situation, where, setting } of problems)
    console.log(`${id}, ${situation}: ${where}.${setting ? ` Mended by: ${setting}` : ''}`);
  const situations = sheets.reduce((sum, { sheet }) => sum + sheet.situations, 0);
  const plural = (count, one) => `${count} ${one}${count === 1 ? '' : 's'}`;
  console.log(`${plural(problems.length, 'problem')} in ${plural(sheets.length, 'piece')}, ${situations} situations.`);
}
process.exit(problems.length > 0 ? 1 : 0);
