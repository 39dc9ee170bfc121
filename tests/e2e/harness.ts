import { test as base, type Browser, type Page } from '@playwright/test';
import { startServer, type TestServer } from '../support/server';

export { expect } from '@playwright/test';
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
  await page.goto(`${origin}/studio/sign-in?next=${path}`);
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
