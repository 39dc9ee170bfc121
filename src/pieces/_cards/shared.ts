import {
  choice,
  definePiece,
  numeric,
  secondButtonLook,
  selection,
  selectionOf,
  toggle,
  type LookSlot,
  type PartSpec,
  type PieceOf,
} from '~/core/lane';
import { say, type WordSpec } from '~/core/words';

/** Settings of products shown as cards, and of the list they stand in. */
export const cardSettings = {
  shows: selection({
    task: 'where',
    label: 'Which products',
    help: 'In place of a listing’s own products it shows what the page is about, whatever is chosen here.',
    default: selectionOf({ most: 8 }),
    canFollowPage: false,
  }),
  as: choice({
    task: 'parts',
    label: 'Shown as',
    help: 'A table where there is room for one; cards on phones.',
    options: { grid: 'Grid', list: 'List', table: 'Table' },
    default: 'grid',
  }),
  columns: numeric({
    task: 'look',
    label: 'Columns on wide screens',
    help: 'Of a grid; fewer where there is no room.',
    min: 2,
    max: 6,
    step: 1,
    unit: '',
    default: 4,
  }),
  columnsPhone: numeric({
    task: 'look',
    label: 'Columns on phones',
    help: 'Of a grid.',
    min: 1,
    max: 2,
    step: 1,
    unit: '',
    default: 2,
  }),
  gap: numeric({
    task: 'look',
    label: 'Space between',
    help: 'Between two products.',
    min: 0,
    max: 48,
    step: 2,
    unit: 'px',
    default: 20,
  }),
  pictureShape: choice({
    task: 'parts',
    part: 'picture',
    label: 'Shape',
    help: 'Of the place the picture has.',
    options: { square: 'Square', tall: 'Tall', wide: 'Wide' },
    default: 'square',
  }),
  pictureFit: choice({
    task: 'parts',
    part: 'picture',
    label: 'Fit',
    help: 'Fill its place and lose the edges, or be seen whole.',
    options: { crop: 'Fill', whole: 'Whole' },
    default: 'crop',
  }),
  pictureLinks: toggle({
    task: 'parts',
    part: 'picture',
    label: 'Leads to the product',
    help: 'Off: only the name does.',
    default: true,
  }),
  pictureEnlarges: toggle({
    task: 'parts',
    part: 'picture',
    label: 'Enlarges',
    help: 'Pressed, it is shown large over the page, in place of leading to the product.',
    default: false,
  }),
  saving: choice({
    task: 'parts',
    part: 'picture',
    label: 'What is saved',
    help: 'On the picture of what costs less than before.',
    options: { percent: 'In per cent', amount: 'In money', none: 'Not said' },
    default: 'percent',
  }),
  nameLinks: toggle({
    task: 'parts',
    part: 'name',
    label: 'Leads to the product',
    help: 'Off: only the picture does.',
    default: true,
  }),
  buys: choice({
    task: 'parts',
    part: 'buy',
    label: 'Its button',
    help: 'Buy now goes on to the checkout. What has choices leads to them first.',
    options: { add: 'Add to cart', now: 'Buy now' },
    default: 'add',
  }),
  more: choice({
    task: 'parts',
    label: 'More products',
    help: 'Without script there are page links instead.',
    options: { none: 'No more', pages: 'Page links', button: 'A button', endless: 'By scrolling' },
    default: 'none',
  }),
  pageSize: numeric({
    task: 'parts',
    label: 'Products at a time',
    help: 'Before there are more.',
    min: 2,
    max: 60,
    step: 1,
    unit: '',
    default: 24,
  }),
  filters: choice({
    task: 'parts',
    label: 'Filters',
    help: 'In place of a listing’s own products. All: rating, choices, attributes and tags as well, with how many have them.',
    options: { few: 'Price and stock', all: 'All' },
    default: 'few',
  }),
  title: choice({
    task: 'parts',
    label: 'Title of the page',
    help: 'Where it stands in place of a listing’s own products.',
    options: { page: 'The page’s own', own: 'The heading written here' },
    default: 'page',
  }),
  headText: toggle({
    task: 'parts',
    label: 'Text of the category',
    help: 'Above its products, where the list stands in their place.',
    default: true,
  }),
  headPicture: toggle({
    task: 'parts',
    label: 'Picture of the category',
    help: 'Beside its name, where the list stands in place of its products.',
    default: true,
  }),
  headChildren: choice({
    task: 'parts',
    label: 'Categories within it',
    help: 'As links under the text, where the list stands in place of its products.',
    options: { counted: 'With how many products', plain: 'Names alone', none: 'Not shown' },
    default: 'counted',
  }),
  filtersAt: choice({
    task: 'look',
    label: 'All filters stand',
    help: 'On phones they are folded above the products.',
    options: { row: 'Above', column: 'Beside' },
    default: 'column',
  }),
  pagesAt: choice({
    task: 'parts',
    label: 'Page links',
    help: 'Where they stand.',
    options: { below: 'Below', above: 'Above', both: 'Both' },
    default: 'below',
  }),
};

