import { addPiece } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import { signInOwner } from '../support/owner';
import { addWinder, changingTest as test, expect, expectAccessible, phonePage, signIn } from './harness';

test('what goes with it, what is like it and the better one stand apart, each with its own words and reasons', async ({
  page,
  server,
  browser,
}) => {
  const owner = await signInOwner(server);
  await owner.publish((lane) => {
    const add = (kind: string, spot: string, settings: object = {}) => {
      const piece = lane.pieces[addPiece(lane, definitionOf(kind)!)]!;
      piece.on = true;
      piece.where.spot = spot;
      Object.assign(piece.settings, settings);
    };
    add('better-one', 'product.below');
    add('goes-with', 'product.below', { instead: 'best', most: 3 });
    add('related', 'product.below', { most: 4 });
    add('goes-with', 'cart.below', { most: 2 });
    add('related', 'checkout.below', { most: 2 });
  });
  const path = `${server.origin}/shop/p/kestrel`;

  const phone = await phonePage(browser);
  await phone.goto(path);
  const better = phone.locator('[data-pl-piece=better-one]');
  await expect(better.getByRole('heading', { name: 'Kestrel Plus' })).toBeVisible();
  await expect(better).toContainText('more than this one');
  await expect(better.locator('[data-part=changes] li').first()).toContainText('→');
  await expect(phone.locator('[data-pl-piece=goes-with] .card')).toHaveCount(3);
  await expect(phone.locator('[data-pl-piece=related] .card')).toHaveCount(4);
  await expect(phone.getByText('Why these?')).toHaveCount(0);
  await expectAccessible(phone);
  // What is in the cart is not suggested for it.
  await addWinder(phone, server.origin);
  await phone.goto(`${server.origin}/shop/cart`);
  await expect(phone.locator('[data-pl-piece=goes-with-2] .card')).toHaveCount(2);
  await expect(phone.locator('[data-pl-piece=goes-with-2] [data-pl-product=hoop-winder]')).toHaveCount(0);
  await phone.goto(`${server.origin}/shop/checkout`);
  await expect(phone.locator('[data-pl-piece=related-2] .card')).toHaveCount(2);
  await phone.context().close();

  // Whoever owns the shop is told why, in the live shop.
  await signIn(page, server.origin, '/studio');
  await page.goto(path);
  const reasons = page.locator('[data-pl-piece=related] details');
  await reasons.getByText('Why these?').click();
  await expect(reasons).toContainText('Related: it shares the tags');
});
