import { addPiece, selectionOf, type Lane, type Piece } from '~/core/lane';
import { offerSchema } from '~/core/pricing';
import { definitionOf } from '~/pieces/definitions';

/** The lane with a piece of every kind that can be added, and the offers they show best: what `npm run demo` opens with. */
export function withShowcase(lane: Lane): Lane {
  const add = (kind: string, spot: string | null, settings: object = {}): Piece => {
    const piece = lane.pieces[addPiece(lane, definitionOf(kind)!)]!;
    piece.on = true;
    if (spot !== null) piece.where.spot = spot;
    Object.assign(piece.settings, settings);
    return piece;
  };
  add('compare', null, { more: 'Span', less: 'Weight' });
  add('better-one', 'product.below');
  add('goes-with', 'product.below', { instead: 'best', most: 3 });
  add('related', 'product.below');
  add('goes-with', 'cart.below', { most: 3 });
  const spares = add('order-form', 'listing.main', {
    shows: selectionOf({ from: 'page', order: 'name', most: 500 }),
    adds: 'both',
  });
  spares.name = 'All spares at once';
  spares.where.categories = { mode: 'only', slugs: ['spares'] };

  const thanks = Object.values(lane.pieces).find(({ kind }) => kind === 'thanks-page')!;
  for (const part of thanks.parts) if (part.key === 'reorder') part.on = true;

  const byItem = { group: 'discounts', per: 'item' };
  Object.assign(lane.offers, {
    'spares-by-the-handful': offerSchema.parse({
      kind: 'quantityBreaks',
      name: 'Spares by the handful',
      told: true,
      combine: byItem,
      selection: { only: { categories: ['spares'] } },
      breaks: [
        { from: 5, basisPoints: 1000 },
        { from: 10, basisPoints: 1500 },
      ],
    }),
    'first-line': offerSchema.parse({
      kind: 'bundle',
      name: 'Line and winder',
      told: true,
      combine: byItem,
      items: [
        { selection: { only: { products: ['single-line-40-kg'] } }, quantity: 1 },
        { selection: { only: { products: ['hoop-winder'] } }, quantity: 1 },
      ],
      priceMinor: 1550,
    }),
    'patch-with-it': offerSchema.parse({
      kind: 'gift',
      name: 'A patch with it',
      told: true,
      variant: 'RIP136-EMB',
      quantity: 1,
      when: { minQuantity: 1, counts: { only: { categories: ['power'] } } },
    }),
  });
  return lane;
}
