// npm run shots: remakes docs/screenshots from the demo data.
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { installPackages, run } from './set-up.mjs';

const PORT = 4599;
const ORIGIN = `http://127.0.0.1:${PORT}`;
const OUT = 'docs/screenshots';

installPackages();
run(process.execPath, ['scripts/build.mjs']);
const dataDir = mkdtempSync(path.join(tmpdir(), 'paved-lane-shots-'));
run(process.execPath, ['--import', 'tsx', 'demo/seed.ts', '--data', dataDir]);
/** The built server on a folder; answers its process, what it says, and its address. */
async function serve(folder, port, isDemo) {
  const origin = `http://127.0.0.1:${port}`;
  const child = spawn(process.execPath, ['server.mjs'], {
    env: {
      ...process.env,
      PORT: String(port),
      PAVED_LANE_DATA: folder,
      PAVED_LANE_DEMO: isDemo ? '1' : '0',
      PAVED_LANE_LOG: 'error',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  child.stdout.on('data', (chunk) => (said += chunk));
  const isUp = () =>
    fetch(`${origin}/api/health`).then(
      (response) => response.ok,
      () => false,
    );
  while (!(await isUp())) await new Promise((resolve) => setTimeout(resolve, 150));
  const stop = async () => {
    child.kill('SIGTERM');
    await new Promise((resolve) => child.once('exit', resolve));
    rmSync(folder, { recursive: true, force: true });
  };
  return { said: () => said, stop };
}

const server = await serve(dataDir, PORT, true);
const fresh = await serve(mkdtempSync(path.join(tmpdir(), 'paved-lane-fresh-')), PORT + 1, false);

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
const DESKTOP = { viewport: { width: 1280, height: 800 } };
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };

/** With `restless` a page that goes on asking, as the frames of a proof do. */
async function shoot(name, page, restless = false) {
  if (!restless) await page.waitForLoadState('networkidle');
  await page.waitForTimeout(500);
  await page.screenshot({ path: path.join(OUT, `${name}.png`) });
  console.log(name);
}

mkdirSync(OUT, { recursive: true });
try {
  const owner = await (await browser.newContext(DESKTOP)).newPage();
  await owner.goto(`${ORIGIN}/studio/sign-in`);
  await owner.getByLabel('E-mail').fill('owner@hollowtarn.example');
  await owner.getByLabel('Password').fill('windward');
  await owner.getByRole('button', { name: 'Sign in' }).click();
  await owner.getByRole('heading', { name: 'See where shoppers leave the lane' }).waitFor();
  await shoot('lane-map', owner);
  await owner.goto(`${ORIGIN}/studio/bench/quick-view?part=shortText`);
  await owner.getByRole('button', { name: '768' }).first().click();
  await shoot('bench-quick-view', owner);
  // Something that does not hold, until the picture is taken.
  const plant = (css) =>
    owner.evaluate(async (value) => {
      const { edit } = await (await fetch('/api/studio/draft')).json();
      const patch = [{ op: 'replace', path: '/pieces/quick-view/look/css', value }];
      const headers = { 'content-type': 'application/json' };
      await fetch('/api/studio/draft', { method: 'PATCH', headers, body: JSON.stringify({ edit, patch }) });
    }, css);
  await plant('[data-slot=name]{color:#9fb8bd}');
  await owner.goto(`${ORIGIN}/studio/bench/quick-view?task=proof`);
  await owner.getByRole('button', { name: 'Mend it' }).waitFor({ timeout: 120_000 });
  await shoot('bench-proof', owner, true);
  await plant('');
  await owner.goto(`${ORIGIN}/studio/offers?offer=first-wind&order=1003`);
  await owner.getByRole('region', { name: 'Try it on a cart' }).getByLabel('Codes').fill('WIND10');
  await owner.getByText('Total', { exact: true }).waitFor();
  await shoot('offers', owner);
  await owner.goto(`${ORIGIN}/studio/suggestions`);
  await owner.getByRole('button', { name: 'Look through all orders' }).click();
  await owner.getByRole('region', { name: 'Pairs' }).waitFor();
  await owner.waitForTimeout(1000);
  await shoot('together', owner);
  await owner.goto(`${ORIGIN}/studio/catalogue/sail-your-own/options`);
  await owner.getByRole('button', { name: /^Your artwork/ }).click();
  await shoot('options', owner);
  await owner.goto(`${ORIGIN}/studio/revisions`);
  await shoot('revisions', owner);
  await owner.goto(`${ORIGIN}/studio/catalogue/import`);
  await owner.getByLabel('Catalogue file').setInputFiles('public/example-catalogue.csv');
  await owner.getByTestId('plan').waitFor();
  await shoot('import', owner);
  await owner.goto(`${ORIGIN}/studio/bench/thanks?part=offer`);
  await owner.frameLocator('[data-testid=preview]').getByText('Add this before we pack').waitFor();
  await shoot('bench-thanks', owner);
  await owner.goto(`${ORIGIN}/studio/links?piece=blog-card`);
  await owner.getByRole('button', { name: 'HTML without script' }).click();
  await owner.getByRole('slider', { name: 'Width' }).waitFor();
  await shoot('links', owner);
  await owner.goto(`${ORIGIN}/studio/catalogue/kestrel`);
  await owner.getByLabel('Price, row 1').waitFor();
  await shoot('studio-product', owner);

  // Pieces of which there are many: an order form, and a list in place of a listing's own products.
  await owner.goto(`${ORIGIN}/studio/stretch/add`);
  await owner.getByRole('button', { name: 'Add: Order form' }).click();
  await owner.getByRole('heading', { name: /^Shape Order form/i }).waitFor();
  await owner.getByLabel('From').selectOption('category');
  await owner.getByLabel('Category', { exact: true }).selectOption('spares');
  await owner.frameLocator('[data-testid=preview]').getByText('Ripstop Patch').first().waitFor();
  await shoot('bench-order-form', owner);
  await owner.goto(`${ORIGIN}/studio/stretch/browse`);
  await owner.getByRole('button', { name: 'Add: Product list' }).click();
  await owner.getByLabel('Place').selectOption('listing.main');
  await owner.locator('header').getByRole('checkbox').check();
  await owner.getByRole('tab', { name: 'Parts' }).click();
  await owner.getByRole('button', { name: 'The whole product list' }).click();
  await owner.getByText('All', { exact: true }).click();
  await owner.frameLocator('[data-testid=preview]').getByText('Skill').first().waitFor();
  const { token } = await (await owner.request.get(`${ORIGIN}/api/studio/draft`)).json();

  const desktop = await (await browser.newContext(DESKTOP)).newPage();
  await desktop.goto(`${ORIGIN}/shop/all?draft=${token}&a.Skill=First+kite`);
  await shoot('listing', desktop);
  await desktop.context().clearCookies();
  await desktop.evaluate(() => sessionStorage.clear());
  await desktop.goto(`${ORIGIN}/shop/`);
  await shoot('shop-front', desktop);
  await desktop.goto(`${ORIGIN}/shop/p/sail-your-own`);
  const form = desktop.locator('form[data-product-form]');
  await form.getByLabel('Name on the sail').fill('Ada');
  await form.getByText('Copper').click();
  await form.getByText('One colour').click();
  await form.getByText('With a tail').click();
  await form.getByLabel('Tail length').fill('3');
  await form.getByText('Printing').scrollIntoViewIfNeeded();
  await shoot('product', desktop);
  await form.getByRole('button', { name: 'Add to cart' }).click();
  await desktop.getByRole('dialog', { name: 'Added to your cart' }).waitFor();

  const phone = await (await browser.newContext(PHONE)).newPage();
  await phone.goto(`${ORIGIN}/shop/p/lapwing-delta`);
  await phone.locator('footer.foot').scrollIntoViewIfNeeded();
  await phone.getByRole('region', { name: 'Buy' }).getByRole('button', { name: 'Add to cart' }).click();
  await phone.getByRole('dialog', { name: 'Added to your cart' }).waitFor();
  await phone.getByRole('link', { name: 'View cart' }).click();
  await phone.getByRole('dialog', { name: 'Your cart' }).waitFor();
  await shoot('cart-phone', phone);
  await phone.goto(`${ORIGIN}/shop/checkout`);
  await shoot('checkout-phone', phone);

  await desktop.goto(`${ORIGIN}/shop/checkout`);
  // Somebody buys, and the order is opened.
  for (const [label, text] of Object.entries({
    'E-mail': 'ada@example.com',
    'Street and number': 'Seestraße 1',
    Postcode: '12345',
    Town: 'Windau',
    'Card number': '5000000000000001',
  }))
    await desktop.getByLabel(label).fill(text);
  await desktop.getByLabel('Name', { exact: true }).fill('Ada Lund');
  await desktop.getByRole('button', { name: 'Order and pay' }).last().click();
  await desktop.getByRole('heading', { name: /^Thank you/ }).waitFor();
  await owner.goto(`${ORIGIN}/studio/orders`);
  await owner.locator('td a').first().click();
  await owner.getByRole('button', { name: 'Mark as packed' }).click();
  await owner.getByText('Not packed or sent after all').waitFor();
  await shoot('order', owner);

  // A shop that begins.
  const beginner = await (await browser.newContext(DESKTOP)).newPage();
  await beginner.goto(/http\S+\/studio\/begin\S+/.exec(fresh.said())[0]);
  await beginner.getByLabel('Your name').fill('Runa Halse');
  await beginner.getByLabel('E-mail').fill('runa@hollowtarn.example');
  await beginner.getByLabel('Password').fill('wind enough');
  await beginner.getByRole('button', { name: 'Make my account' }).click();
  await beginner.getByRole('heading', { name: 'Set up your shop' }).waitFor();
  await shoot('first-steps', beginner);
} finally {
  await browser.close();
  await Promise.all([server.stop(), fresh.stop()]);
}
