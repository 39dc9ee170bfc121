import { LANE_VERSION, NO_GOODS, applyLayout, newPiece, selectionOf, type Lane, type Piece } from '~/core/lane';
import { usualDelivery } from '~/core/delivery';
import { offerSchema, type Offer } from '~/core/pricing';
import { definitionOf } from '~/pieces/definitions';
import { demoLinks } from './links';
import { DEMO_PAGES, LOFT_NOTE } from './pages';

function piece(kind: string, change: (made: Piece) => void = () => undefined): Piece {
  const made = newPiece(definitionOf(kind)!, true);
  change(made);
  return made;
}

/** An offer with what is usual where nothing is said. */
const demoOffer = (offer: object): Offer => offerSchema.parse(offer);

/** So many days from today on, at midnight: what is planned stays planned, whenever the demo is begun. */
function winter(days: number): string {
  return `${new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)}T00:00:00Z`;
}

function livePieces(): Lane['pieces'] {
  return {
    'quick-view': piece('quick-view'),
    options: piece('product-options'),
    'buy-bar': piece('buy-bar', (bar) => void (bar.where.devices = ['phone'])),
    // It opens at the same moment as the cart: a collision for the owner to find.
    'added-popup': piece('added-popup'),
    'cart-opener': piece('cart-opener'),
    'slide-out-cart': piece('cart-surface'),
    'line-editor': piece('line-editor'),
    'cart-page': piece('cart-page'),
    checkout: piece('checkout'),
    thanks: piece('thanks-page', (page) => {
      page.where.spot = 'thanks.main';
      applyLayout(page, definitionOf('thanks-page')!.layouts!['doorstep']!);
      Object.assign(page.settings, { offerGoods: { ...NO_GOODS, sku: 'STR138-3M-POP' }, offerPercent: 20 });
    }),
    'loft-note': piece('text', (note) => {
      note.name = 'Note from the loft';
      note.where.spot = 'home.below';
      note.settings['framed'] = 'panel';
      note.settings['width'] = 'full';
      note.words = Object.fromEntries(Object.entries(LOFT_NOTE).map(([language, body]) => [language, { body }]));
    }),
    'spares-table': piece('order-form', (table) => {
      table.name = 'Spares';
      table.where.spot = 'text';
      table.settings['shows'] = selectionOf({ from: 'category', category: 'spares', most: 24, order: 'name' });
      table.settings['search'] = false;
    }),
    ...demoLinks(),
  };
}

function liveOffers(): Lane['offers'] {
  return {
    'free-delivery': demoOffer({
      kind: 'deliveryOff',
      name: 'Free delivery',
      when: { minGoodsMinor: 6000 },
      methods: ['standard'],
      basisPoints: 10_000,
    }),
    'winter-power': demoOffer({
      kind: 'percentOff',
      name: 'Winter power',
      when: { from: winter(7), until: winter(28) },
      target: 'lines',
      basisPoints: 1500,
      selection: { only: { categories: ['power'] } },
    }),
    'first-wind': demoOffer({
      kind: 'percentOff',
      name: 'First wind',
      when: { code: 'WIND10', minGoodsMinor: 3000 },
      combine: { group: 'discounts', per: 'item' },
      target: 'lines',
      basisPoints: 1000,
    }),
  };
}

/** The lane that ships live. */
export function liveDemoLane(): Lane {
  return {
    version: LANE_VERSION,
    shop: {
      name: 'Hollowtarn Kites',
      currency: 'EUR',
      locale: 'en-IE',
      timeZone: 'Europe/Berlin',
      languages: ['en', 'de', 'ar'],
      tax: { basisPoints: 2000, included: true, rates: {} },
      email: 'loft@hollowtarn.example',
      logo: '/media/icons/kite.svg',
      hero: '/media/icons/hero.svg',
      delivery: usualDelivery(),
      cart: { kind: 'cart', own: {} },
      severalCodes: false,
      // The stand-in sites that `npm run demo` serves beside the shop.
      sites: ['http://127.0.0.1:4322'],
    },
    theme: {
      ink: '#14323B',
      muted: '#4C6670',
      paper: '#F3F9FA',
      panel: '#FFFFFF',
      line: '#C9DDE2',
      accent: '#1C4E5F',
      accentStrong: '#123743',
      onAccent: '#FFFFFF',
      sale: '#B23A24',
      radiusPx: 14,
      font: 'figtree',
    },
    pieces: livePieces(),
    shopWords: {
      en: {
        searchHint: 'Kites, lines, spares …',
        about: 'The loft above the lake. Everything here is made up, the wind included.',
        heroTitle: 'There is wind enough for everybody.',
        heroText: 'Kites cut and sewn in a loft above the lake, and every spare part for them.',
        heroLink: 'See all kites and gear',
        homeFirst: 'First in the air',
        homeNew: 'New in the loft',
      },
      de: {
        searchHint: 'Drachen, Schnüre, Ersatzteile …',
        about: 'Die Werkstatt über dem See. Hier ist alles erfunden, auch der Wind.',
        heroTitle: 'Wind genug für alle.',
        heroText: 'Drachen, in einer Werkstatt über dem See genäht, und jedes Ersatzteil dafür.',
        heroLink: 'Alle Drachen und Zubehör',
      },
      ar: {
        searchHint: 'طائرات ورقية وخيوط وقطع غيار …',
        about: 'ورشة فوق البحيرة. كل شيء هنا خيالي، حتى الريح.',
        heroTitle: 'في الهواء متسع للجميع.',
        heroText: 'طائرات ورقية تُخاط في ورشة فوق البحيرة، مع كل قطع غيارها.',
        heroLink: 'عرض كل الطائرات والعُدّة',
      },
    },
    legal: {},
    pages: structuredClone(DEMO_PAGES),
    margins: { shop: 1500, categories: {}, products: {} },
    offers: liveOffers(),
  };
}

/** Seven changes the owner is in the middle of. */
export function draftDemoLane(): Lane {
  const lane = liveDemoLane();
  const quickView = lane.pieces['quick-view']!;
  quickView.words = { en: { open: 'A closer look', delivery: 'Sent from the lake within two working days.' } };
  quickView.settings['layout'] = 'right';
  quickView.settings['afterAdd'] = 'close';
  for (const part of quickView.parts) {
    if (part.key === 'quotes') part.on = true;
    if (part.key === 'attributes') part.hideOn = ['phone'];
  }
  lane.pieces['slide-out-cart']!.words = { en: { heading: 'Your basket' } };
  return lane;
}
