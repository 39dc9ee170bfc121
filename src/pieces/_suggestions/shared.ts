import { choice, numeric, text } from '~/core/lane';
import { cardLooks, cardParts, cardSettings } from '../_cards/shared';

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
  columns: numeric({ ...cardSettings.columns }),
  columnsPhone: numeric({ ...cardSettings.columnsPhone }),
};

const { picture, name, rating, price, shortText, buy } = cardParts;
export const suggestionParts = { picture, name, rating, price, shortText, buy };
const { more: _noMore, ...suggestionLooks } = cardLooks;
export { suggestionLooks };
