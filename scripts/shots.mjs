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
const server = spawn(process.execPath, ['server.mjs'], {
  env: { ...process.env, PORT: String(PORT), PAVED_LANE_DATA: dataDir, PAVED_LANE_DEMO: '1', PAVED_LANE_LOG: 'error' },
  stdio: ['ignore', 'ignore', 'inherit'],
});
while (
  !(await fetch(`${ORIGIN}/api/health`).then(
    (response) => response.ok,
    () => false,
  ))
)
  await new Promise((resolve) => setTimeout(resolve, 150));

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

async function shoot(name, page) {
  await page.waitForLoadState('networkidle');
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
  await owner.goto(`${ORIGIN}/studio/bench/slide-out-cart?width=768`);
  await shoot('bench-cart', owner);
  await owner.goto(`${ORIGIN}/studio/bench/cart-opener?task=where`);
  await owner.getByText('Floating', { exact: true }).click();
  await shoot('bench-opener', owner);
  await owner.goto(`${ORIGIN}/studio/catalogue/sail-your-own`);
  await owner.getByRole('button', { name: /^Your artwork/ }).click();
  await shoot('options', owner);
  await owner.goto(`${ORIGIN}/studio/revisions`);
  await shoot('revisions', owner);
  await owner.goto(`${ORIGIN}/studio/catalogue/import`);
  await owner.getByLabel('Catalogue file').setInputFiles('public/example-catalogue.csv');
  await owner.getByTestId('plan').waitFor();
  await shoot('import', owner);

  const desktop = await (await browser.newContext(DESKTOP)).newPage();
  await desktop.goto(`${ORIGIN}/shop/`);
  await shoot('shop-front', desktop);
  await desktop.goto(`${ORIGIN}/shop/c/single-line`);
  await shoot('listing', desktop);
  await desktop.goto(`${ORIGIN}/shop/c/single-line?look=lapwing-delta`);
  await shoot('quick-view', desktop);
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
  await shoot('added-popup', desktop);

  const phone = await (await browser.newContext(PHONE)).newPage();
  await phone.goto(`${ORIGIN}/shop/c/single-line?look=lapwing-delta`);
  await shoot('quick-view-phone', phone);
  await phone.goto(`${ORIGIN}/shop/p/lapwing-delta`);
  await phone.locator('footer.foot').scrollIntoViewIfNeeded();
  await phone.getByRole('region', { name: 'Buy' }).getByRole('button', { name: 'Add to cart' }).click();
  await phone.getByRole('dialog', { name: 'Added to your cart' }).waitFor();
  await shoot('buy-bar-phone', phone);
  await phone.getByRole('link', { name: 'View cart' }).click();
  await phone.getByRole('dialog', { name: 'Your cart' }).waitFor();
  await shoot('cart-phone', phone);
  await phone.goto(`${ORIGIN}/shop/checkout`);
  await shoot('checkout-phone', phone);

  await desktop.goto(`${ORIGIN}/shop/cart`);
  await shoot('cart', desktop);
  await desktop.goto(`${ORIGIN}/shop/checkout`);
  await shoot('checkout', desktop);
} finally {
  await browser.close();
  server.kill('SIGTERM');
  await new Promise((resolve) => server.once('exit', resolve));
  rmSync(dataDir, { recursive: true, force: true });
}
