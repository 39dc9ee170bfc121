import { choice, columns, definePiece, say, selection, selectionOf, toggle, type PieceOf } from '~/core/lane';

const column = (label: string, help: string, on: boolean) => ({ label, help, on });
const heading = (part: string, label: string, texts: ReturnType<typeof say>) => ({
  part,
  label,
  help: 'Over the column.',
  default: texts,
});

const PARTS = {
  picture: column('Picture', 'A small one of each.', true),
  name: column('Name', 'The product’s name. A press takes a closer look, where there is quick view.', true),
  choices: column('Choices', 'What tells the variant from others.', true),
  sku: column('SKU', 'Its number.', false),
  shortText: column('Short text', 'What the catalogue says in short.', false),
  stock: column('Stock', 'How many are left, where it is counted.', true),
  price: column('Price', 'The price of one.', true),
  quantity: column('Quantity', 'How many to add.', true),
  sum: column('Sum', 'Price times quantity.', true),
};

export const orderForm = definePiece({
  kind: 'order-form',
  name: 'Order form',
  stretch: 'add',
  summary: 'A whole selection as one table: tick, set quantities, and add everything at once.',
  pages: ['home', 'listing', 'product', 'cart', 'other'],
  isMany: true,
  spots: [
    'home.above',
    'home.below',
    'listing.above',
    'listing.main',
    'listing.below',
    'product.below',
    'cart.below',
    'text',
  ],
  settings: {
    shows: selection({
      task: 'where',
      label: 'Which products',
      help: 'Their variants are the rows.',
      default: selectionOf({ most: 50, order: 'name' }),
      canFollowPage: true,
    }),
    rows: choice({
      task: 'parts',
      label: 'A row for each',
      help: 'Of a product, the variant that is cheapest; the others are chosen on its page.',
      options: { variant: 'Variant', product: 'Product' },
      default: 'variant',
    }),
    chooses: choice({
      task: 'parts',
      label: 'Options are chosen',
      help: 'Of what must have some answered before it can be added.',
      options: { row: 'In the row', look: 'In quick view' },
      default: 'row',
    }),
    adds: choice({
      task: 'parts',
      label: 'Added by',
      help: 'Ticks add many at once; a button adds its row.',
      options: { ticks: 'Ticks', rows: 'Buttons', both: 'Both' },
      default: 'ticks',
    }),
    whole: choice({
      task: 'parts',
      label: 'When one cannot be had',
      help: 'What is refused is always said at its row.',
      options: { others: 'Add the others', nothing: 'Add nothing' },
      default: 'others',
    }),
    search: toggle({
      task: 'parts',
      label: 'Search',
      help: 'A field above the table that finds rows while shoppers type.',
      default: true,
    }),
    sorts: toggle({
      task: 'parts',
      label: 'Sort by headings',
      help: 'A press on a heading sorts by it, another turns it round.',
      default: true,
    }),
    totals: toggle({
      task: 'parts',
      label: 'Total of what is ticked',
      help: 'Beside the button, while there is something.',
      default: true,
    }),
    columns: columns({
      task: 'parts',
      label: 'Width and alignment of columns',
      help: 'On tablets and desktops; phones show each row as a card.',
      of: Object.fromEntries(Object.entries(PARTS).map(([key, { label }]) => [key, label])),
      default: {},
    }),
    lines: choice({
      task: 'look',
      label: 'Lines',
      help: 'Between the rows.',
      options: { rows: 'Between rows', all: 'All around', none: 'None' },
      default: 'rows',
    }),
    dense: toggle({
      task: 'look',
      label: 'Narrow rows',
      help: 'More rows in sight; never too small for a thumb on phones.',
      default: false,
    }),
  },
  parts: PARTS,
  priceWords: ['price', 'sum'],
  words: {
    heading: { label: 'Heading', help: 'Above the table; empty: none.', default: say('', '', '') },
    picture: heading('picture', 'Heading of pictures', say('Picture', 'Bild', 'صورة')),
    name: heading('name', 'Heading of names', say('Item', 'Artikel', 'المنتج')),
    choices: heading('choices', 'Heading of choices', say('Kind', 'Ausführung', 'النوع')),
    sku: heading('sku', 'Heading of SKUs', say('Number', 'Nummer', 'الرقم')),
    shortText: heading('shortText', 'Heading of texts', say('About it', 'Beschreibung', 'الوصف')),
    stock: heading('stock', 'Heading of stock', say('In stock', 'Lieferbar', 'متوفر')),
    price: heading('price', 'Heading of prices', say('Price', 'Preis', 'السعر')),
    quantity: heading('quantity', 'Heading of quantities', say('Quantity', 'Menge', 'الكمية')),
    sum: heading('sum', 'Heading of sums', say('Sum', 'Summe', 'المجموع')),
    tick: {
      label: 'Tick',
      help: 'Read out; {name} is the item.',
      default: say('Choose {name}', '{name} auswählen', 'اختيار {name}'),
    },
    search: {
      label: 'Search',
      help: 'Over the field.',
      default: say('Find in this list', 'In dieser Liste suchen', 'البحث في القائمة'),
    },
    none: {
      label: 'Nothing found',
      help: 'When no row fits what is typed.',
      default: say('Nothing in this list fits.', 'Nichts in dieser Liste passt.', 'لا شيء مطابق.'),
    },
    add: {
      label: 'Add button',
      help: 'For what is ticked.',
      default: say('Add all chosen', 'Gewähltes in den Warenkorb', 'إضافة المختار'),
    },
    addOne: { label: 'Button of a row', help: 'Adds the row.', default: say('Add', 'Hinzufügen', 'إضافة') },
    choose: {
      label: 'To be chosen first',
      help: 'Instead of a tick, for what has options.',
      default: say('Choose options', 'Optionen wählen', 'اختيار الخيارات'),
    },
    soldOut: { label: 'Sold out', help: 'Instead of a tick.', default: say('Sold out', 'Ausverkauft', 'نفد') },
    chosen: {
      label: 'What is chosen',
      help: '{count} and {amount} stand for number and sum.',
      default: say(
        '{count, plural, one {# item} other {# items}}, {amount}',
        '{count} Artikel, {amount}',
        '{count, plural, one {قطعة واحدة} two {قطعتان} few {# قطع} other {# قطعة}}، {amount}',
      ),
    },
    nothing: {
      label: 'Nothing ticked',
      help: 'When the button is pressed too soon.',
      default: say('Tick something first.', 'Wähle zuerst etwas aus.', 'اختر شيئًا أولاً.'),
    },
    added: {
      label: 'Added',
      help: '{count} is how many rows.',
      default: say(
        '{count, plural, one {# row is} other {# rows are}} in your cart now.',
        '{count, plural, one {# Zeile ist} other {# Zeilen sind}} jetzt im Warenkorb.',
        'أُضيف إلى سلتك: {count}',
      ),
    },
    refused: {
      label: 'Not added',
      help: '{count} is how many rows.',
      default: say(
        '{count, plural, one {# row} other {# rows}} could not be added; the reason is there.',
        '{count, plural, one {# Zeile} other {# Zeilen}} nicht hinzugefügt; der Grund steht dort.',
        'تعذّرت إضافة {count}؛ السبب مذكور هناك.',
      ),
    },
    empty: {
      label: 'Nothing to show',
      help: 'Where no product fits.',
      default: say('Nothing here at the moment.', 'Hier ist gerade nichts.', 'لا شيء هنا حاليًا.'),
    },
  },
  looks: {
    heading: {
      label: 'Heading',
      help: 'Above the table.',
      properties: ['text', 'size', 'family', 'letterCase'],
      states: ['rest'],
      inherits: { rest: {} },
    },
    head: {
      label: 'Headings of columns',
      help: 'The first row.',
      properties: ['background', 'text', 'size', 'letterCase'],
      states: ['rest'],
      inherits: { rest: {} },
    },
    row: {
      label: 'Rows',
      help: 'Each of them.',
      properties: ['background', 'text', 'size'],
      states: ['rest', 'hover'],
      inherits: { rest: {} },
    },
    add: {
      label: 'Add button',
      help: 'In each of its states.',
      properties: ['background', 'text', 'border', 'borderWidth', 'radius', 'letterCase'],
      states: ['rest', 'hover', 'focus', 'pressed'],
      inherits: { rest: {} },
    },
  },
  opensOn: () => [],
  preview: { path: '/shop/' },
});

export type OrderFormPart = keyof typeof orderForm.parts;
export type OrderFormPiece = PieceOf<typeof orderForm>;
