import { definePiece, secondButtonLook } from '~/core/lane';
import { thanksParts, thanksSettings } from '../_thanks/shared';
import { thanksWords } from '../_thanks/words';

const box = (label: string, help: string, part?: string) =>
  ({
    ...(part && { part }),
    label,
    help,
    properties: ['background', 'text', 'radius'],
    states: ['rest'],
    inherits: { rest: { background: 'token:panel', text: 'token:ink', radius: 10 } },
  }) as const;

export const thanksPage = definePiece({
  kind: 'thanks-page',
  role: 'thanks',
  name: 'Thank-you page',
  stretch: 'after',
  summary: 'What buyers see when they have paid, and whenever they come back to their order.',
  pages: ['thanks'],
  isMany: true,
  isDrawnOnly: true,
  spots: ['thanks.main'],
  settings: thanksSettings,
  parts: thanksParts,
  layouts: {
    receipt: {
      label: 'Receipt',
      help: 'One column: thanks, the order, and where it goes.',
      parts: ['thanks', 'downloads', 'summary', 'delivery', 'next', 'back'],
      settings: { columns: 'one', width: 'narrow' },
    },
    doorstep: {
      label: 'Doorstep',
      help: 'An offer at the top, the order beside it.',
      parts: ['thanks', 'offer', 'next', 'coupon', 'side', 'downloads', 'summary', 'delivery', 'back'],
      settings: { columns: 'side', width: 'full' },
    },
    letter: {
      label: 'Letter',
      help: 'Your words and picture first, the order below.',
      parts: ['message', 'thanks', 'downloads', 'summary', 'delivery', 'share', 'back'],
      settings: { columns: 'one', width: 'narrow' },
    },
    return: {
      label: 'Come back',
      help: 'Two halves: the order, and all that brings them back.',
      parts: ['thanks', 'downloads', 'summary', 'delivery', 'side', 'coupon', 'reorder', 'birthday', 'voices', 'back'],
      settings: { columns: 'halves', width: 'full' },
    },
  },
  words: thanksWords,
  looks: {
    offer: box('Offer', 'The box it stands in.', 'offer'),
    box: box('Boxes', 'All others.'),
    button: {
      label: 'Buttons',
      help: 'What is pressed.',
      properties: ['background', 'text', 'radius'],
      states: ['rest', 'hover', 'focus'],
      inherits: {
        rest: { background: 'token:accent', text: 'token:onAccent', radius: 24 },
        hover: { background: 'token:accent' },
        focus: { background: 'token:accent' },
      },
    },
    quiet: secondButtonLook({ on: 'box', label: 'Other buttons', help: 'Back to the shop, and no.' }),
  },
  opensOn: () => [],
  preview: { path: '/shop/thanks/example' },
});
