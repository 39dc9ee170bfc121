import { definePiece, type PieceOf } from '~/core/lane';
import { say } from '~/core/words';
import { suggestionLooks, suggestionParts } from '../_suggestions/shared';

const { picture, name, rating, price, buy } = suggestionParts;

export const betterOne = definePiece({
  kind: 'better-one',
  name: 'A better one',
  stretch: 'look',
  summary: 'The better one you named on a product, with what is different about it and what it costs more.',
  pages: ['product'],
  isMany: true,
  isDrawnOnly: true,
  spots: ['product.below'],
  settings: {},
  parts: {
    picture,
    name,
    rating,
    price,
    changes: { label: 'What is different', help: 'The attributes in which the two differ.', on: true },
    more: { label: 'What it costs more', help: 'Or less, beside the price of this one.', on: true },
    buy: { ...buy, help: 'Leads to it.' },
  },
  words: {
    heading: {
      label: 'Heading',
      help: 'Above it.',
      default: say('There is a better one', 'Es gibt einen besseren', 'هناك ما هو أفضل'),
    },
    intro: { label: 'Text', help: 'Below the heading; empty: none.', default: say('', '', '') },
    more: {
      part: 'more',
      label: 'Costs more',
      help: '{amount} stands for the sum.',
      default: say('{amount} more than this one', '{amount} mehr als dieser', 'أغلى من هذا بمقدار {amount}'),
    },
    less: {
      part: 'more',
      label: 'Costs less',
      help: '{amount} stands for the sum.',
      default: say('{amount} less than this one', '{amount} weniger als dieser', 'أرخص من هذا بمقدار {amount}'),
    },
    same: {
      part: 'more',
      label: 'Costs the same',
      help: 'Where it costs neither more nor less.',
      default: say('At the same price', 'Zum selben Preis', 'بالسعر نفسه'),
    },
  },
  looks: suggestionLooks,
  opensOn: () => [],
  preview: { path: '/shop/p/{product}' },
});

export type BetterOnePiece = PieceOf<typeof betterOne>;
