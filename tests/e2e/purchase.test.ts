import { createApp } from '~/services/app';
import { seedFolder, serve } from '../support/server';
import { startTlsProxy } from '../support/tls-proxy';
import { addWinder, atRest, expect, expectAccessible, fillCheckout, PHONE, playLane, test, type Page } from './harness';

/** Whole presses, as a hand makes them: what is drawn while a button is held down must not take it away. */
const HELD = { delay: 90 };

/** Says on the console when what is pressed is elsewhere, or another thing, by the time the press counts. */
function watchPresses(): void {
  let pressed: { element: Element; box: DOMRect } | null = null;
  addEventListener(
    'pointerdown',
    (event) => {
      const element = event.composedPath()[0] as Element;
      pressed = { element, box: element.getBoundingClientRect() };
    },
    true,
  );
  addEventListener(
    'click',
    (event) => {
      const clicked = event.composedPath()[0] as Element;
      // Keys click, too, and a label clicks its field.
      if (!pressed || event.detail === 0) return;
      const { element, box } = pressed;
      pressed = null;
      const now = element.getBoundingClientRect();
      const by = Math.max(Math.abs(now.x - box.x), Math.abs(now.y - box.y));
      if (element !== clicked) console.log(`MOVED: ${element.outerHTML.slice(0, 90)} became ${clicked.tagName}`);
      else if (by > 0.5) console.log(`MOVED: ${element.outerHTML.slice(0, 90)} by ${by.toFixed(1)} px`);
    },
    true,
  );
}

async function buy(page: Page, origin: string, onPage: (where: string) => Promise<void> = async () => {}) {
  await page.goto(`${origin}/shop/`);
  await onPage('front page');
  await page.goto(`${origin}/shop/p/lapwing-delta`);
  const form = page.locator('form[data-product-form]');
  await form.locator('label').filter({ hasText: 'Large' }).click(HELD);
  await onPage('product page');
  await form.getByRole('button', { name: 'Add to cart' }).click(HELD);
  const popup = page.getByRole('dialog', { name: 'Added to your cart' });
  await expect(popup).toBeVisible();
  await atRest(page);
  await onPage('popup');
  await popup.getByRole('link', { name: 'View cart' }).click(HELD);
  const cart = page.getByRole('dialog', { name: 'Your cart' });
  await expect(cart).toBeVisible();
  // A panel that still slides in is pressed where it no longer is, by a machine that has no eyes.
  await atRest(page);
  await cart.getByRole('button', { name: 'One more' }).click(HELD);
  await expect(cart.getByRole('spinbutton', { name: 'Quantity' })).toHaveValue('2');
  await onPage('cart surface');
  await cart.getByRole('link', { name: 'View full cart' }).click(HELD);
  await page.waitForURL(`${origin}/shop/cart`);
  await page.getByRole('button', { name: 'One fewer' }).click(HELD);
  await expect(page.getByRole('spinbutton', { name: 'Quantity' })).toHaveValue('1');
  await onPage('cart page');
  await page.getByRole('link', { name: 'Go to checkout' }).first().click(HELD);
  await page.waitForURL(`${origin}/shop/checkout`);
  const pay = () => page.getByRole('button', { name: 'Order and pay' }).last().click(HELD);
  await pay();
  await expect(page.getByRole('alert').filter({ hasText: 'Please check 6 fields:' })).toBeInViewport();
  await onPage('checkout with mistakes');
  await fillCheckout(page, '0002');
  // The press that leaves the last field is the one that orders.
  await pay();
  await expect(page.getByRole('alert').getByText('The card was declined.')).toBeInViewport();
  await page.getByLabel('Card number').fill('5000000000000001');
  await pay();
  await expect(page.getByRole('heading', { name: 'Thank you, Ada Lund.' })).toBeVisible();
  await onPage('thank-you page');
}

