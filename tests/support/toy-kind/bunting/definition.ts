import { choice, definePiece, numeric, type PieceOf } from '~/core/lane';
import { say } from '~/core/words';

/** A kind no shop needs: flags on a string. It is added by a test, to see that a folder and its lines are all it takes. */
export const bunting = definePiece({
  kind: 'bunting',
  name: 'Bunting',
  stretch: 'browse',
  summary: 'A string of flags across the page.',
  pages: ['home', 'listing'],
  isMany: true,
  spots: ['home.above', 'listing.below'],
  elsewhere: { flags: 3 },
  settings: {
    flags: numeric({
      task: 'parts',
      label: 'Flags',
      help: 'How many hang on the string.',
      min: 1,
      max: 20,
      step: 1,
      unit: '',
      default: 5,
    }),
    shape: choice({
      task: 'look',
      label: 'Shape',
      help: 'Of each of the flags.',
      options: { triangle: 'Triangles', square: 'Squares' },
      default: 'triangle',
    }),
  },
  parts: { string: { label: 'String', help: 'What the flags hang on.', on: true } },
  words: {
    press: { label: 'Button', help: 'Counts the flags.', default: say('Count them', 'Zählen', 'عدّها') },
    counted: {
      label: 'Counted',
      help: '{count} is how many.',
      default: say('{count} flags', '{count} Fahnen', '{count}'),
    },
  },
  looks: {
    flag: {
      label: 'Flags',
      help: 'Each of them.',
      properties: ['background'],
      states: ['rest'],
      inherits: { rest: {} },
    },
  },
  opensOn: () => [],
  preview: { path: '/shop/' },
});

export type BuntingPiece = PieceOf<typeof bunting>;
