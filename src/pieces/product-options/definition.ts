import { definePiece } from '~/core/lane';
import { optionParts, optionSettings, optionWords } from '../_options/shared';

export const productOptions = definePiece({
  kind: 'product-options',
  budgetKb: 10,
  role: 'options',
  beginsWith: true,
  elsewhere: {},
  name: 'Options form',
  stretch: 'add',
  summary: 'Choices beyond variants, as shoppers answer them on product page, quick view and cart.',
  pages: ['home', 'listing', 'product', 'cart', 'checkout', 'other'],
  isAlwaysOn: true,
  settings: optionSettings,
  parts: optionParts,
  words: optionWords,
  looks: {
    label: {
      part: 'fields',
      label: 'Names of options',
      help: 'Above each option.',
      properties: ['text', 'size'],
      states: ['rest'],
      inherits: { rest: { text: 'token:ink', size: 16 } },
    },
    choice: {
      part: 'fields',
      label: 'Buttons to choose',
      help: 'A single choice, in each state.',
      properties: ['background', 'text', 'border', 'radius'],
      states: ['rest', 'hover', 'focus', 'pressed'],
      inherits: {
        rest: { background: 'token:panel', text: 'token:ink', border: 'token:line', radius: 10 },
        hover: { border: 'token:accent' },
      },
    },
  },
  opensOn: () => [],
  preview: { path: '/shop/p/{product}' },
});
