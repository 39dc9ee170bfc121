import type { Browser, Page } from '@playwright/test';
import Papa from 'papaparse';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createApp } from '~/services/app';
import { serve } from '../support/server';
import { expect, phonePage, test, cartChanged } from './harness';

interface Begun {
  readonly what: string;
  readonly shop: {
    readonly currency: string;
    readonly timeZone: string;
    readonly locale: string;
    readonly languages: readonly string[];
    readonly tax: object;
  };
  readonly home: string;
  readonly postcode: string;
  /** Name, price and so many of it; written as the shop's own people write sums. */
  readonly goods: readonly (readonly [name: string, price: string, quantity: number])[];
  /** More that nobody buys. */
  readonly others: number;
  /** SKUs that are taxed at the shop's second rate. */
  readonly low: readonly string[];
  readonly deliveryMinor: number;
  /** Worked out by hand, in minor units: what stands beside each product, and what the whole comes to. */
  readonly prices: readonly number[];
  readonly subtotal: number;
  readonly tax: number;
  readonly total: number;
  /** What giving one of the first back comes to. */
  readonly refund: number;
  readonly csv: string;
  readonly decimals: number;
}

const FOOD = { food: { name: 'Food', basisPoints: 800 } };
const SHOPS: readonly Begun[] = [
  {
    what: 'yen, tax on top at two rates, Arabic first, Auckland, 300 products without pictures',
    shop: {
      currency: 'JPY',
      timeZone: 'Pacific/Auckland',
      locale: 'ar-NZ',
      languages: ['ar', 'en'],
      tax: { basisPoints: 1000, included: false, rates: FOOD },
    },
    home: 'NZ',
    postcode: '1010',
    others: 298,
    low: ['T1'],
    deliveryMinor: 500,
    goods: [
      ['Reed tea', '1708', 1],
      ['Box kite', '3000', 2],
    ],
    // 8 % of 1,708 is 136.64; 10 % of 6,000 and 500 for delivery is 650.
    prices: [1708, 3000],
    subtotal: 7708,
    tax: 137 + 650,
    total: 7708 + 500 + 787,
    refund: 1708 + 137,
    csv: '8995',
    decimals: 0,
  },
  {
    what: 'dinars of three decimals, a tax of nothing, German, one product',
    shop: {
      currency: 'KWD',
      timeZone: 'Europe/Berlin',
      locale: 'de-DE',
      languages: ['de'],
      tax: { basisPoints: 0, included: true, rates: {} },
    },
    home: 'DE',
    postcode: '12345',
    others: 0,
    low: [],
    deliveryMinor: 1250,
    goods: [['Lampe', '12.500', 3]],
    prices: [12_500],
    subtotal: 37_500,
    tax: 0,
    total: 38_750,
    refund: 12_500,
    csv: '38.750',
    decimals: 3,
  },
  {
    what: 'euros, tax included',
    shop: {
      currency: 'EUR',
      timeZone: 'Europe/Berlin',
      locale: 'en-DE',
      languages: ['en'],
      tax: { basisPoints: 1900, included: true, rates: {} },
    },
    home: 'DE',
    postcode: '12345',
    others: 0,
    low: [],
    deliveryMinor: 490,
    goods: [
      ['Winder', '10.00', 2],
      ['Stake', '3.33', 1],
    ],
    // 28.23 × 19 ÷ 119 is 4.507.
    prices: [1000, 333],
    subtotal: 2333,
    tax: 451,
    total: 2823,
    refund: 1000,
    csv: '28.23',
    decimals: 2,
  },
];

/** Every sum in a text, whatever digits and separators it is written in, in minor units. */
function sumsIn(text: string, decimals: number): number[] {
  const latin = text
    .replace(/[٠-٩]/g, (digit) => String(digit.charCodeAt(0) - 0x0660))
    .replace(/[\u061c\u200e\u200f\u2066-\u2069]/g, '');
  return [...latin.matchAll(/\d+(?:[.,٬٫’]\d+)*/g)].map(([written]) => {
    const parts = written.split(/[.,٬٫’]/);
    const isWhole = decimals === 0 || parts.length === 1 || parts.at(-1)!.length !== decimals;
    const digits = isWhole ? parts.join('') : parts.slice(0, -1).join('') + parts.at(-1)!;
    return isWhole ? Number(digits) * 10 ** decimals : Number(digits);
  });
}

