import {
  choice,
  crossSetting,
  definePiece,
  KEEP_SHOPPING,
  numeric,
  type PieceOf,
  secondButtonLook,
  toggle,
} from '~/core/lane';
import { say } from '~/core/words';
import { suggestionsThatFit } from '~/core/suggest';
import { cartLooks } from '../_cart/shared';
import { cartWords } from '../_cart/words';

const { close, missing, reached, checkout, keepShopping, suggestionAdd, suggestionSee } = cartWords;

export const addedPopup = definePiece({
  kind: 'added-popup',
  role: 'added',
  elsewhere: {},
  name: 'Added popup',
  stretch: 'add',
  summary: 'Says that it worked, and offers the next step.',
  pages: ['home', 'listing', 'product', 'other'],
  judges: 'added',
  openRank: 10,
  settings: {
    form: choice({
      task: 'where',
      label: 'Form',
      help: 'In a corner the page stays in use; in the middle the shopper must answer it. Phones show it at the lower edge.',
      options: { corner: 'In a corner', middle: 'In the middle' },
      default: 'corner',
    }),
    closes: choice({
      task: 'where',
      label: 'Closes',
      help: 'By itself never while the pointer or the focus is on it.',
      options: { asked: 'When asked', itself: 'By itself' },
      default: 'itself',
    }),
    seconds: numeric({
      task: 'where',
      label: 'After',
      help: 'When it closes by itself. Slow readers need eight seconds and more.',
      min: 4,
      max: 30,
      step: 1,
      unit: 's',
      default: 9,
    }),
    suggestionCount: numeric({
      task: 'parts',
      part: 'suggestions',
      label: 'At most',
      help: 'Fewer are shown where the size does not hold so many.',
      min: 1,
      max: 4,
      step: 1,
      unit: '',
      default: 2,
    }),
    meterBar: toggle({
      task: 'parts',
      part: 'threshold',
      label: 'A bar with it',
      help: 'Shows how much of the way is done.',
      default: true,
    }),
    cross: crossSetting,
    keepLeads: choice({
      task: 'parts',
      part: 'buttons',
      label: 'Keep shopping',
      help: 'It closes the popup; what else it does.',
      options: { ...KEEP_SHOPPING, off: 'Off' },
      default: 'stay',
    }),
    cartLeads: choice({
      task: 'parts',
      part: 'buttons',
      label: 'View cart',
      help: 'Opens the cart over the page, where there is such a piece, or leads to its page.',
      options: { cart: 'Opens the cart', page: 'To the cart page', off: 'Off' },
      default: 'cart',
    }),
    checkoutLeads: choice({
      task: 'parts',
      part: 'buttons',
      label: 'Main button',
      help: 'Its words are yours to write.',
      options: { checkout: 'To the checkout', cart: 'To the cart page', off: 'Off' },
      default: 'checkout',
    }),
    size: choice({
      task: 'look',
      label: 'Size',
      help: 'A small one interrupts less, and holds fewer suggestions.',
      options: { small: 'Small', medium: 'Medium', large: 'Large' },
      default: 'medium',
    }),
    motion: choice({
      task: 'look',
      label: 'Entrance',
      help: 'None for shoppers who ask for less motion.',
      options: { none: 'None', fade: 'Fade', rise: 'Rise' },
      default: 'rise',
    }),
  },
  parts: {
    message: { label: 'Message', help: 'Says that it worked; read out to screen readers.', on: true },
    picture: { label: 'Picture', help: 'Of what was chosen.', on: true },
    name: { label: 'Name', help: 'Of the product.', on: true },
    choices: { label: 'Choices', help: 'Size, colour and the answers to options.', on: true },
    price: { label: 'Price', help: 'Of what was added.', on: true },
    total: { label: 'Cart total', help: 'What the cart comes to now.', on: true },
    threshold: { label: 'Free delivery', help: 'What is still missing; only while such an offer is live.', on: true },
    suggestions: { label: 'Suggestions', help: 'Products related to what was added.', on: false },
    buttons: { label: 'Buttons', help: 'Keep shopping, view cart, check out.', on: true },
  },
  words: {
    message: {
      part: 'message',
      label: 'Message',
      help: '{name} stands for the product.',
      default: say('Added to your cart', 'Im Warenkorb', 'أُضيف إلى سلتك'),
    },
    close,
    total: {
      part: 'total',
      label: 'Cart total',
      help: '{count} and {amount} stand for number and sum.',
      default: say(
        '{count, plural, one {# item} other {# items}} in your cart: {amount}',
        '{count} im Warenkorb: {amount}',
        '{count} في السلة: {amount}',
      ),
    },
    missing,
    reached,
    suggestions: {
      part: 'suggestions',
      label: 'Heading',
      help: 'Above the suggestions.',
      default: say('Goes well with it', 'Passt dazu', 'يناسبه أيضًا'),
    },
    suggestionAdd,
    suggestionSee,
    keepShopping: { ...keepShopping, part: 'buttons' },
    viewCart: {
      part: 'buttons',
      label: 'View cart',
      help: 'Opens the cart surface, or leads to the cart page.',
      default: say('View cart', 'Zum Warenkorb', 'عرض السلة'),
    },
    checkout: { ...checkout, part: 'buttons' },
  },
  looks: {
    panel: {
      label: 'Panel',
      help: 'The popup itself.',
      properties: ['background', 'text', 'border', 'borderWidth', 'radius', 'family', 'letterCase', 'shade'],
      states: ['rest'],
      inherits: { rest: { background: 'token:panel', text: 'token:ink', border: 'token:line' } },
    },
    close: cartLooks.close,
    message: {
      part: 'message',
      label: 'Message',
      help: 'The words at the top.',
      properties: ['text', 'size', 'family', 'letterCase'],
      states: ['rest'],
      inherits: { rest: { text: 'token:ink', size: 18 } },
    },
    checkout: { ...cartLooks.checkout, part: 'buttons' },
    second: secondButtonLook({ part: 'buttons', label: 'Other buttons', help: 'Keep shopping, and view cart.' }),
  },
  notes: (settings) => {
    const fit = suggestionsThatFit(settings['size'] as 'small' | 'medium' | 'large');
    const wanted = Number(settings['suggestionCount']);
    if (wanted <= fit) return [];
    return [
      {
        part: 'suggestions',
        text: `This size holds ${fit} ${fit === 1 ? 'suggestion' : 'suggestions'}; of your ${wanted}, ${fit === 1 ? 'one is' : `${fit} are`} shown. Choose a larger size under Look, or ask for fewer.`,
      },
    ];
  },
  opensOn: () => ['added-to-cart'],
  preview: { path: '/shop/all' },
});

export type AddedPopupPiece = PieceOf<typeof addedPopup>;
