import { AxeBuilder } from '@axe-core/playwright';
import { expect, test as base, type Browser, type Page } from '@playwright/test';
import { compileManifest, type Lane } from '~/core/lane';
import { definitions } from '~/pieces/registry';
import { liveDemoLane } from '../../demo/lane';
import { startServer, type TestServer } from '../support/server';

export { expect };
export type { Page } from '@playwright/test';

/** Each worker has a server and a seeded database of its own. */
export const test = base.extend<object, { server: TestServer }>({
  server: [
    async ({}, use) => {
      const server = await startServer(0.02);
      await use(server);
      await server.stop();
    },
    { scope: 'worker', timeout: 60_000 },
  ],
});

export const PHONE = {
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
} as const;

export async function signIn(page: Page, origin: string, path = '/studio'): Promise<void> {
  await page.goto(`${origin}/studio/sign-in?next=${encodeURIComponent(path)}`);
  await page.getByLabel('E-mail').fill('owner@hollowtarn.example');
  await page.getByLabel('Password').fill('windward');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL(`${origin}${path}`);
}

export async function phonePage(browser: Browser): Promise<Page> {
  return (await browser.newContext(PHONE)).newPage();
}

/** Fills the checkout; the card ends in the digits that decide its fate at the stand-in. */
export async function fillCheckout(page: Page, cardEnd = '0001'): Promise<void> {
  await page.getByLabel('E-mail').fill('ada@example.com');
  await page.getByLabel('Name', { exact: true }).fill('Ada Lund');
  await page.getByLabel('Street and number').fill('Seestraße 1');
  await page.getByLabel('Postcode').fill('12345');
  await page.getByLabel('Town').fill('Windau');
  await page.getByLabel('Card number').fill(`500000000000${cardEnd}`);
}

/** What axe calls serious or critical, of the whole page and every open shadow root. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  const serious = violations.filter((violation) => violation.impact === 'serious' || violation.impact === 'critical');
  expect(
    serious.map((violation) => `${violation.id}: ${violation.nodes.map((node) => node.target.join(' ')).join(', ')}`),
  ).toEqual([]);
}

/** Lets the page's runtime play another lane than the live one; the server goes on with its own. */
export async function playLane(page: Page, change: (lane: Lane) => void, language = 'en'): Promise<void> {
  const lane = liveDemoLane();
  change(lane);
  await page.route('**/api/manifest*', (route) =>
    route.fulfill({ json: compileManifest(lane, definitions, 1, language) }),
  );
}

/** Adds something with nothing to choose from a listing, and waits until the cart knows. */
export async function addWinder(page: Page, origin: string): Promise<void> {
  await page.goto(`${origin}/shop/c/lines-and-winders`);
  const answered = page.waitForResponse(
    (response) => response.url().endsWith('/api/cart') && response.request().method() === 'POST',
  );
  await page.locator('[data-pl-product=hoop-winder]').getByRole('button', { name: 'Add to cart' }).click();
  await answered;
}
