import { choice, definePiece, goods, numeric, type PieceOf } from '~/core/lane';
import { say } from '~/core/words';

export const buyLink = definePiece({
  kind: 'buy-link',
  role: 'link',
  name: 'Buy link',
  stretch: 'add',
  summary: 'A link, button or card that sells one thing from any page, mail or printed sheet.',
  pages: ['home', 'listing', 'product', 'cart', 'thanks', 'other'],
  isMany: true,
  isDrawnOnly: true,
  spots: ['elsewhere', 'text'],
  settings: {
    goods: goods({
      task: 'where',
      label: 'What it sells',
      help: 'One variant of a product, so many, with a code if you like.',
    }),
    leads: choice({
      task: 'where',
      label: 'Where it leads',
      help: 'With our script popup and cart open where it is pressed. Without it, one press on our page adds, then the cart is shown.',
      options: {
        popup: 'A popup, there and then',
        cart: 'The cart',
        checkout: 'The checkout',
        product: 'The product’s page',
      },
      default: 'cart',
    }),
    shape: choice({
      task: 'parts',
      label: 'Shape',
      help: 'A text link shows its words alone, whatever parts are on.',
      options: { text: 'Text link', button: 'Button', card: 'Card', page: 'Whole page' },
      default: 'button',
    }),
    width: numeric({
      task: 'look',
      label: 'Width',
      help: 'Of a card, or of the picture on a whole page; it gets narrower where there is no room.',
      min: 160,
      max: 640,
      step: 10,
      unit: 'px',
      default: 320,
    }),
    size: choice({
      task: 'look',
      label: 'Button size',
      help: 'How much room there is around its words.',
      options: { small: 'Small', usual: 'Usual', large: 'Large' },
      default: 'usual',
    }),
    align: choice({
      task: 'look',
      label: 'Alignment',
      help: 'In the room it is given.',
      options: { start: 'At the start', center: 'In the middle', end: 'At the end' },
      default: 'start',
    }),
    colours: choice({
      task: 'look',
      label: 'Colours',
      help: 'Of a text link and a card: yours, or those of the page it stands on. A button keeps yours.',
      options: { own: 'Yours', host: 'The page’s' },
      default: 'own',
    }),
  },
  parts: {
    picture: { label: 'Picture', help: 'Of the variant, else of the product.', on: true },
    name: { label: 'Name', help: 'Of the product, with what was chosen.', on: true },
    price: {
      label: 'Price',
      help: 'What so many cost when the snippet is made; live where a script or a frame may run.',
      on: true,
    },
    shortText: { label: 'Short text', help: 'What the catalogue says in short.', on: false },
    variants: {
      label: 'Choice of variants',
      help: 'Shoppers choose among all there are, each with its price. From a text or a mail they do so on our page.',
      on: false,
    },
    button: { label: 'Button', help: 'What is pressed.', on: true },
    share: { label: 'Share', help: 'Sends the link to somebody: by what the device has, or by mail.', on: false },
  },
  layouts: {
    text: {
      label: 'Text link',
      help: 'Within a sentence.',
      parts: ['button'],
      settings: { shape: 'text' },
    },
    button: { label: 'Button', help: 'The button alone.', parts: ['button'], settings: { shape: 'button' } },
    pictured: {
      label: 'Button with picture',
      help: 'A small picture before the button.',
      parts: ['picture', 'button'],
      settings: { shape: 'button' },
    },
    card: {
      label: 'Card',
      help: 'Picture, name, price and button.',
      parts: ['picture', 'name', 'price', 'button'],
      settings: { shape: 'card' },
    },
    panel: {
      label: 'Full panel',
      help: 'Everything there is to say, wide.',
      parts: ['picture', 'name', 'shortText', 'price', 'button'],
      settings: { shape: 'card', width: 560 },
    },
    page: {
      label: 'Whole page',
      help: 'A page that sells this alone: the picture large, the words beside it.',
      parts: ['picture', 'name', 'shortText', 'price', 'button'],
      settings: { shape: 'page', width: 480 },
    },
  },
  words: {
    button: {
      label: 'Button',
      help: 'On the button, and as the text of the link.',
      default: say('Buy it', 'Kaufen', 'اشترِه'),
    },
    variants: {
      part: 'variants',
      label: 'Choice of variants',
      help: 'Read out by screen readers.',
      default: say('Which one', 'Welche Ausführung', 'أي نوع'),
    },
    share: {
      part: 'share',
      label: 'Share',
      help: 'Sends the link to somebody.',
      default: say('Tell a friend', 'Weitersagen', 'أخبر صديقًا'),
    },
  },
  looks: {
    card: {
      label: 'Card',
      help: 'What everything stands on.',
      properties: ['background', 'text', 'border', 'borderWidth', 'radius'],
      states: ['rest', 'hover'],
      inherits: {
        rest: { background: 'token:panel', text: 'token:ink', border: 'token:line', borderWidth: 1, radius: 10 },
      },
    },
    name: {
      part: 'name',
      label: 'Name',
      help: 'Of the product.',
      properties: ['text', 'size'],
      states: ['rest'],
      inherits: { rest: { text: 'token:ink', size: 18 } },
    },
    price: {
      part: 'price',
      label: 'Price',
      help: 'What it costs.',
      properties: ['text', 'size'],
      states: ['rest'],
      inherits: { rest: { text: 'token:ink', size: 17 } },
    },
    button: {
      part: 'button',
      label: 'Button',
      help: 'In each of its states.',
      properties: ['background', 'text', 'radius', 'size'],
      states: ['rest', 'hover', 'focus', 'pressed'],
      inherits: {
        rest: { background: 'token:accent', text: 'token:onAccent', size: 16, radius: 22 },
        hover: { background: 'token:accentStrong' },
      },
    },
  },
  opensOn: () => [],
  preview: { path: '/shop/embed' },
});

export type BuyLinkPiece = PieceOf<typeof buyLink>;
