import { AxeBuilder } from '@axe-core/playwright';
import { expect, test as base, type Browser, type Locator, type Page } from '@playwright/test';
import { compileManifest, type Lane } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import { liveDemoLane } from '../../demo/lane';
import { signInOwner } from '../support/owner';
import { startServer, type TestServer } from '../support/server';

export { expect };
export type { Page } from '@playwright/test';

type WorkerFixture = Parameters<typeof base.extend<object, { server: TestServer }>>[0]['server'];

async function withServer(use: (server: TestServer) => Promise<void>): Promise<void> {
  const server = await startServer(0.02);
  await use(server);
  await server.stop();
}

const ownServer = (): WorkerFixture => [async ({}, use) => withServer(use), { scope: 'worker', timeout: 60_000 }];

/** Each worker has a server and a seeded database of its own. */
export const test = base.extend<object, { server: TestServer }>({ server: ownServer() });

/**
 * For tests that publish or change the catalogue: their server is none that others find as it was seeded.
 * Each begins with draft and live shop as seeded, whatever the one before it published.
 */
export const changingTest = base.extend<{ asSeeded: void }, { server: TestServer; seededRevision: number }>({
  server: ownServer(),
  seededRevision: [
    async ({ server }, use) => {
      const owner = await signInOwner(server);
      await use((await owner.get<{ live: { revision: number } }>('/api/studio/draft')).live.revision);
    },
    { scope: 'worker' },
  ],
  asSeeded: [
    async ({ server, seededRevision }, use) => {
      await (await signInOwner(server)).publishRevision(seededRevision);
      await use();
    },
    { auto: true },
  ],
});

/** For tests that change so much that no other may come after them: each has a server of its own. */
export const loneTest = base.extend<{ server: TestServer }>({
  server: [async ({}, use) => withServer(use), { timeout: 60_000 }],
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

/** Pays what was put together, here or on another site, and waits for the thanks. */
export async function payForIt(page: Page): Promise<void> {
  // From another site the cart is taken over by a press.
  await page.waitForURL(/\/shop\/(carry|checkout)/);
  if (page.url().includes('/shop/carry')) await page.getByRole('button', { name: 'Yes, take it over' }).click();
  await page.waitForURL(/\/shop\/checkout/);
  await fillCheckout(page);
  await page.locator('button[name=intent][value=order]').click();
  await page.waitForURL(/\/shop\/thanks\//);
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

/** The server's word on a change of the cart. Its count is told before; and the cart is asked for at the same address. */
export const cartChanged = (page: Page) =>
  page.waitForResponse((response) => response.url().endsWith('/api/cart') && response.request().method() === 'POST');

/** Waits until nothing on the page, in no shadow root, is still coming in. */
export async function atRest(page: Page): Promise<void> {
  await page.evaluate(() => {
    const roots = [document, ...[...document.querySelectorAll('*')].flatMap((element) => element.shadowRoot ?? [])];
    return Promise.allSettled(roots.flatMap((root) => root.getAnimations().map((animation) => animation.finished)));
  });
}

/** What axe finds, of any impact, on the whole page with every open shadow root. */
export async function expectAccessible(
  page: Page,
  where = new URL(page.url()).pathname,
  without: string | null = null,
): Promise<void> {
  // What is still fading in has the colours of neither.
  await atRest(page);
  const builder = new AxeBuilder({ page });
  const { violations } = await (without === null ? builder : builder.exclude(without)).analyze();
  expect(
    violations.map(({ id, nodes }) => `${where} · ${id}: ${nodes.map((node) => node.target.join(' ')).join(', ')}`),
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
  const answered = cartChanged(page);
  await page.locator('[data-pl-product=hoop-winder]').getByRole('button', { name: 'Add to cart' }).click();
  await answered;
}

/** What is said beside what was pressed. */
export const saidBeside = (page: Page): Locator => page.locator('pl-said').locator('[role=status], [role=alert]');
