import { choice, definePiece, type PieceOf } from '~/core/lane';
import { say } from '~/core/words';
import {
  SUGGESTION_PAGES,
  SUGGESTION_SPOTS,
  suggestionLooks,
  suggestionParts,
  suggestionSettings,
} from '../_suggestions/shared';

export const goesWith = definePiece({
  kind: 'goes-with',
  name: 'Goes with it',
  stretch: 'add',
  summary: 'What is needed or liked together with a product: what you picked on it, in your order.',
  pages: SUGGESTION_PAGES,
  isMany: true,
  isDrawnOnly: true,
  showsSuggestions: true,
  spots: SUGGESTION_SPOTS,
  settings: {
    instead: choice({
      task: 'where',
      label: 'Where you picked too few',
      help: 'Pairs that were found in your orders and taken over count as picked.',
      options: { nothing: 'Leave it at that', near: 'Add what is near it', best: 'Add what sells best' },
      default: 'near',
    }),
    ...suggestionSettings,
  },
  parts: suggestionParts,
  words: {
    heading: {
      label: 'Heading',
      help: 'Above the products.',
      default: say('Goes with it', 'Passt dazu', 'يناسبه'),
    },
    intro: { label: 'Text', help: 'Below the heading; empty: none.', default: say('', '', '') },
  },
  looks: suggestionLooks,
  opensOn: () => [],
  preview: { path: '/shop/p/{product}' },
});

export type GoesWithPiece = PieceOf<typeof goesWith>;
