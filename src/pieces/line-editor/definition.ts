import { choice, definePiece, numeric, type PieceOf, secondButtonLook } from '~/core/lane';
import { say } from '~/core/words';

export const lineEditor = definePiece({
  kind: 'line-editor',
  budgetKb: 10,
  role: 'line',
  beginsWith: true,
  elsewhere: {},
  name: 'Edit item',
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
    buttons: { label: 'Buttons', help: 'Save changes, or cancel.', on: true },
  },
  priceWords: ['price', 'samePrice'],
  words: {
    heading: {
      part: 'heading',
      label: 'Heading',
      help: '{name} stands for the product.',
      default: say('Edit {name}', '{name} bearbeiten', 'تعديل {name}'),
    },
    loading: {
      label: 'While loading',
      help: 'Seen on slow connections only.',
      default: say('Loading …', 'Wird geladen …', 'جارٍ التحميل …'),
    },
    gone: {
      label: 'If the product is gone',
      help: 'It can then only be taken out.',
      default: say('This is no longer sold.', 'Das gibt es nicht mehr.', 'لم يعد متوفرًا.'),
    },
    price: {
      part: 'price',
      label: 'New price',
      help: '{amount} and {before} stand for new and old.',
      default: say(
        'New price: {amount} (before: {before})',
        'Neuer Preis: {amount} (vorher: {before})',
        'السعر الجديد: {amount} (سابقًا: {before})',
      ),
    },
    samePrice: {
      part: 'price',
      label: 'Same price',
      help: '{amount} stands for it.',
      default: say('{amount}, as before', '{amount}, wie vorher', '{amount}، كما كان'),
    },
    save: {
      part: 'buttons',
      label: 'Save',
      help: 'The main button.',
      default: say('Save changes', 'Änderungen speichern', 'حفظ التغييرات'),
    },
    cancel: {
      part: 'buttons',
      label: 'Cancel',
      help: 'Closes without a change.',
      default: say('Cancel', 'Abbrechen', 'إلغاء'),
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
      default: say('{name} was changed.', '{name} wurde geändert.', 'تم تعديل {name}.'),
    },
    undo: { label: 'Undo', help: 'Puts it back as it was.', default: say('Undo', 'Rückgängig', 'تراجع') },
    close: { label: 'Close', help: 'Read out by screen readers.', default: say('Close', 'Schließen', 'إغلاق') },
  },
  looks: {
    panel: {
      label: 'Background',
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
    second: {
      ...secondButtonLook({ part: 'buttons', label: 'Cancel', help: 'Leaves everything as it was.' }),
      usual: { rest: { text: 'token:ink' } },
    },
  },
  opensOn: () => [],
  preview: { path: '/shop/cart' },
});

export type LineEditorPiece = PieceOf<typeof lineEditor>;
