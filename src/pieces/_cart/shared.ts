import { choice, type LookSlot, mainButtonLook, numeric, type PartSpec, secondButtonLook, toggle } from '~/core/lane';

/** Settings that every kind which shows a cart may have. */
export const cartSettings = {
  pictures: toggle({
    task: 'parts',
    part: 'lines',
    label: 'Pictures',
    help: 'A small picture of what was chosen.',
    default: true,
  }),
  pictureSize: numeric({
    task: 'parts',
    part: 'lines',
    label: 'Picture size',
    help: 'Kept in narrow columns, too.',
    min: 48,
    max: 140,
    step: 4,
    unit: 'px',
    default: 72,
  }),
  stepper: toggle({
    task: 'parts',
    part: 'lines',
    label: 'Change quantity',
    help: 'Off: quantities can be seen and lines removed, not changed.',
    default: true,
  }),
  couponFolded: toggle({
    task: 'parts',
    part: 'coupon',
    label: 'Folded at first',
    help: 'An open field makes shoppers go and look for a code.',
    default: true,
  }),
  meterBar: toggle({
    task: 'parts',
    part: 'threshold',
    label: 'A bar with it',
    help: 'Shows how much of the way is done.',
    default: true,
  }),
  suggestionCount: numeric({
    task: 'parts',
    part: 'suggestions',
    label: 'How many',
    help: 'Never what is in the cart already, and nothing that is sold out.',
    min: 1,
    max: 4,
    step: 1,
    unit: '',
    default: 2,
  }),
  deliveryLater: toggle({
    task: 'parts',
    part: 'totals',
    label: 'Delivery that is not known yet',
    help: 'A line says that it is told at the checkout. Off: the line comes once the sum is known.',
    default: true,
  }),
  taxShown: choice({
    task: 'parts',
    part: 'totals',
    label: 'Tax',
    help: 'Named within the total, taken out into a line of its own, or left out.',
    options: { within: 'Within', line: 'Own line', hidden: 'Left out' },
    default: 'within',
  }),
  why: toggle({
    task: 'parts',
    part: 'totals',
    label: 'Explain every figure',
    help: 'A line to unfold that says how each sum is made up.',
    default: true,
  }),
  dividers: toggle({
    task: 'look',
    label: 'Line between items',
    help: 'A hairline between the items in the cart.',
    default: true,
  }),
};

/** Parts of a cart, wherever it is shown. */
export const cartParts = {
  heading: { label: 'Heading', help: 'With the number of items in the cart.', on: true },
  notice: { label: 'Notice', help: 'A line of your own above the lines.', on: false },
  lines: { label: 'Items', help: 'What is in the cart.', on: true },
  threshold: { label: 'Free delivery', help: 'What is still missing; only while such an offer is live.', on: true },
  coupon: { label: 'Code', help: 'A field for coupon codes. Refusals say why.', on: true },
  estimate: {
    label: 'Delivery estimate',
    help: 'What sending it would cost, by country, postcode and weight.',
    on: false,
  },
  suggestions: { label: 'Suggestions', help: 'Products related to what is in the cart.', on: false },
  note: { label: 'Note', help: 'A few words of the shopper to you, kept with the order.', on: false },
  totals: { label: 'Totals', help: 'Subtotal, discount, delivery, tax and total.', on: true },
  checkout: { label: 'Checkout button', help: 'The main button.', on: true },
  quickPay: { label: 'Quick pay', help: 'Pays with a wallet, without typing an address.', on: false },
  keepShopping: { label: 'Keep shopping', help: 'Closes the cart.', on: false },
} satisfies Record<string, PartSpec>;

/** Looks of those parts. */
export const cartLooks = {
  close: {
    label: 'Close button',
    use: 'close',
    help: 'In the corner.',
    properties: ['background', 'text', 'border', 'borderWidth', 'radius'],
    states: ['rest', 'hover', 'focus', 'pressed'],
    inherits: { rest: {} },
    usual: {
      rest: { background: 'token:panel', text: 'token:ink', border: 'token:line', borderWidth: 1, radius: 22 },
      hover: { background: 'token:paper' },
    },
  },
  quiet: {
    label: 'Other ways on',
    help: 'The link to the cart page, and keep shopping.',
    properties: ['background', 'text', 'border', 'borderWidth', 'radius', 'size', 'letterCase'],
    states: ['rest', 'hover', 'focus', 'pressed'],
    inherits: { rest: { text: 'token:accent' } },
  },
  heading: {
    part: 'heading',
    label: 'Heading',
    help: 'The words at the top.',
    properties: ['text', 'size', 'family', 'letterCase'],
    states: ['rest'],
    inherits: { rest: { text: 'token:ink', size: 20 } },
  },
  checkout: mainButtonLook({
    part: 'checkout',
    label: 'Checkout button',
    help: 'The main button, in each of its states.',
  }),
  quickPay: {
    part: 'quickPay',
    label: 'Quick pay',
    help: 'The second button.',
    properties: ['background', 'text', 'border', 'borderWidth', 'radius', 'letterCase'],
    states: ['rest', 'hover', 'focus', 'pressed'],
    inherits: {
      rest: { background: 'token:panel', text: 'token:ink', border: 'token:ink' },
      hover: { background: 'token:paper' },
      pressed: { background: 'token:line' },
    },
  },
  second: secondButtonLook({ label: 'Small buttons', help: 'For codes, notes and the estimate of delivery.' }),
  remove: {
    part: 'lines',
    label: 'Links on a line',
    help: 'Change and remove.',
    properties: ['text'],
    states: ['rest', 'hover', 'focus', 'pressed'],
    inherits: { rest: { text: 'token:muted' }, hover: { text: 'token:ink' } },
  },
} satisfies Record<string, LookSlot>;
