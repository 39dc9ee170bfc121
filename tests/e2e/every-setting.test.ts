import type { Samples } from '~/contract/studio/draft';
import type { Product } from '~/core/catalogue';
import { NO_GOODS, compileManifest, newPiece, selectionOf, type Lane, type SettingValue } from '~/core/lane';
import { offerSchema } from '~/core/pricing';
import { definitions, situationsOf } from '~/pieces/definitions';
import { createApp } from '~/services/app';
import { findSamples } from '~/services/draft/sample-situations';
import { liveDemoLane } from '../../demo/lane';
import { another } from '../support/another';
import { signInOwner } from '../support/owner';
import { changingTest, expect, expectAccessible, test, type Page, saidBeside } from './harness';

/** A page of the shop's own origin that frames it, as the bench does. */
async function frameShop(
  page: Page,
  origin: string,
  { path, token, width }: { path: string; token: string; width: number },
): Promise<void> {
  await page.goto(`${origin}/api/health`);
  await page.evaluate(
    async ({ src, px }) => {
      const frame = document.createElement('iframe');
      Object.assign(frame.style, { width: `${px}px`, height: '700px' });
      const ready = new Promise((resolve) =>
        addEventListener('message', (event) => (event.data as { pl: string }).pl === 'ready' && resolve(null)),
      );
      frame.src = src;
      document.body.replaceChildren(frame);
      await ready;
    },
    { src: `${path}?draft=${token}`, px: width },
  );
}

/** Everything a piece draws, as text, once it has come to rest: marks, classes, styles, and where it stands. */
async function drawn(page: Page, lane: Lane, message: object): Promise<string> {
  return page.evaluate(
    async ({ manifest, situation }) => {
      const { contentWindow, contentDocument } = document.querySelector('iframe')!;
      const painted = new Promise((resolve) =>
        addEventListener('message', (event) => (event.data as { pl: string }).pl === 'painted' && resolve(null)),
      );
      contentWindow!.postMessage({ pl: 'manifest', manifest, seq: 1 }, location.origin);
      await painted;
      contentWindow!.postMessage({ pl: 'situation', pieceId: 'it', ...situation }, location.origin);
      const textOf = (root: Document | ShadowRoot): string =>
        [...root.querySelectorAll<HTMLElement>('[data-pl-piece],[data-pl-at]')]
          .map((host) => {
            const inner = host.shadowRoot;
            const box = inner?.querySelector('dialog,.bar,a,.page,section')?.getBoundingClientRect();
            const place = box ? [box.left, box.top, box.width, box.height].map(Math.round).join(' ') : '';
            return `${host.parentElement?.localName} ${host.outerHTML}\n${inner?.innerHTML ?? ''}\n${place}\n${inner ? textOf(inner) : ''}`;
          })
          .join('\n');
      let last = '';
      for (let same = 0, tries = 0; same < 3 && tries < 40; tries += 1) {
        await new Promise((resolve) => setTimeout(resolve, 45));
        const now = textOf(contentDocument!);
        same = now === last ? same + 1 : 0;
        last = now;
      }
      return last;
    },
    { manifest: compileManifest(lane, definitions, 1), situation: message },
  );
}

/** Of the demo: a product with everything to say. */
const SAYS_MOST = 'kestrel';

