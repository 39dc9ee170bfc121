import { choice, definePiece, mainButtonLook, type PieceOf, toggle } from '~/core/lane';
import { say } from '~/core/words';

export const buyBar = definePiece({
  kind: 'buy-bar',
  elsewhere: {},
  name: 'Buy bar',
  stretch: 'add',
  summary: 'Keeps the main action of the page in reach: add, go to checkout, place the order.',
  pages: ['product', 'cart', 'checkout'],
  settings: {
    shows: choice({
      task: 'where',
      label: 'Shown',
      help: 'Only when needed: while the page’s own button is out of view.',
      options: { needed: 'When needed', always: 'Always' },
      default: 'needed',
    }),
    edgePhone: choice({
      task: 'where',
      label: 'On phones at the',
      help: 'The lower edge is nearer to the thumb.',
      options: { bottom: 'Lower edge', top: 'Upper edge' },
      default: 'bottom',
    }),
    edgeDesktop: choice({
      task: 'where',
      label: 'On larger screens at the',
      help: 'The upper edge is where eyes are.',
      options: { bottom: 'Lower edge', top: 'Upper edge' },
      default: 'bottom',
    }),
    onSoldOut: toggle({
      task: 'where',
      label: 'On sold-out products',
      help: 'Says so instead of offering to add.',
      default: false,
    }),
    choicesAs: choice({
      task: 'parts',
      part: 'choices',
      label: 'Choices as',
      help: 'Fields to choose in the bar itself, or what is chosen as words.',
      options: { fields: 'Fields', words: 'Words' },
      default: 'fields',
    }),
    width: choice({
      task: 'look',
      label: 'Reaches',
      help: 'From edge to edge, or as wide as the page’s content.',
      options: { full: 'Edge to edge', content: 'Content' },
      default: 'full',
    }),
  },
  parts: {
    picture: { label: 'Picture', help: 'Of what is chosen.', on: true },
    name: { label: 'Name', help: 'One line, however long it is.', on: true },
    rating: { label: 'Rating', help: 'Stars of buyers.', on: false },
    price: { label: 'Price', help: 'Of what is chosen, or the cart’s total.', on: true },
    choices: { label: 'Choices', help: 'In step with the page’s own, both ways.', on: true },
    quantity: { label: 'Quantity', help: 'In step with the page’s own, both ways.', on: false },
    button: { label: 'Button', help: 'What the page is for.', on: true },
  },
  words: {
    add: {
      part: 'button',
      label: 'On a product',
      help: 'Adds it to the cart.',
      default: say('Add to cart', 'In den Warenkorb', 'أضف إلى السلة'),
    },
    choose: {
      part: 'button',
      label: 'While something is open',
      help: 'Scrolls to the choices.',
      default: say('Choose options', 'Auswählen', 'اختر الخيارات'),
    },
    soldOut: {
      part: 'button',
      label: 'When sold out',
      help: 'What is chosen cannot be had now.',
      default: say('Sold out', 'Ausverkauft', 'نفدت الكمية'),
    },
    checkout: {
      part: 'button',
      label: 'On the cart',
      help: 'Leads to payment.',
      default: say('Go to checkout', 'Zur Kasse', 'إتمام الشراء'),
    },
    order: {
      part: 'button',
      label: 'At the checkout',
      help: 'Places the order.',
      default: say('Order and pay', 'Kostenpflichtig bestellen', 'اطلب وادفع'),
    },
    quantity: {
      part: 'quantity',
      label: 'Quantity',
      help: 'Read out by screen readers.',
      default: say('Quantity', 'Menge', 'الكمية'),
    },
    things: {
      part: 'name',
      label: 'On cart and checkout',
      help: '{count} stands for the number of things.',
      default: say(
        '{count, plural, one {# item} other {# items}}',
        '{count} Artikel',
        '{count, plural, one {قطعة واحدة} two {قطعتان} few {# قطع} other {# قطعة}}',
      ),
    },
    bar: {
      label: 'Name of the bar',
      help: 'Read out by screen readers.',
      default: say('Buy', 'Kaufen', 'الشراء'),
    },
  },
  looks: {
    bar: {
      label: 'Bar',
      help: 'The ground of the bar.',
      properties: ['background', 'text', 'border'],
      states: ['rest'],
      inherits: { rest: { background: 'token:panel', text: 'token:ink', border: 'token:line' } },
    },
    button: mainButtonLook({ part: 'button', label: 'Button', help: 'In each of its states.' }),
  },
  opensOn: () => [],
  preview: { path: '/shop/p/{product}' },
});

export type BuyBarPiece = PieceOf<typeof buyBar>;
