import {
  choice,
  goods,
  numeric,
  offer,
  picture,
  text,
  type ManifestPiece,
  type PartSpec,
  type SettingsOf,
} from '~/core/lane';
import type { thanksWords } from './words';

/** Settings of the page that thanks for an order. */
export const thanksSettings = {
  shopper: choice({
    task: 'where',
    label: 'Who it is for',
    help: 'Of several pages that fit an order, the one with the most conditions is shown.',
    options: { all: 'Everybody', new: 'First orders', returning: 'Those who ordered before' },
    default: 'all',
  }),
  fromTotal: numeric({
    task: 'where',
    label: 'From an order of',
    help: 'In whole units of your currency, delivery and tax included. 0: of any size.',
    min: 0,
    max: 5000,
    step: 10,
    unit: '',
    default: 0,
  }),
  countries: text({
    task: 'where',
    label: 'Only to',
    help: 'Countries by their two letters, such as DE, AT. Empty: everywhere.',
    most: 200,
    default: '',
  }),
  columns: choice({
    task: 'look',
    label: 'Columns',
    help: 'What stands below “Side begins here” goes beside the rest where there is room.',
    options: { one: 'One', side: 'A narrow side', halves: 'Two halves' },
    default: 'one',
  }),
  width: choice({
    task: 'look',
    label: 'Width',
    help: 'Of everything.',
    options: { narrow: 'As wide as reads well', full: 'All the room' },
    default: 'narrow',
  }),
  picture: picture({
    task: 'parts',
    part: 'message',
    label: 'Picture',
    help: 'Beside the message.',
    default: '',
  }),
  offerGoods: goods({
    task: 'parts',
    part: 'offer',
    label: 'What is offered',
    help: 'One press adds it and charges the same card. Not what is in the order already, nor with an add-on.',
  }),
  offerPercent: numeric({
    task: 'parts',
    part: 'offer',
    label: 'Cheaper by',
    help: 'Off its price. It never gets cheaper than your floor for margins allows.',
    min: 0,
    max: 80,
    step: 1,
    unit: '%',
    default: 15,
  }),
  offerMinutes: numeric({
    task: 'parts',
    part: 'offer',
    label: 'Stands for',
    help: 'From the order on, by the shop’s clock. It ends sooner when you pack the order.',
    min: 5,
    max: 720,
    step: 5,
    unit: 'min',
    default: 30,
  }),
  offerStands: choice({
    task: 'parts',
    part: 'offer',
    label: 'Where it stands',
    help: 'A popup lies over the page once, and stands in its place when it is closed. Without script it is there from the first.',
    options: { page: 'In the page', popup: 'In a popup' },
    default: 'page',
  }),
  offerPicture: choice({
    task: 'parts',
    part: 'offer',
    label: 'Its picture',
    help: 'Of the variant, else of the product.',
    options: { small: 'Small', large: 'Large' },
    default: 'small',
  }),
  offerMotion: choice({
    task: 'parts',
    part: 'offer',
    label: 'How the popup comes',
    help: 'Whoever asked their system for less motion sees none.',
    options: { none: 'At once', rise: 'It rises', sway: 'It sways in' },
    default: 'rise',
  }),
  couponOffer: offer({
    task: 'parts',
    part: 'coupon',
    label: 'Which offer',
    help: 'One whose codes each work once. Every order gets a code of its own, on this page and in its mail.',
  }),
  reorderOffer: offer({
    task: 'parts',
    part: 'reorder',
    label: 'What it takes off',
    help: 'An offer whose codes each work once. None: the code for next time, where there is one.',
  }),
};

/** Its blocks. */
export const thanksParts = {
  thanks: { label: 'Thanks', help: 'Heading, number and day, and what has become of it since.', on: true },
  message: { label: 'Message', help: 'Words and a picture of yours.', on: false },
  offer: { label: 'Offer', help: 'One thing that can be added to the order by one press.', on: false },
  downloads: { label: 'Downloads', help: 'Files that were bought.', on: true },
  summary: { label: 'What was ordered', help: 'Lines and sums.', on: true },
  side: {
    label: 'Side begins here',
    help: 'What follows stands at the side. With one column it changes nothing.',
    on: true,
  },
  delivery: { label: 'Delivery and contact', help: 'Where it goes, how, and the buyer’s note.', on: true },
  next: { label: 'What happens next', help: 'In a few words.', on: true },
  coupon: { label: 'Code for next time', help: 'A code of their own.', on: false },
  reorder: { label: 'Order again', help: 'One press fills the cart. The mail leads here, too.', on: true },
  birthday: { label: 'Birthday', help: 'Asked once, and an offer around that day then works.', on: false },
  share: { label: 'Tell others', help: 'A mail about what was bought.', on: false },
  voices: { label: 'Words of buyers', help: 'The best of what is said of what was bought.', on: false },
  back: { label: 'Back to the shop', help: 'A link to the front page.', on: true },
} satisfies Record<string, PartSpec>;

/** A page that thanks for an order. */
export type ThanksPiece = ManifestPiece<
  SettingsOf<typeof thanksSettings>,
  keyof typeof thanksWords & string,
  keyof typeof thanksParts & string
>;
