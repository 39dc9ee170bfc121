import { choice, definePiece, type PieceOf } from '~/core/lane';
import { say } from '~/core/words';
import {
  SUGGESTION_PAGES,
  SUGGESTION_SPOTS,
  suggestionLooks,
  suggestionParts,
  suggestionSettings,
} from '../_suggestions/shared';

export const related = definePiece({
  kind: 'related',
  name: 'More like it',
  stretch: 'browse',
  summary: 'Products like the one that is looked at: what shares its tags, categories or attributes.',
  pages: SUGGESTION_PAGES,
  isMany: true,
  isDrawnOnly: true,
  showsSuggestions: true,
  spots: SUGGESTION_SPOTS,
  settings: {
    by: choice({
      task: 'where',
      label: 'What counts most',
      help: 'It counts four times as much as the two others; then comes what sells more.',
      options: { tags: 'Shared tags', categories: 'Shared categories', attributes: 'Shared attributes' },
      default: 'tags',
    }),
    instead: choice({
      task: 'where',
      label: 'Where too few are like it',
      help: 'Nothing is suggested that shares nothing, unless you say so.',
      options: { nothing: 'Leave it at that', best: 'Add what sells best' },
      default: 'nothing',
    }),
    ...suggestionSettings,
  },
  parts: suggestionParts,
  words: {
    heading: {
      label: 'Heading',
      help: 'Above the products.',
      default: say('More like it', 'Ähnliches', 'المزيد مثله'),
    },
    intro: { label: 'Text', help: 'Below the heading; empty: none.', default: say('', '', '') },
  },
  looks: suggestionLooks,
  opensOn: () => [],
  preview: { path: '/shop/p/{product}' },
});

export type RelatedPiece = PieceOf<typeof related>;
