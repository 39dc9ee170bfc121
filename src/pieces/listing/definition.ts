import { definePiece } from '~/core/lane';
import { cardLooks, cardParts, cardSettings, cardWords } from '../_cards/shared';

export const listing = definePiece({
  kind: 'listing',
  name: 'Product list',
  stretch: 'browse',
  summary: 'Products of your choice as a grid, a list or a table, in any place of the shop’s pages.',
  pages: ['home', 'listing', 'product', 'cart', 'other'],
  isMany: true,
  spots: [
    'home.above',
    'home.below',
    'listing.above',
    'listing.main',
    'listing.below',
    'product.below',
    'cart.below',
    'text',
  ],
  settings: cardSettings,
  parts: cardParts,
  words: cardWords,
  looks: cardLooks,
  opensOn: () => [],
  preview: { path: '/shop/' },
});