for (const begun of SHOPS)
  test(`a shop begins, sells, refunds a part, exports and reopens: ${begun.what}`, async ({ page, browser }) => {
    test.setTimeout(180_000);
    const { decimals } = begun;
    const dataDir = path.join(await mkdtemp(path.join(tmpdir(), 'paved-lane-three-')), 'shop');
    let server = await serve(dataDir, { PAVED_LANE_DEMO: '0' });
    await page.goto(/http\S+\/studio\/begin\S+/.exec(server.said())![0]);
    await page.getByLabel('Your name').fill('Runa Halse');
    await page.getByLabel('E-mail').fill('runa@shop.example');
    await page.getByLabel('Password').fill('wind enough');
    await page.getByRole('button', { name: 'Make my account' }).click();
    await page.waitForURL(/\/studio\/shop/);
    await setUp(page, server.origin, begun);

    // The goods, by a file as the owner has it.
    const rows = [
      ...begun.goods.map(([name, price], i) => `${name},T${i + 1},${price}`),
      ...Array.from({ length: begun.others }, (_, i) => `Other ${i},O${i},${i + 1}`),
    ];
    await page.goto(`${server.origin}/studio/catalogue/import`);
    const buffer = Buffer.from(`Name,SKU,Price\n${rows.join('\n')}\n`);
    await page.getByLabel('Catalogue file').setInputFiles({ name: 'goods.csv', mimeType: 'text/csv', buffer });
    // “12.500” could be twelve and a half, or twelve thousand five hundred: it is asked.
    if (begun.decimals === 3) {
      await expect(page.getByRole('alert').filter({ hasText: '12.500' })).toBeVisible();
      await page.getByText('1,234.50', { exact: true }).click();
    }
    const products = rows.length === 1 ? '1 product' : `${rows.length} products`;
    await page.getByRole('button', { name: `Import ${products}` }).click();
    await expect(page.getByText('Imported.')).toBeVisible();
    const app = await createApp({ dataDir, logLevel: 'silent' });
    for (const sku of begun.low)
      await app.db.run(
        `UPDATE products SET tax_rate = 'food' WHERE id = (SELECT product_id FROM variants WHERE sku = $sku)`,
        { sku },
      );
    const slugs = await Promise.all(
      begun.goods.map(async (_, i) => (await app.catalogue.factsOfSkus([`T${i + 1}`])).get(`T${i + 1}`)!.slug),
    );
    await app.close();
    const draft = await draftOf(page, server.origin);
    await send(page, 'post', `${server.origin}/api/studio/publish`, { edit: draft.edit, note: '' });

    const shopper = await phonePage(browser);
    const said = await sell(shopper, server.origin, begun, slugs);
    for (const [where, text] of Object.entries(said)) {
      const sums = sumsIn(text, decimals);
      for (const amount of [begun.deliveryMinor, begun.total, ...(begun.tax > 0 ? [begun.tax] : [])])
        expect(sums, `${where}: ${text}`).toContain(amount);
      if (begun.tax === 0) expect(text, where).not.toMatch(/steuer|\btax\b/i);
    }

    // One of the first is given back: what the dialog says is what the buyer gets.
    await page.goto(`${server.origin}/studio/orders/1`);
    await page.getByRole('button', { name: 'Refund …' }).click();
    await page.getByLabel(`Units of ${begun.goods[0]![0]} to refund`).fill('1');
    const give = page.getByRole('dialog').getByRole('button', { name: /^Refund / });
    expect(sumsIn((await give.textContent())!, decimals)).toEqual([begun.refund]);
    await give.click();
    await expect(page.getByRole('heading', { name: 'Refunds' })).toBeVisible();
    const csv = await (await page.request.get(`${server.origin}/api/studio/orders`)).text();
    const [row] = Papa.parse<Record<string, string>>(csv, { header: true, delimiter: ',' }).data;
    expect([row!['Total'], row!['Refunded'], row!['Currency']]).toEqual([
      begun.csv,
      (begun.refund / 10 ** decimals).toFixed(decimals),
      begun.shop.currency,
    ]);

    // Closed and opened again, everything is as it was.
    await server.end('SIGTERM');
    server = await serve(dataDir, { PAVED_LANE_DEMO: '0' });
    await shopper.goto(`${server.origin}/shop/p/${slugs[0]!}`);
    expect(sumsIn(await priceOf(shopper), decimals)).toContain(begun.prices[0]);
    await page.goto(`${server.origin}/studio/orders/1`);
    await expect(page.getByRole('heading', { name: 'Refunds' })).toBeVisible();
    expect(sumsIn(await page.getByRole('main').innerText(), decimals)).toEqual(
      expect.arrayContaining([begun.total, begun.refund]),
    );
    await shopper.context().close();
    await server.stop();
    await rm(path.dirname(dataDir), { recursive: true, force: true });
  });