for (const definition of definitions.filter(({ spots }) => spots !== undefined))
  changingTest(
    `every setting and part of ${definition.kind} changes what the server draws`,
    async ({ page, server }) => {
      const owner = await signInOwner(server);
      const said = await fetch(`${server.origin}/api/products/${SAYS_MOST}`);
      const { sku } = ((await said.json()) as Product).variants[0]!;
      const show = async (change: (it: Lane['pieces'][string]) => void) => {
        const token = await owner.change((lane) => {
          const it = newPiece(definition, true);
          const [first] = definition.spots!;
          it.where.spot = definition.spots!.includes('home.below') ? 'home.below' : first!;
          // Few at a time, of what has everything to say, so that there are more and each part has something to show.
          const usual = {
            goods: { ...NO_GOODS, sku },
            shape: 'card',
            most: 12,
            more: 'pages',
            pageSize: 2,
            pagesAt: 'below',
            filters: 'all',
            adds: 'both',
            // Of a thank-you page: everything it offers is there.
            offerGoods: { ...NO_GOODS, sku },
            couponOffer: 'again',
            ...(definition.kind === 'thanks-page' && { columns: 'side' }),
          };
          for (const [key, value] of Object.entries(usual)) if (key in it.settings) it.settings[key] = value;
          if ('shows' in it.settings)
            it.settings['shows'] = selectionOf({
              from: 'picked',
              picked: { slugs: ['hoop-winder', 'lapwing-delta', 'kestrel'] },
            });
          if ('heading' in definition.words) it.words['en'] = { heading: 'Ours' };
          for (const part of it.parts) part.on = true;
          change(it);
          lane.pieces = { it };
          lane.offers['again'] = offerSchema.parse({
            name: 'Again',
            kind: 'percentOff',
            target: 'lines',
            basisPoints: 1000,
            when: { code: 'AGAIN', isOneTime: true },
          });
        });
        // A product with everything to say: picked ones, a better one, and many like it.
        const path = definition.preview.path.replace('{product}', SAYS_MOST);
        await page.goto(`${server.origin}${path}?draft=${token}&shape=it`);
        // The page's own filters belong to a list that stands in the place of its products.
        const drawn = await page.locator('[data-pl-piece=it]').evaluate((element) => element.outerHTML);
        if (!definition.spots!.includes('listing.main')) return drawn;
        await owner.change((lane) => void (lane.pieces['it']!.where.spot = 'listing.main'));
        await page.goto(`${server.origin}/shop/c/single-line?draft=${token}&shape=it`);
        return drawn + (await page.locator('.listing').evaluate((element) => element.outerHTML));
      };
      const usual = await show(() => undefined);
      const unseen: string[] = [];
      const check = async (name: string, change: Parameters<typeof show>[0]) => {
        if ((await show(change)) === usual) unseen.push(name);
      };
      const wanted = {
        more: 'button',
        pageSize: 3,
        pagesAt: 'above',
        adds: 'rows',
        filters: 'few',
        most: 3,
        never: 'light wind',
        reorderOffer: 'again',
        shape: 'text',
        ...(definition.kind === 'thanks-page' && { columns: 'halves' }),
      } as Readonly<Record<string, SettingValue>>;
      for (const [key, spec] of Object.entries(definition.settings))
        await check(spec.label, (it) => void (it.settings[key] = wanted[key] ?? another(spec)));
      for (const [key, part] of Object.entries(definition.parts))
        await check(part.label, (it) => void (it.parts.find((item) => item.key === key)!.on = false));
      // Nothing of the demo costs delivery of its own.
      expect(unseen.filter((name) => name !== definition.parts['delivery']?.label)).toEqual([]);
    },
  );