test('a button that moves while it is pressed is noticed', async ({ page, server }) => {
  await page.addInitScript(watchPresses);
  const moved: string[] = [];
  page.on('console', (message) => message.text().startsWith('MOVED') && moved.push(message.text()));
  await page.goto(`${server.origin}/shop/none`);
  await page.evaluate(() => {
    document.body.innerHTML = '<button style="position:fixed;top:50px">Order</button>';
    const button = document.querySelector('button')!;
    button.addEventListener('pointerdown', () => (button.style.top = '54px'));
  });
  await page.getByRole('button').click(HELD);

  expect(moved).toEqual([expect.stringMatching(/by 4\.0 px$/)]);
});

for (const [width, height] of [
  [390, 844],
  [768, 1024],
  [1280, 800],
] as const) {
  test(`nothing moves away under a press, over a whole purchase at ${width} px`, async ({ page, server }) => {
    await page.setViewportSize({ width, height });
    await page.addInitScript(watchPresses);
    const moved: string[] = [];
    page.on('console', (message) => message.text().startsWith('MOVED') && moved.push(message.text()));

    await buy(page, server.origin);

    expect(moved).toEqual([]);
  });
}

test('nothing shifts while a page of the shop loads on a phone', async ({ page, server }) => {
  await page.setViewportSize(PHONE.viewport);
  await page.addInitScript(() => {
    const told = window as { shifted?: number };
    told.shifted = 0;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[])
        if (!entry.hadRecentInput) told.shifted! += entry.value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  await addWinder(page, server.origin);
  for (const path of ['/', '/all', '/p/sail-your-own', '/cart', '/checkout']) {
    await page.goto(`${server.origin}/shop${path}`);
    await page.waitForLoadState('networkidle');
    await atRest(page);
    expect(await page.evaluate(() => (window as { shifted?: number }).shifted), path).toBeLessThanOrEqual(0.01);
  }
});

test('a whole purchase fits at 320 px with text at 200 %', async ({ page, server }) => {
  await page.setViewportSize({ width: 320, height: 640 });
  // As the browser's own setting has it.
  const session = await page.context().newCDPSession(page);
  await session.send('Page.setFontSizes', { fontSizes: { standard: 32 } });
  const all: string[] = [];

  await buy(page, server.origin, async (where) => {
    const found = await page.evaluate(() => {
      const wrong: string[] = [];
      if (getComputedStyle(document.documentElement).fontSize !== '32px') wrong.push('text is not at 200 %');
      if (document.documentElement.scrollWidth > innerWidth)
        wrong.push(`scrolls to ${document.documentElement.scrollWidth} px`);
      const look = (root: Document | ShadowRoot) => {
        for (const element of root.querySelectorAll<HTMLElement>('*')) {
          if (element.shadowRoot) look(element.shadowRoot);
          const text = [...element.childNodes].some(
            (node) => node.nodeType === 3 && node.textContent!.trim().length > 3,
          );
          if (!text || !element.checkVisibility()) continue;
          const box = element.getBoundingClientRect();
          const style = getComputedStyle(element);
          if (box.width <= 2 || style.clipPath !== 'none') continue;
          const name = `${element.tagName}.${element.className} “${element.textContent!.trim().slice(0, 20)}”`;
          const longest = Math.max(
            ...element
              .textContent!.trim()
              .split(/\s+/)
              .map((word) => word.length),
          );
          if (box.width < Math.min(longest, 6) * Number.parseFloat(style.fontSize) * 0.3)
            wrong.push(`${name} in ${box.width} px`);
          if (style.overflowX !== 'visible' && element.scrollWidth > element.clientWidth + 1)
            wrong.push(`${name} is cut`);
        }
      };
      look(document);
      return wrong;
    });
    all.push(...found.map((text) => `${where}: ${text}`));
  });
  expect(all).toEqual([]);
});

test('what is wrong with an order is in view without script, too, at 320 px with text at 200 %', async ({
  browser,
  server,
}) => {
  const context = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 320, height: 640 } });
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Page.setFontSizes', { fontSizes: { standard: 32 } });
  await page.goto(`${server.origin}/shop/p/hoop-winder`);
  await page.getByRole('button', { name: 'Add to cart' }).first().click();
  await page.goto(`${server.origin}/shop/checkout`);
  await page.getByRole('button', { name: 'Order and pay' }).last().click();

  await expect(page.getByRole('alert').filter({ hasText: 'Please check 6 fields:' })).toBeInViewport();
});

