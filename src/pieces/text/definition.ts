import { choice, definePiece, type PieceOf } from '~/core/lane';
import { say } from '~/core/words';

export const text = definePiece({
  kind: 'text',
  name: 'Text',
  stretch: 'browse',
  summary: 'Words of your own in any place of the shop’s pages, with live facts of products.',
  pages: ['home', 'listing', 'product', 'cart', 'thanks', 'other'],
  isMany: true,
  isDrawnOnly: true,
  spots: [
    ...(['home.above', 'home.below', 'listing.above', 'listing.below', 'product.below'] as const),
    ...(['cart.below', 'thanks.below', 'text'] as const),
  ],
  settings: {
    width: choice({
      task: 'look',
      label: 'Width',
      help: 'Long lines are hard to read.',
      options: { narrow: 'As wide as reads well', full: 'All the room' },
      default: 'narrow',
    }),
    align: choice({
      task: 'look',
      label: 'Alignment',
      help: 'Of the lines.',
      options: { start: 'At the start', center: 'In the middle' },
      default: 'start',
    }),
    framed: choice({
      task: 'look',
      label: 'Frame',
      help: 'Sets the text apart from what is around it.',
      options: { none: 'None', panel: 'On a panel' },
      default: 'none',
    }),
  },
  parts: {},
  words: {
    heading: { label: 'Heading', help: 'Above the text; empty: none.', default: say('', '', '') },
    body: {
      label: 'Text',
      help: 'An empty line begins a paragraph; **bold**, *italic*, - lists, [links](address).',
      isRich: true,
      default: say('Write something here.', 'Schreib hier etwas.', 'اكتب شيئًا هنا.'),
    },
  },
  looks: {
    heading: {
      label: 'Heading',
      help: 'Above the text.',
      properties: ['text', 'size', 'family', 'letterCase'],
      states: ['rest'],
      inherits: { rest: {} },
    },
    body: {
      label: 'Text',
      help: 'All of it.',
      properties: ['background', 'text', 'size', 'radius'],
      states: ['rest'],
      inherits: { rest: {} },
    },
  },
  opensOn: () => [],
  preview: { path: '/shop/' },
});

export type TextPiece = PieceOf<typeof text>;
