import { choice, definePiece, type PieceOf, toggle } from '~/core/lane';
import { say } from '~/core/words';
import { cartLooks, cartParts, cartSettings } from '../_cart/shared';
import { cartWords } from '../_cart/words';

const { pictures, stepper, couponFolded, taxShown, why } = cartSettings;
const { lines, coupon, note, totals, quickPay } = cartParts;
const { heading: _heading, notice: _notice, close: _close, cartPage: _link, keepShopping: _keep, ...rest } = cartWords;
const {
  better: _better,
  betterTake: _take,
  betterSame: _same,
  ends: _ends,
  missing: _missing,
  reached: _reached,
  checkout: _checkout,
  estimate: _ask,
  ...more
} = rest;
const {
  estimateGo: _go,
  estimateNone,
  suggestions: _near,
  suggestionAdd: _add,
  suggestionSee: _see,
  ...ownCartWords
} = more;

export const checkout = definePiece({
  kind: 'checkout',
  budgetKb: 10,
  role: 'checkout',
  name: 'Checkout',
  stretch: 'pay',
  summary: 'One page for a guest: who, where, how, and pay. Nothing typed is ever lost.',
  pages: ['checkout'],
  isAlwaysOn: true,
  settings: {
    summaryOnPhones: choice({
      task: 'parts',
      label: 'The order on phones',
      help: 'One line above the fields that unfolds, all of it above them, or all of it below.',
      options: { folded: 'Folded above', above: 'Above', below: 'Below' },
      default: 'folded',
    }),
    secondLine: toggle({
      task: 'parts',
      part: 'address',
      label: 'Second address line',
      help: 'For flats and companies; one field fewer without it.',
      default: true,
    }),
    pictures,
    stepper,
    couponFolded,
    taxShown,
    why,
    buttons: choice({
      task: 'look',
      label: 'Button',
      help: 'How the main button is cut.',
      options: { round: 'Round', soft: 'Slightly rounded', square: 'Square' },
      default: 'round',
    }),
    boxes: toggle({
      task: 'look',
      label: 'Boxes',
      help: 'Off: the steps stand on the page, separated by hairlines.',
      default: true,
    }),
  },
  parts: {
    quickPay: { ...quickPay, help: `${quickPay.help} Stands beside the title.`, on: true },
    contact: { label: 'Contact', help: 'E-mail, asked once, and name.', on: true },
    address: { label: 'Delivery address', help: 'Left out when nothing is sent.', on: true },
    delivery: { label: 'Delivery', help: 'Ways of delivery with their prices.', on: true },
    payment: { label: 'Payment', help: 'The card, taken by the stand-in.', on: true },
    lines: { ...lines, help: 'What is ordered; to be changed in place.' },
    note,
    totals,
    coupon,
    button: { label: 'Order button', help: 'The main button.', on: true },
  },
  needs: [
    { oneOf: { contact: ['email', 'name'] }, without: 'nobody could say who orders' },
    { oneOf: { address: ['line1', 'postcode', 'city', 'country'] }, without: 'nobody could say where it goes' },
    { oneOf: { delivery: [] }, without: 'nobody could choose how it is sent' },
    { oneOf: { payment: ['card'] }, without: 'nobody could pay' },
    { oneOf: { button: ['order'] }, without: 'nobody could order' },
  ],
  words: {
    ...ownCartWords,
    estimateNone: { ...estimateNone, part: 'delivery' },
    country: { ...ownCartWords.country, part: 'address' },
    postcode: { ...ownCartWords.postcode, part: 'address' },
    title: { label: 'Title', help: 'At the top of the page.', default: say('Checkout', 'Kasse', 'إتمام الشراء') },
    contact: {
      part: 'contact',
      label: 'Heading',
      help: 'Above e-mail and name.',
      default: say('Contact', 'Kontakt', 'التواصل'),
    },
    email: {
      part: 'contact',
      label: 'E-mail',
      help: 'Names the field.',
      default: say('E-mail', 'E-Mail', 'البريد الإلكتروني'),
    },
    emailMeant: {
      part: 'contact',
      label: 'A slip in the e-mail',
      help: 'Under the field. {email} is what was likely meant.',
      default: say('Did you mean {email}?', 'Meintest du {email}?', 'هل تقصد {email}؟'),
    },
    emailHelp: {
      part: 'contact',
      label: 'Why the e-mail',
      help: 'Under the field.',
      default: say(
        'To reach you about this order, nothing else.',
        'Nur für Fragen zu dieser Bestellung.',
        'للتواصل معك بشأن هذا الطلب فقط.',
      ),
    },
    name: { part: 'contact', label: 'Name', help: 'Names the field.', default: say('Name', 'Name', 'الاسم') },
    address: {
      part: 'address',
      label: 'Heading',
      help: 'Above the address.',
      default: say('Delivery address', 'Lieferadresse', 'عنوان التوصيل'),
    },
    line1: {
      part: 'address',
      label: 'Street',
      help: 'Names the field.',
      default: say('Street and number', 'Straße und Hausnummer', 'الشارع والرقم'),
    },
    line2: {
      part: 'address',
      label: 'Second line',
      help: 'Names the field.',
      default: say('Flat, company', 'Wohnung, Firma', 'شقة، شركة'),
    },
    optional: {
      part: 'address',
      label: 'Not needed',
      help: 'Beside what may stay open.',
      default: say('optional', 'optional', 'اختياري'),
    },
    city: { part: 'address', label: 'Town', help: 'Names the field.', default: say('Town', 'Ort', 'المدينة') },
    countryGo: {
      part: 'address',
      label: 'Ask for rates',
      help: 'Only for shoppers without script.',
      default: say('Show delivery for this country', 'Lieferung in dieses Land zeigen', 'عرض التوصيل لهذا البلد'),
    },
    deliveryHeading: {
      part: 'delivery',
      label: 'Heading',
      help: 'Above the ways of delivery.',
      default: say('Delivery', 'Lieferung', 'التوصيل'),
    },
    payment: {
      part: 'payment',
      label: 'Heading',
      help: 'Above the card.',
      default: say('Payment', 'Bezahlung', 'الدفع'),
    },
    card: {
      part: 'payment',
      label: 'Card',
      help: 'Names the field.',
      default: say('Card number', 'Kartennummer', 'رقم البطاقة'),
    },
    cardHelp: {
      part: 'payment',
      label: 'About the card',
      help: 'Under the field.',
      default: say(
        'A stand-in takes the payment: any 16 digits are accepted; ending in 0002 is declined, in 0003 never answers.',
        'Ein Platzhalter nimmt die Zahlung an: 16 beliebige Ziffern; 0002 am Ende wird abgelehnt, 0003 antwortet nie.',
        'الدفع هنا تجريبي: أي 16 رقمًا مقبولة؛ ما ينتهي بـ 0002 يُرفض وبـ 0003 لا يجيب.',
      ),
    },
    summary: {
      part: 'lines',
      label: 'Heading',
      help: 'Above what is ordered.',
      default: say('Your order', 'Deine Bestellung', 'طلبك'),
    },
    order: {
      part: 'button',
      label: 'Order button',
      help: 'Says that it costs.',
      default: say('Order and pay', 'Kostenpflichtig bestellen', 'اطلب وادفع'),
    },
    ordering: {
      part: 'button',
      label: 'While it is paid',
      help: 'On the button.',
      default: say('One moment …', 'Einen Moment …', 'لحظة …'),
    },
    unsure: {
      label: 'No answer to the order',
      help: 'When it is not known whether it arrived. Sent again it is the same order.',
      default: say(
        'We got no answer to your order. Please press the button once more; it is never made or charged twice.',
        'Wir haben keine Antwort auf deine Bestellung. Bitte noch einmal drücken; sie gilt und kostet nur einmal.',
        'لم يصلنا رد على طلبك. اضغط الزر مرة أخرى؛ لن يُنفَّذ الطلب ولن يُحتسب مرتين.',
      ),
    },
    almost: {
      label: 'Fields to look at',
      help: '{count} stands for the number.',
      default: say(
        'Please check {count, plural, one {# field} other {# fields}}:',
        'Bitte prüfe {count, plural, one {# Feld} other {# Felder}}:',
        'راجع من فضلك {count, plural, one {حقلًا واحدًا} two {حقلين} few {# حقول} other {# حقلًا}}:',
      ),
    },
  },
  looks: {
    title: {
      label: 'Title',
      help: 'At the top of the page.',
      properties: ['text', 'size'],
      states: ['rest'],
      inherits: { rest: { text: 'token:ink', size: 36 } },
    },
    box: {
      label: 'Boxes',
      help: 'The ground of each step.',
      properties: ['background', 'text', 'radius'],
      states: ['rest'],
      inherits: { rest: { background: 'token:panel', text: 'token:ink' } },
    },
    field: {
      label: 'Fields',
      help: 'In each of their states.',
      properties: ['background', 'text', 'border', 'radius'],
      states: ['rest', 'hover', 'focus'],
      inherits: {
        rest: { background: 'token:panel', text: 'token:ink', border: 'token:muted', radius: 8 },
        hover: { border: 'token:accent' },
        focus: { border: 'token:accent' },
      },
    },
    order: { ...cartLooks.checkout, part: 'button', label: 'Order button' },
    quickPay: cartLooks.quickPay,
    second: cartLooks.second,
    remove: cartLooks.remove,
  },
  opensOn: () => [],
  preview: { path: '/shop/checkout' },
});

export type CheckoutWord = keyof typeof checkout.words;
export type CheckoutPart = keyof typeof checkout.parts;
export type CheckoutPiece = PieceOf<typeof checkout>;