/** Parts of a card. */
export const cardParts = {
  picture: { label: 'Picture', help: 'The first picture of the product.', on: true },
  name: { label: 'Name', help: 'The product’s name.', on: true },
  rating: { label: 'Rating', help: 'Stars, and how many ratings.', on: true },
  price: { label: 'Price', help: 'And the price before, where it was lowered.', on: true },
  shortText: { label: 'Short text', help: 'What the catalogue says in short.', on: false },
  stock: { label: 'Stock left', help: 'Only while it is counted.', on: false },
  delivery: { label: 'Delivery of its own', help: 'What sending one adds, where it adds something.', on: false },
  attributes: { label: 'Attributes', help: 'The first three of the product.', on: false },
  quantity: { label: 'Quantity', help: 'For what can be added at once.', on: false },
  buy: { label: 'Button', help: 'Adds, or leads to what is to be chosen.', on: true },
} satisfies Record<string, PartSpec>;

/** Words of cards and their list. */
export const cardWords = {
  heading: { label: 'Heading', help: 'Above the products; empty: none.', default: say('', '', '') },
  intro: { label: 'Text', help: 'Below the heading; empty: none.', default: say('', '', '') },
  more: {
    label: 'More',
    help: 'On the button that shows more.',
    default: say('Show more', 'Mehr zeigen', 'عرض المزيد'),
  },
  loading: {
    label: 'While loading',
    help: 'While more products come.',
    default: say('Loading …', 'Wird geladen …', 'جارٍ التحميل …'),
  },
  end: {
    label: 'At the end',
    help: 'When there are no more products.',
    default: say('That is everything.', 'Das ist alles.', 'هذا كل شيء.'),
  },
  empty: {
    label: 'Nothing to show',
    help: 'Where no product fits.',
    default: say('Nothing here at the moment.', 'Hier ist gerade nichts.', 'لا شيء هنا حاليًا.'),
  },
  stock: {
    part: 'stock',
    label: 'Stock left',
    help: '{count} stands for the number.',
    default: say('{count} in stock', '{count} auf Lager', '{count} في المخزون'),
  },
  delivery: {
    part: 'delivery',
    label: 'Delivery of its own',
    help: '{amount} stands for the sum.',
    default: say('+ {amount} delivery each', '+ {amount} Versand je Stück', '+ {amount} شحن لكل قطعة'),
  },
  close: {
    part: 'picture',
    label: 'Close',
    help: 'Read out, on the button over the large picture.',
    default: say('Close', 'Schließen', 'إغلاق'),
  },
  now: {
    part: 'buy',
    label: 'Buy now',
    help: 'On the button.',
    default: say('Buy now', 'Jetzt kaufen', 'اشترِ الآن'),
  },
  quantity: {
    part: 'quantity',
    label: 'Quantity',
    help: 'Read out with the field.',
    default: say('Quantity', 'Menge', 'الكمية'),
  },
} satisfies Record<string, WordSpec>;

/** Their looks. */
export const cardLooks = {
  heading: {
    label: 'Heading',
    help: 'Above the products.',
    properties: ['text', 'size', 'family', 'letterCase'],
    states: ['rest'],
    inherits: { rest: {} },
  },
  card: {
    label: 'Card',
    help: 'What each product stands on.',
    properties: ['background', 'text', 'border', 'borderWidth', 'radius'],
    states: ['rest', 'hover'],
    inherits: { rest: {} },
    usual: { rest: { background: 'token:panel' } },
  },
  name: {
    part: 'name',
    label: 'Name',
    help: 'The product’s name.',
    properties: ['text', 'size', 'family', 'letterCase'],
    states: ['rest', 'hover'],
    inherits: { rest: {} },
    on: 'card',
  },
  price: {
    part: 'price',
    label: 'Price',
    help: 'The price now.',
    properties: ['text', 'size'],
    states: ['rest'],
    inherits: { rest: {} },
    on: 'card',
  },
  buy: secondButtonLook({ part: 'buy', on: 'card', label: 'Button', help: 'In each of its states.' }),
  more: secondButtonLook({ label: 'More', help: 'The button that brings more products.' }),
} satisfies Record<string, LookSlot>;

/** Cards as they are where no piece says how: what listings show of themselves, and what suggestions build on. */
export const plainCards = definePiece({
  kind: 'cards',
  name: 'Cards',
  stretch: 'browse',
  summary: 'Products as cards.',
  pages: ['listing'],
  settings: cardSettings,
  parts: cardParts,
  words: cardWords,
  looks: cardLooks,
  opensOn: () => [],
  preview: { path: '/shop/' },
});

export type CardsPart = keyof typeof cardParts;
/** A piece that shows products as cards. */
export type CardsPiece = PieceOf<typeof plainCards>;
