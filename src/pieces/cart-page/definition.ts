import { choice, definePiece, numeric, type PieceOf, toggle } from '~/core/lane';
import { cartSurface } from '../cart-surface/definition';

const {
  heading,
  notice,
  lines,
  threshold,
  coupon,
  estimate,
  suggestions,
  note,
  totals,
  checkout,
  quickPay,
  keepShopping,
} = cartSurface.parts;
const { pictures, pictureSize, stepper, couponFolded, meterBar, suggestionCount, taxShown, why, dividers } =
  cartSurface.settings;
const { close: _close, cartPage: _link, ...words } = cartSurface.words;

export const cartPage = definePiece({
  kind: 'cart-page',
  name: 'Cart page',
  stretch: 'cart',
  summary: 'The cart as a page of its own, made of the same parts as the cart surface.',
  pages: ['cart'],
  isAlwaysOn: true,
  settings: {
    lay: choice({
      task: 'parts',
      part: 'lines',
      label: 'Lines as',
      help: 'A table where there is room for one; cards stay cards.',
      options: { table: 'Table', cards: 'Cards' },
      default: 'table',
    }),
    pictures,
    pictureSize: { ...pictureSize, default: 96 },
    stepper,
    couponFolded,
    meterBar,
    suggestionCount: { ...suggestionCount, default: 4 },
    taxShown,
    why,
    sums: choice({
      task: 'parts',
      part: 'totals',
      label: 'Totals and buttons',
      help: 'Beside the lines on wide screens, or below them.',
      options: { beside: 'Beside', below: 'Below' },
      default: 'beside',
    }),
    dividers,
    width: numeric({
      task: 'look',
      label: 'Content width',
      help: 'Never wider than the window.',
      min: 640,
      max: 1440,
      step: 20,
      unit: 'px',
      default: 1180,
    }),
    box: toggle({
      task: 'look',
      label: 'Box around the sums',
      help: 'Off: they stand on the page itself.',
      default: true,
    }),
    buttons: choice({
      task: 'look',
      label: 'Buttons',
      help: 'How the main buttons are cut.',
      options: { round: 'Round', soft: 'Slightly rounded', square: 'Square' },
      default: 'round',
    }),
    type: choice({
      task: 'look',
      label: 'Type',
      help: 'The size of everything on the page.',
      options: { small: 'Small', usual: 'Normal', large: 'Large' },
      default: 'usual',
    }),
  },
  parts: {
    heading,
    notice,
    lines,
    threshold,
    note,
    quickPay: { ...quickPay, help: `${quickPay.help} Stands beside the heading.`, on: true },
    totals,
    checkout,
    coupon,
    estimate: { ...estimate, on: true },
    suggestions: { ...suggestions, on: true },
    keepShopping: { ...keepShopping, help: 'Leads back to everything there is.', on: true },
  },
  needs: [
    { oneOf: { lines: [] }, without: 'nobody could see what is in the cart' },
    { oneOf: { checkout: ['checkout'], quickPay: ['quickPay'] }, without: 'nobody could get to the checkout' },
  ],
  words,
  looks: {
    heading: { ...cartSurface.looks.heading, inherits: { rest: { text: 'token:ink', size: 36 } } },
    box: {
      part: 'totals',
      label: 'Totals box',
      help: 'The ground of sums and buttons.',
      properties: ['background', 'text', 'border', 'borderWidth', 'radius', 'family', 'letterCase'],
      states: ['rest'],
      inherits: { rest: { background: 'token:panel', text: 'token:ink' } },
    },
    checkout: cartSurface.looks.checkout,
    quickPay: cartSurface.looks.quickPay,
    quiet: { ...cartSurface.looks.quiet, label: 'Keep shopping', help: 'The link below the buttons.' },
    remove: cartSurface.looks.remove,
  },
  opensOn: () => [],
  preview: { path: '/shop/cart' },
});

export type CartPagePiece = PieceOf<typeof cartPage>;
