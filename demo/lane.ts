import { newPiece, type Lane, type Piece } from '~/core/lane';
import { definitionOf } from '~/pieces/registry';

function piece(kind: string, change: (made: Piece) => void = () => undefined): Piece {
  const made = newPiece(definitionOf(kind)!, true);
  change(made);
  return made;
}

/** The lane that ships live. */
export function liveDemoLane(): Lane {
  return {
    version: 1,
    shop: {
      name: 'Hollowtarn Kites',
      currency: 'EUR',
      locale: 'en-IE',
      timeZone: 'Europe/Berlin',
      languages: ['en', 'de', 'ar'],
      tax: { basisPoints: 2000, included: true },
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
    },
    pieces: {
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
    },
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
    offers: [
      {
        kind: 'freeShipping',
        id: 'free-delivery',
        name: 'Free delivery',
        on: true,
        thresholdMinor: 6000,
        methods: ['standard'],
      },
      {
        kind: 'couponPercent',
        id: 'first-wind',
        name: 'First wind',
        on: true,
        code: 'WIND10',
        fromMinor: 3000,
        lastDay: null,
        basisPoints: 1000,
      },
    ],
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
