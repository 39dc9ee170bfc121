import { choice, definePiece, numeric, picture, type PieceOf, place, toggle } from '~/core/lane';

export const cartOpener = definePiece({
  kind: 'cart-opener',
  beginsWith: true,
  // The page has no place for it: it floats, once there is something in the cart.
  elsewhere: { stands: 'floating', hideEmpty: true, keepsLink: true },
  name: 'Cart opener',
  stretch: 'cart',
  summary: 'The button that always leads to the cart, in the page’s header or floating over it.',
  pages: ['home', 'listing', 'product', 'other'],
  settings: {
    stands: choice({
      task: 'where',
      label: 'Position',
      help: 'In the header it takes the place of the shop’s own cart link.',
      options: { header: 'In the header', floating: 'Floating' },
      default: 'header',
    }),
    keepsLink: toggle({
      task: 'where',
      label: 'Keep the header’s cart link as well',
      help: 'For the floating one. Off: the floating button is the one way to the cart.',
      default: false,
    }),
    placePhone: place({
      task: 'where',
      label: 'Place on phones',
      help: 'For the floating one. Drag it in the preview: it snaps to corners, and keeps off bars and edges.',
      default: 'bottom 100',
    }),
    placeDesktop: place({
      task: 'where',
      label: 'Place on larger screens',
      help: 'For the floating one. Drag it in the preview at a width of 640 or more.',
      default: 'bottom 100',
    }),
    opensBy: choice({
      task: 'where',
      label: 'Opens on',
      help: 'Hover opens after a moment’s rest, and only for a mouse; a press always works.',
      options: { press: 'Click', hover: 'Click or hover' },
      default: 'press',
    }),
    hideEmpty: toggle({
      task: 'where',
      label: 'Hidden while empty',
      help: 'Comes with the first thing added.',
      default: false,
    }),
    icon: choice({
      task: 'parts',
      part: 'icon',
      label: 'Icon',
      help: 'One of ours, unless you bring your own below.',
      options: { basket: 'Basket', bag: 'Bag', trolley: 'Trolley', package: 'Parcel' },
      default: 'basket',
    }),
    ownIcon: picture({
      task: 'parts',
      part: 'icon',
      label: 'Icon of your own',
      help: 'PNG, JPEG, WebP or SVG; made 128 px square and cleaned.',
      default: '',
    }),
    countAs: choice({
      task: 'parts',
      part: 'count',
      label: 'Count as',
      help: 'A badge on the icon, or text beside it.',
      options: { badge: 'Badge', text: 'Text' },
      default: 'badge',
    }),
    size: numeric({
      task: 'look',
      label: 'Size',
      help: 'Of the floating button; never too small for a thumb.',
      min: 44,
      max: 88,
      step: 2,
      unit: 'px',
      default: 60,
    }),
    feedback: choice({
      task: 'look',
      label: 'When something is added',
      help: 'A short motion; none for shoppers who ask for less.',
      options: { none: 'Nothing', nod: 'Bounce', ring: 'Ring' },
      default: 'nod',
    }),
  },
  parts: {
    icon: { label: 'Icon', help: 'Basket, bag, trolley, parcel or your own.', on: true },
    label: { label: 'Word', help: 'Beside the icon.', on: true },
    count: { label: 'Count', help: 'How many things are in the cart.', on: true },
    subtotal: { label: 'Subtotal', help: 'What they come to, before delivery.', on: false },
  },
  words: {
    label: {
      part: 'label',
      label: 'Word',
      help: 'Read out, also when it is not shown.',
      default: { en: 'Cart', de: 'Warenkorb', ar: 'السلة' },
    },
    things: {
      part: 'count',
      label: 'Count as text',
      help: '{count} stands for the number.',
      default: {
        en: '{count, plural, one {# item} other {# items}}',
        de: '{count} Artikel',
        ar: '{count, plural, one {قطعة واحدة} two {قطعتان} few {# قطع} other {# قطعة}}',
      },
    },
  },
  looks: {
    opener: {
      label: 'Button',
      help: 'The button itself, in each of its states.',
      properties: ['background', 'text', 'border', 'radius'],
      states: ['rest', 'hover', 'focus', 'pressed'],
      inherits: {
        rest: { background: 'token:panel', text: 'token:ink', border: 'token:line', radius: 30 },
        hover: { background: 'token:paper' },
        pressed: { background: 'token:line' },
      },
    },
    count: {
      part: 'count',
      label: 'Badge',
      help: 'Its colours.',
      properties: ['background', 'text'],
      states: ['rest'],
      inherits: { rest: { background: 'token:sale', text: '#ffffff' } },
    },
  },
  notes: (settings) =>
    settings['stands'] === 'floating' && settings['keepsLink']
      ? [
          {
            part: null,
            text: 'There are two ways to the cart now: this button, and the link in the header. Turn “Keep the header’s cart link as well” off for one.',
          },
        ]
      : [],
  opensOn: () => [],
  preview: { path: '/shop/all' },
});

export type CartOpenerPiece = PieceOf<typeof cartOpener>;
