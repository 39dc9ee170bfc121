import { choice, definePiece, numeric, text, type PieceOf } from '~/core/lane';
import { say } from '~/core/words';
import { listing } from '../listing/definition';

/** Where suggestions stand: with one product, or with what is in the cart or the order. */
export const SUGGESTION_SPOTS = ['product.below', 'cart.below', 'checkout.below', 'thanks.below'] as const;
export const SUGGESTION_PAGES = ['product', 'cart', 'checkout', 'thanks'] as const;

/** What every list of suggestions can be set to. */
export const suggestionSettings = {
  never: text({
    task: 'where',
    label: 'Never what is tagged',
    help: 'A tag; products that have it are not suggested here. Empty: all may be.',
    most: 60,
    default: '',
  }),
  most: numeric({
    task: 'parts',
    label: 'How many',
    help: 'At most so many products.',
    min: 1,
    max: 12,
    step: 1,
    unit: '',
    default: 4,
  }),
  as: choice({
    task: 'parts',
    label: 'Shown as',
    help: 'A list takes less room.',
    options: { grid: 'Grid', list: 'List' },
    default: 'grid',
  }),
  columns: numeric({ ...listing.settings.columns }),
  columnsPhone: numeric({ ...listing.settings.columnsPhone }),
};

const { picture, name, rating, price, shortText, buy } = listing.parts;
export const suggestionParts = { picture, name, rating, price, shortText, buy };
const { more: _noMore, ...suggestionLooks } = listing.looks;
export { suggestionLooks };

export const goesWith = definePiece({
  kind: 'goes-with',
  name: 'Goes with it',
  stretch: 'add',
  summary: 'What is needed or liked together with a product: what you picked on it, in your order.',
  pages: SUGGESTION_PAGES,
  isMany: true,
  isDrawnOnly: true,
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