test('a purchase works behind a proxy with TLS, with cookies for TLS alone', async ({ playwright, launchOptions }) => {
  const proxy = await startTlsProxy(() => undefined);
  const server = await serve(await seedFolder(0), {
    PAVED_LANE_ORIGIN: proxy.origin,
    PAVED_LANE_TRUSTED_PROXIES: '127.0.0.1',
  });
  proxy.leadTo(Number(new URL(server.origin).port));
  // Its name is known to this browser alone.
  const resolver = `--host-resolver-rules=MAP ${proxy.host} 127.0.0.1`;
  const browser = await playwright.chromium.launch({ ...launchOptions, args: [...launchOptions.args!, resolver] });
  try {
    const context = await browser.newContext({ ignoreHTTPSErrors: true });
    const page = await context.newPage();
    await buy(page, proxy.origin);

    const cookies = await context.cookies();
    expect(cookies.map(({ name }) => name)).toContain('pl_cart');
    expect(cookies.filter(({ name, secure }) => name.startsWith('pl_cart') && !secure)).toEqual([]);
    const app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
    const [mail] = await app.mailbox.list(1);
    await app.close();
    expect(mail!.text).toContain(`${proxy.origin}/shop/thanks/`);
  } finally {
    await browser.close();
    await proxy.close();
    await server.stop();
  }
});

for (const [device, use] of [
  ['phone', PHONE],
  ['desktop', { viewport: { width: 1280, height: 800 } }],
] as const) {
  test.describe(`axe finds nothing on a ${device}`, () => {
    test.use(use);

    test('on any page of the shop, nor with anything open on it', async ({ page, server }) => {
      test.setTimeout(240_000);
      for (const path of [
        '/',
        '/all',
        '/search?q=kite',
        '/search?q=zzzz',
        '/c/figures',
        '/p/heron',
        '/p/sail-your-own',
        '/cart',
        '/none',
        '/all?lang=de',
        '/all?lang=ar',
      ]) {
        await page.goto(`${server.origin}/shop${path}`);
        await page.waitForLoadState('networkidle');
        await expectAccessible(page, path);
      }
      await page.goto(`${server.origin}/shop/all?lang=en&look=sail-your-own`);
      await expect(page.getByRole('dialog', { name: 'Sail Your Own' }).getByRole('heading').first()).toBeVisible();
      await expectAccessible(page, 'quick view');
      await addWinder(page, server.origin);
      await expect(page.getByRole('dialog', { name: 'Added to your cart' })).toBeVisible();
      await expectAccessible(page, 'popup');
      for (const form of ['slide', 'drop', 'popup'] as const) {
        await page.unrouteAll();
        await playLane(page, (lane) => {
          lane.pieces['added-popup']!.on = false;
          const cart = lane.pieces['slide-out-cart']!;
          Object.assign(cart.settings, { form, couponFolded: false });
          for (const part of cart.parts) part.on = true;
        });
        await addWinder(page, server.origin);
        await expect(page.getByRole('dialog', { name: 'Your cart' }).getByRole('heading').first()).toBeVisible();
        await expectAccessible(page, `cart as ${form}`);
      }
      await page.unrouteAll();
      await page.goto(`${server.origin}/shop/cart`);
      await page.waitForLoadState('networkidle');
      await expectAccessible(page, 'cart page');
      await page.goto(`${server.origin}/shop/checkout`);
      await page.getByRole('button', { name: 'Order and pay' }).last().click();
      await expect(page.getByRole('alert').first()).toBeVisible();
      await expectAccessible(page, 'checkout');
      await fillCheckout(page);
      await page.getByRole('button', { name: 'Order and pay' }).last().click();
      await expect(page.getByRole('heading', { name: /^Thank you/ })).toBeVisible();
      await expectAccessible(page, 'thank-you page');
    });
  });
}
