import { choice, definePiece, numeric, type PieceOf, say } from '~/core/lane';

export const lineEditor = definePiece({
  kind: 'line-editor',
  name: 'Change in the cart',
  stretch: 'cart',
  summary: 'Changes choices and options of something that is in the cart, without starting over.',
  pages: ['home', 'listing', 'product', 'cart', 'checkout', 'other'],
  settings: {
    form: choice({
      task: 'where',
      label: 'Opens',
      help: 'In the line itself, or in a dialog over the page.',
      options: { inline: 'In the line', dialog: 'In a dialog' },
      default: 'inline',
    }),
    width: numeric({
      task: 'look',
      label: 'Width of the dialog',
      help: 'Phones always use the whole width.',
      min: 340,
      max: 720,
      step: 10,
      unit: 'px',
      default: 480,
    }),
  },
  parts: {
    heading: { label: 'Heading', help: 'What is being changed.', on: true },
    choices: { label: 'Colours and sizes', help: 'Other variants of the same product.', on: true },
    options: { label: 'Options', help: 'With all their conditions; files are kept unless replaced.', on: true },
    price: { label: 'New price', help: 'Of one, counted anew with every answer.', on: true },
    buttons: { label: 'Buttons', help: 'Keep the change, or leave it as it was.', on: true },
  },
  words: {
    heading: {
      part: 'heading',
      label: 'Heading',
      help: '{name} stands for the product.',
      default: say('Change {name}', '{name} ändern', 'تعديل {name}'),
    },
    loading: {
      label: 'While loading',
      help: 'Seen on slow connections only.',
      default: say('Fetching the choices …', 'Auswahl wird geholt …', 'جارٍ جلب الخيارات …'),
    },
    gone: {
      label: 'If the product is gone',
      help: 'It can then only be taken out.',
      default: say('This is no longer made.', 'Das gibt es nicht mehr.', 'لم يعد متوفرًا.'),
    },
    price: {
      part: 'price',
      label: 'New price',
      help: '{amount} and {before} stand for new and old.',
      default: say(
        '{amount} each, {before} before',
        '{amount} je Stück, vorher {before}',
        '{amount} للقطعة، سابقًا {before}',
      ),
    },
    samePrice: {
      part: 'price',
      label: 'Same price',
      help: '{amount} stands for it.',
      default: say('{amount} each, as before', '{amount} je Stück, wie vorher', '{amount} للقطعة، كما كان'),
    },
    save: {
      part: 'buttons',
      label: 'Keep',
      help: 'The main button.',
      default: say('Keep the change', 'Übernehmen', 'حفظ التعديل'),
    },
    cancel: {
      part: 'buttons',
      label: 'Leave',
      help: 'Closes without a change.',
      default: say('Leave as it was', 'Lassen, wie es war', 'إبقاء كما كان'),
    },
    soldOut: {
      part: 'buttons',
      label: 'When sold out',
      help: 'Instead of the main button’s words.',
      default: say('Sold out', 'Ausverkauft', 'نفدت الكمية'),
    },
    done: {
      label: 'After the change',
      help: '{name} stands for the product.',
      default: say('{name} is changed.', '{name} ist geändert.', 'تم تعديل {name}.'),
    },
    undo: { label: 'Undo', help: 'Puts it back as it was.', default: say('Put it back', 'Zurücknehmen', 'تراجع') },
    close: { label: 'Close', help: 'Read out by screen readers.', default: say('Close', 'Schließen', 'إغلاق') },
  },
  looks: {
    panel: {
      label: 'Ground',
      help: 'Of the line while it is changed, or of the dialog.',
      properties: ['background', 'text', 'radius'],
      states: ['rest'],
      inherits: { rest: { background: 'token:paper', text: 'token:ink', radius: 12 } },
    },
    save: {
      part: 'buttons',
      label: 'Main button',
      help: 'In each of its states.',
      properties: ['background', 'text', 'radius'],
      states: ['rest', 'hover', 'focus', 'pressed'],
      inherits: {
        rest: { background: 'token:accent', text: 'token:onAccent', radius: 30 },
        hover: { background: 'token:accentStrong' },
        pressed: { background: 'token:ink' },
      },
    },
  },
  opensOn: () => [],
  preview: { path: '/shop/cart' },
});

export type LineEditorPiece = PieceOf<typeof lineEditor>;
