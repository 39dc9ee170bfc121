import { compileManifest, newPiece, type Lane } from '~/core/lane';
import { definitions } from '~/pieces/registry';
import { createApp } from '~/services/app';
import { findSamples, type Samples } from '~/services/sample-situations';
import { liveDemoLane } from '../../demo/lane';
import { another } from '../support/another';
import { expect, test, type Page } from './harness';

/** Products and carts between which every setting has something to show. */
const PRODUCTS = ['plain', 'long-name', 'no-text'] as const;

/** What these change is seen by adding something, in tests of their own below. */
const SEEN_BY_ADDING = ['opensOnAdd', 'afterAdd'];

/** A page of the shop's own origin that frames it, as the bench does. */
async function frameShop(page: Page, origin: string, path: string, token: string): Promise<void> {
  await page.goto(`${origin}/api/health`);
  await page.evaluate(async (src) => {
    const frame = document.createElement('iframe');
    Object.assign(frame.style, { width: '1200px', height: '700px' });
    const ready = new Promise((resolve) =>
      addEventListener('message', (event) => (event.data as { pl: string }).pl === 'ready' && resolve(null)),
    );
    frame.src = src;
    document.body.replaceChildren(frame);
    await ready;
  }, `${path}?draft=${token}`);
}

/** Everything a piece draws, as text: marks, classes, inline styles and the rules that reach it. */
async function drawn(
  page: Page,
  lane: Lane,
  situation: { product: string | null; cart: object | null },
): Promise<string> {
  return page.evaluate(
    async ({ manifest, message }) => {
      const { contentWindow, contentDocument } = document.querySelector('iframe')!;
      const painted = new Promise((resolve) =>
        addEventListener('message', (event) => (event.data as { pl: string }).pl === 'painted' && resolve(null), {
          once: false,
        }),
      );
      contentWindow!.postMessage({ pl: 'manifest', manifest, seq: 1 }, location.origin);
      await painted;
      contentWindow!.postMessage({ pl: 'situation', pieceId: 'it', ...message }, location.origin);
      await new Promise((resolve) => setTimeout(resolve, 220));
      return [...contentDocument!.querySelectorAll('[data-pl-piece]')]
        .map((host) => host.outerHTML + host.shadowRoot!.innerHTML)
        .join('\n');
    },
    { manifest: compileManifest(lane, definitions, 1), message: situation },
  );
}

for (const definition of definitions) {
  test(`every setting and part of ${definition.kind} changes what shoppers see`, async ({ page, server }) => {
    test.setTimeout(120_000);
    const app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
    const samples: Samples = await findSamples(app);
    const { token } = (await app.lanes.readDraft())!;
    await app.db.close();
    await frameShop(page, server.origin, definition.preview.path, token);
    const piece = newPiece(definition, true);
    for (const part of piece.parts) part.on = true;
    const laneWith = (change: (it: typeof piece) => void): Lane => {
      const it = structuredClone(piece);
      change(it);
      return { ...liveDemoLane(), pieces: { it } };
    };
    const isCart = definition.stretch === 'cart';
    const situations = isCart
      ? [{ product: null, cart: samples.carts.full! }]
      : PRODUCTS.map((pick) => ({ product: samples.products[pick]!, cart: null }));
    const unseen: string[] = [];
    const before: string[] = [];
    for (const situation of situations)
      before.push(
        await drawn(
          page,
          laneWith(() => undefined),
          situation,
        ),
      );

    async function expectSeen(name: string, change: (it: typeof piece) => void): Promise<void> {
      for (const [i, situation] of situations.entries())
        if ((await drawn(page, laneWith(change), situation)) !== before[i]) return;
      unseen.push(name);
    }
    for (const [key, spec] of Object.entries(definition.settings)) {
      if (SEEN_BY_ADDING.includes(key)) continue;
      await expectSeen(spec.label, (it) => void (it.settings[key] = another(spec)));
    }
    // No product of the demo has a video.
    for (const part of piece.parts.filter((item) => item.key !== 'video')) {
      await expectSeen(
        definition.parts[part.key]!.label,
        (it) => void (it.parts.find((item) => item.key === part.key)!.on = false),
      );
    }
    expect(unseen).toEqual([]);
  });
}

test('a cart that does not open by itself says so at the button instead', async ({ page, server }) => {
  const lane = liveDemoLane();
  lane.pieces['slide-out-cart']!.settings['opensOnAdd'] = false;
  await page.route('**/api/manifest*', (route) => route.fulfill({ json: compileManifest(lane, definitions, 1) }));

  await page.goto(`${server.origin}/shop/c/lines-and-winders`);
  const card = page.locator('[data-pl-product=hoop-winder]');
  await card.getByRole('button', { name: 'Add to cart' }).click();

  await expect(card.getByRole('status')).toHaveText('✓');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

for (const [afterAdd, isOpen] of [
  ['stay', true],
  ['close', false],
] as const) {
  test(`quick view told to ${afterAdd} after adding does`, async ({ page, server }) => {
    const lane = liveDemoLane();
    lane.pieces['quick-view']!.settings['afterAdd'] = afterAdd;
    await page.route('**/api/manifest*', (route) => route.fulfill({ json: compileManifest(lane, definitions, 1) }));

    await page.goto(`${server.origin}/shop/c/lines-and-winders?look=hoop-winder`);
    await page.getByRole('dialog').getByRole('button', { name: 'Add to cart' }).click();

    await expect(page.locator('[data-pl-count]')).toHaveText('1');
    await expect(page.getByRole('dialog')).toHaveCount(isOpen ? 1 : 0);
    if (isOpen) await expect(page.getByText('In your cart.')).toBeVisible();
  });
}
