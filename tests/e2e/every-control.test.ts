import { newPiece } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import { signInOwner } from '../support/owner';
import { controlsOutOfReach } from '../support/hits';
import { addWinder, expect, fillCheckout, PHONE, playLane, test, type Page } from './harness';

const WIDTHS = [320, 390, 768, 1280, 1440];
/** Text at 200 %, as the browser's own setting has it, and as a rule of the page. */
const TEXTS = ['usual', 'browser', 'root'] as const;

async function largeText(page: Page, how: (typeof TEXTS)[number]): Promise<void> {
  if (how === 'browser') {
    const session = await page.context().newCDPSession(page);
    await session.send('Page.setFontSizes', { fontSizes: { standard: 32 } });
  }
  if (how === 'root')
    await page.addInitScript(() => {
      const enlarge = () => (document.documentElement.style.fontSize = '200%');
      if (document.documentElement) enlarge();
      else document.addEventListener('readystatechange', enlarge);
    });
}

/** What is bought here is put back: whoever comes next finds the shelf as it was. */
async function restocked(page: Page, origin: string, slug: string): Promise<() => Promise<void>> {
  const owner = await signInOwner({ origin });
  const read = () =>
    owner.get<{ edit: number; record: { variants: { stock: number | null }[] } }>(`/api/studio/products/${slug}`);
  const { variants: before } = (await read()).record;
  return async () => {
    const { edit, record } = await read();
    const variants = record.variants.map((variant, i) => ({ ...variant, stock: before[i]!.stock }));
    const headers = { cookie: owner.cookie, origin };
    const data = { edit, record: { ...record, variants } };
    expect((await page.request.put(`${origin}/api/studio/products/${slug}`, { headers, data })).ok()).toBe(true);
  };
}

/** Everything a shopper meets on the way, each as it is left to look at. */
async function walk(page: Page, origin: string, look: (where: string) => Promise<void>): Promise<void> {
  await playLane(page, (lane) => void (lane.pieces['compare'] = newPiece(definitionOf('compare')!, true)));
  for (const path of [
    '/',
    '/all',
    '/c/spares',
    '/search?q=kite',
    '/p/lapwing-delta',
    '/pages/choosing-a-kite',
    '/cart',
  ]) {
    await page.goto(`${origin}/shop${path}`);
    await page.waitForLoadState('networkidle');
    await look(path);
  }
  await page.goto(`${origin}/shop/all?look=sail-your-own`);
  await expect(page.getByRole('dialog', { name: 'Sail Your Own' }).getByRole('heading').first()).toBeVisible();
  await look('quick view');
  await page.goto(`${origin}/shop/p/sail-your-own`);
  await page.waitForLoadState('networkidle');
  const form = page.locator('form[data-product-form]');
  await form.getByText('No tail').click();
  await form.getByText('One colour').click();
  await form.getByRole('button', { name: 'Add to cart' }).click();
  const popup = page.getByRole('dialog', { name: 'Added to your cart' });
  await expect(popup).toBeVisible();
  await popup.getByRole('link', { name: 'View cart' }).click();
  await expect(page.getByRole('dialog', { name: 'Your cart' })).toBeVisible();
  await look('cart surface');
  await addWinder(page, origin);
  await page.goto(`${origin}/shop/cart`);
  await page.waitForLoadState('networkidle');
  await look('cart page');
  await page.getByRole('link', { name: 'Edit: Sail Your Own' }).click();
  await expect(page.getByRole('button', { name: 'Save' })).toBeVisible();
  await look('cart page with a line being changed');
  await page.goto(`${origin}/shop/c/single-line`);
  await page.waitForLoadState('networkidle');
  for (const i of [0, 1]) await page.locator('pl-compare-tick').getByRole('checkbox').nth(i).check();
  await look('listing with a tray');
  await page.getByRole('button', { name: 'See side by side' }).click();
  await expect(page.getByRole('dialog', { name: 'Side by side' }).getByRole('columnheader')).toHaveCount(2);
  await look('comparison');
  await page.goto(`${origin}/shop/checkout`);
  await page.waitForLoadState('networkidle');
  await look('checkout');
  await page.getByRole('button', { name: 'Order and pay' }).last().click();
  await expect(page.getByRole('alert').first()).toBeVisible();
  await look('checkout with mistakes');
  await fillCheckout(page);
  await page.getByRole('button', { name: 'Order and pay' }).last().click();
  await page.waitForURL(/thanks/);
  await page.waitForLoadState('networkidle');
  await look('thank-you page');
}

test.describe.configure({ mode: 'parallel' });

for (const width of WIDTHS)
  for (const text of TEXTS) {
    // Large text is a phone's and a desktop's; between them nothing new happens.
    if (text !== 'usual' && ![390, 1280].includes(width)) continue;
    test(`every control can be pressed where it is seen, at ${width} px with text ${text}`, async ({
      browser,
      server,
    }) => {
      test.setTimeout(240_000);
      const context = await browser.newContext({
        viewport: { width, height: width < 700 ? PHONE.viewport.height : 800 },
        hasTouch: width < 700,
      });
      const page = await context.newPage();
      await largeText(page, text);
      const wrong: string[] = [];
      const putBack = await Promise.all(
        ['hoop-winder', 'sail-your-own'].map((slug) => restocked(page, server.origin, slug)),
      );
      await walk(page, server.origin, async (where) => {
        wrong.push(...(await controlsOutOfReach(page)).map((found) => `${where}: ${found}`));
        // What is drawn last, on a busy machine, finds its width a moment later.
        await page
          .waitForFunction(() => document.documentElement.scrollWidth <= innerWidth, null, { timeout: 3000 })
          .catch(() => undefined);
        const wider = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
        if (wider > 0) wrong.push(`${where}: ${wider} px wider than the window`);
      });
      for (const back of putBack) await back();
      await context.close();
      expect(wrong).toEqual([]);
    });
  }