const draftOf = async (page: Page, origin: string) =>
  (await (await page.request.get(`${origin}/api/studio/draft`)).json()) as { edit: number };

async function send(page: Page, method: 'post' | 'patch', address: string, data: object): Promise<void> {
  const { origin } = new URL(address);
  const answered = await page.request[method](address, { data, headers: { origin } });
  expect(answered.ok(), await answered.text()).toBe(true);
}

/** What the shop stands on, and one zone of delivery at one price. */
async function setUp(page: Page, origin: string, { shop, home, deliveryMinor }: Begun): Promise<void> {
  const { edit } = await draftOf(page, origin);
  const zone = { name: 'Here', position: 0, countries: [home], days: '2–3', express: null };
  const delivery = {
    home,
    by: 'value',
    zones: { here: { ...zone, steps: [{ upTo: null, amountMinor: deliveryMinor }] } },
  };
  const patch = Object.entries({ ...shop, name: 'Reed & Loft', delivery }).map(([key, value]) => ({
    op: 'replace',
    path: `/shop/${key}`,
    value,
  }));
  await send(page, 'patch', `${origin}/api/studio/draft`, { edit, patch });
}

const priceOf = (page: Page) => page.locator('.price.big').first().innerText();

/** Buys on a phone, and answers what cart, checkout, thank-you page and mail said. */
async function sell(
  shopper: Awaited<ReturnType<Browser['newPage']>>,
  origin: string,
  begun: Begun,
  slugs: readonly string[],
): Promise<Record<string, string>> {
  for (const [i, slug] of slugs.entries()) {
    await shopper.goto(`${origin}/shop/p/${slug}`);
    expect(sumsIn(await priceOf(shopper), begun.decimals)).toContain(begun.prices[i]);
    await shopper.locator('form.buy input[name=quantity]').fill(String(begun.goods[i]![2]));
    const added = cartChanged(shopper);
    await shopper.locator('form.buy [type=submit], form.buy button:not([type])').first().click();
    await added;
  }
  await shopper.goto(`${origin}/shop/cart`);
  const cart = await shopper.locator('dl.totals').first().innerText();
  // What delivery costs is said at the checkout.
  expect(sumsIn(cart, begun.decimals)).toContain(begun.subtotal);
  await shopper.goto(`${origin}/shop/checkout`);
  for (const [name, value] of Object.entries({
    email: 'ada@example.com',
    name: 'Ada Lund',
    line1: 'Seestraße 1',
    postcode: begun.postcode,
    city: 'Windau',
    cardNumber: '5000000000000001',
  }))
    await shopper.locator(`[name=${name}]`).first().fill(value);
  await shopper.locator('[name=city]').first().blur();
  const total = shopper.locator('dl.totals').first();
  await expect.poll(async () => sumsIn(await total.innerText(), begun.decimals)).toContain(begun.total);
  expect(sumsIn(await total.innerText(), begun.decimals)).toContain(begun.subtotal);
  const checkout = await total.locator('..').innerText();
  await shopper.locator('button[name=intent][value=order]').first().click();
  await shopper.waitForURL(/\/shop\/thanks\//);
  return { checkout, thanks: await shopper.locator('main').innerText() };
}