for (const definition of definitions.filter(({ spots }) => spots === undefined)) {
  test(`every setting and part of ${definition.kind} changes what shoppers see`, async ({ page, server }) => {
    test.setTimeout(180_000);
    const app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
    const samples: Samples = await findSamples(app);
    const { token } = (await app.lanes.readDraft())!;
    await app.db.close();
    const piece = newPiece(definition, true);
    for (const part of piece.parts) part.on = true;
    const laneWith = (change: (it: typeof piece) => void): Lane => {
      const it = structuredClone(piece);
      change(it);
      return { ...liveDemoLane(), pieces: { it } };
    };
    const changes = new Map<string, (it: typeof piece) => void>();
    for (const [key, spec] of Object.entries(definition.settings))
      changes.set(spec.label, (it) => void (it.settings[key] = another(spec)));
    // No product of the demo has a video; a tick is there only beside the comparison, and has its own test.
    for (const part of piece.parts.filter((item) => !['video', 'compare'].includes(item.key)))
      changes.set(
        definition.parts[part.key]!.label,
        (it) => void (it.parts.find((item) => item.key === part.key)!.on = false),
      );

    // From situation to situation, until every change has been seen in one.
    let framed = '';
    for (const situation of situationsOf(definition.kind)) {
      if (situation.rightToLeft || changes.size === 0) continue;
      const product = situation.product ? (samples.products[situation.product] ?? null) : null;
      const path = definition.preview.path.replace('{product}', product ?? '');
      const width = situation.width < 640 ? 390 : 1200;
      if (framed !== `${path} ${width}`) await frameShop(page, server.origin, { path, token, width });
      framed = `${path} ${width}`;
      const cart = situation.cart ? (samples.carts[situation.cart] ?? null) : null;
      const message = { product, cart, added: situation.added ?? false };
      const plain = laneWith(() => undefined);
      await drawn(page, plain, message);
      const before = await drawn(page, plain, message);
      for (const [name, change] of [...changes]) {
        if ((await drawn(page, laneWith(change), message)) !== before) changes.delete(name);
      }
    }

    expect([...changes.keys()]).toEqual([]);
  });
}

test('a cart that does not open by itself says so at the button instead', async ({ page, server }) => {
  const lane = liveDemoLane();
  lane.pieces['slide-out-cart']!.settings['opensOnAdd'] = false;
  lane.pieces['added-popup']!.on = false;
  await page.route('**/api/manifest*', (route) => route.fulfill({ json: compileManifest(lane, definitions, 1) }));

  await page.goto(`${server.origin}/shop/c/lines-and-winders`);
  const card = page.locator('[data-pl-product=hoop-winder]');
  await card.getByRole('button', { name: 'Add to cart' }).click();

  await expect(saidBeside(page)).toHaveText('Added to your cart.');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

for (const [afterAdd, isOpen] of [
  ['stay', true],
  ['close', false],
] as const) {
  test(`quick view told to ${afterAdd} after adding does`, async ({ page, server }) => {
    const lane = liveDemoLane();
    lane.pieces['quick-view']!.settings['afterAdd'] = afterAdd;
    lane.pieces['added-popup']!.on = false;
    lane.pieces['slide-out-cart']!.settings['opensOnAdd'] = false;
    await page.route('**/api/manifest*', (route) => route.fulfill({ json: compileManifest(lane, definitions, 1) }));

    await page.goto(`${server.origin}/shop/c/lines-and-winders?look=hoop-winder`);
    await page.getByRole('dialog').getByRole('button', { name: 'Add to cart' }).click();

    await expect(page.locator('[data-pl-count]')).toHaveText('1');
    await expect(page.getByRole('dialog')).toHaveCount(isOpen ? 1 : 0);
    if (isOpen) await expect(page.getByText('Added to your cart.')).toBeVisible();
  });
}

test('quick view suggests what goes with it, and takes it from there', async ({ page, server }) => {
  const lane = liveDemoLane();
  const quickView = lane.pieces['quick-view']!;
  quickView.parts.find(({ key }) => key === 'suggestions')!.on = true;
  quickView.settings['suggestionCount'] = 4;
  lane.pieces['added-popup']!.on = false;
  lane.pieces['slide-out-cart']!.settings['opensOnAdd'] = false;
  await page.route('**/api/manifest*', (route) => route.fulfill({ json: compileManifest(lane, definitions, 1) }));

  await page.goto(`${server.origin}/shop/c/lines-and-winders?look=hoop-winder`);
  const near = page.getByRole('dialog').locator('.near');
  await expect(near.getByRole('heading', { name: 'Goes well with it' })).toBeVisible();
  await expect(near.getByRole('listitem')).toHaveCount(4);
  await expectAccessible(page, 'quick view with suggestions');
  await near.getByRole('button', { name: /^Add/ }).first().click();
  await expect(page.locator('[data-pl-count]')).toHaveText('1');
  await expect(page.getByRole('dialog')).toBeVisible();
});
