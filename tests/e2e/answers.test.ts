import { addPiece, selectionOf } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import { signInOwner } from '../support/owner';
import { addWinder, changingTest as test, expect, PHONE, playLane, saidBeside, type Page } from './harness';

const SIZES = [PHONE.viewport, { width: 1280, height: 800 }];

/** Presses, and holds that what was pressed stands where it stood once the answer is there. */
async function pressStill(page: Page, name: string, answered: () => Promise<unknown>, within = page.locator('body')) {
  const button = within.getByRole('button', { name }).first();
  await button.scrollIntoViewIfNeeded();
  // A press scrolls to what lies under a bar first; where the button stands counts from then on.
  await button.hover();
  const before = await button.boundingBox();
  await button.click({ delay: 60 });
  await answered();
  expect(await button.boundingBox(), name).toEqual(before);
}

for (const viewport of SIZES) {
  test.describe(`at ${viewport.width} px`, () => {
    test.use({ viewport });

    test('what a press comes to is in view where it was pressed, and moves nothing', async ({ page, server }) => {
      const owner = await signInOwner(server);
      await owner.publish((lane) => {
        const table = lane.pieces[addPiece(lane, definitionOf('order-form')!)]!;
        Object.assign(table, { on: true, where: { ...table.where, spot: 'home.below' } });
        table.settings['adds'] = 'both';
        table.settings['shows'] = selectionOf({ from: 'all', most: 60 });
        lane.pieces['added-popup']!.on = false;
        lane.pieces['slide-out-cart']!.settings['opensOnAdd'] = false;
        lane.pieces['buy-bar']!.settings['shows'] = 'always';
      });
      const seen = (text: string | RegExp) => async () => {
        await expect(saidBeside(page)).toHaveText(text);
        await expect(saidBeside(page)).toBeInViewport({ ratio: 1 });
      };

      // A card, and the page of a product by its own button and by the bar.
      await page.goto(`${server.origin}/shop/c/lines-and-winders`);
      const card = page.locator('[data-pl-product=hoop-winder]');
      await pressStill(page, 'Add to cart', seen('Added to your cart.'), card);
      await page.goto(`${server.origin}/shop/p/lapwing-delta`);
      const form = page.locator('form[data-product-form]');
      await form.getByRole('spinbutton', { name: 'Quantity' }).fill('99');
      await pressStill(page, 'Add to cart', seen(/left/), form);
      // Wide windows have no bar.
      const bar = page.getByRole('region', { name: 'Buy' });
      if (viewport === PHONE.viewport) await pressStill(page, 'Add to cart', seen(/left/), bar);

      await form.getByRole('spinbutton', { name: 'Quantity' }).fill('1');
      await pressStill(page, 'Add to cart', seen('Added to your cart.'), form);

      // A table, far from its end: one row, and nothing ticked.
      await page.goto(`${server.origin}/shop/`);
      await page.waitForLoadState('networkidle');
      const table = page.locator('[data-pl-order-form]');
      const row = table.locator('tr[data-variant]', { has: page.getByRole('button', { name: /^Add/ }) }).nth(2);
      await pressStill(page, 'Add', seen(/is in your cart now/), row);
      await pressStill(page, 'Add all chosen', seen('Tick something first.'), table);

      // In quick view, all the way down.
      await page.goto(`${server.origin}/shop/all?look=hoop-winder`);
      const look = page.getByRole('dialog', { name: 'Hoop Winder' });
      await expect(look.getByRole('button', { name: 'Add to cart' })).toBeEnabled();
      await pressStill(
        page,
        'Add to cart',
        async () => {
          await expect(look.getByText('Added to your cart.')).toBeInViewport({ ratio: 1 });
          await expect(look.getByRole('link', { name: 'Check out' })).toBeInViewport({ ratio: 1 });
        },
        look,
      );

      // In the cart, from the page and over it.
      await page.goto(`${server.origin}/shop/cart`);
      await page.waitForLoadState('networkidle');
      const quantity = page.locator('li', { hasText: 'Lapwing' }).getByRole('spinbutton', { name: 'Quantity' });
      await quantity.fill('99');
      await quantity.press('Enter');
      await seen(/left/)();
    });

    test('an answer without a connection is beside the button, too', async ({ page, server }) => {
      await addWinder(page, server.origin);
      await page.keyboard.press('Escape');
      await page.goto(`${server.origin}/shop/c/lines-and-winders`);
      await page.waitForLoadState('networkidle');
      // With the first sign of somebody comes what says so.
      await page.mouse.move(200, 200);
      await page.waitForTimeout(500);
      await page.context().setOffline(true);
      await page.locator('[data-pl-product=hoop-winder]').getByRole('button', { name: 'Add to cart' }).click();

      await expect(saidBeside(page)).toHaveText('Added to your cart.');
      await expect(saidBeside(page)).toBeInViewport({ ratio: 1 });
      await expect(page.getByText(/^You are offline/)).toBeInViewport({ ratio: 1 });
      await page.context().setOffline(false);
    });

    test('two taps as close as fingers make them add one, wherever', async ({ page, server }) => {
      await playLane(page, (lane) => {
        lane.pieces['added-popup']!.on = false;
        lane.pieces['slide-out-cart']!.settings['opensOnAdd'] = false;
      });
      const twice = async (button: ReturnType<Page['getByRole']>) => {
        await button.scrollIntoViewIfNeeded();
        const box = (await button.boundingBox())!;
        const middle = [box.x + box.width / 2, box.y + box.height / 2] as const;
        await page.mouse.click(...middle);
        // A busy machine adds to it: what the shop takes for one wish ends at 600 ms.
        await page.waitForTimeout(200);
        await page.mouse.click(...middle);
        await page.waitForLoadState('networkidle');
      };
      const count = async () =>
        ((await (await page.request.get(`${server.origin}/api/cart`)).json()) as { count: number }).count;

      await page.goto(`${server.origin}/shop/c/lines-and-winders`);
      await twice(page.locator('[data-pl-product=hoop-winder]').getByRole('button', { name: 'Add to cart' }));
      expect(await count()).toBe(1);
      await page.goto(`${server.origin}/shop/all?look=hoop-winder`);
      await twice(page.getByRole('dialog').getByRole('button', { name: 'Add to cart' }));
      expect(await count()).toBe(2);
      await page.goto(`${server.origin}/shop/p/hoop-winder`);
      await twice(page.locator('form[data-product-form]').getByRole('button', { name: 'Add to cart' }));
      expect(await count()).toBe(3);
    });
  });
}
