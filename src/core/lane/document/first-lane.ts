import { usualDelivery } from '~/core/delivery/delivery.schema';
import type { PieceDefinition } from '../settings/definition';
import { LANE_VERSION, type Lane } from './lane.schema';
import { newPiece } from './new-piece';

/** What a new shop is called until its owner has said so. */
export const UNNAMED = 'My shop';

/** The lane of a shop that has just begun, in a time zone (IANA). */
export function firstLane(definitions: readonly PieceDefinition[], timeZone: string): Lane {
  return {
    version: LANE_VERSION,
    shop: {
      name: UNNAMED,
      currency: 'EUR',
      locale: 'en-DE',
      timeZone,
      languages: ['en'],
      tax: { basisPoints: 1900, included: true, rates: {} },
      email: '',
      logo: '',
      hero: '',
      delivery: usualDelivery(),
      cart: { kind: 'cart', own: {} },
      severalCodes: false,
      sites: [],
    },
    theme: {
      ink: '#22282D',
      muted: '#5B6167',
      paper: '#FAF9F6',
      panel: '#FFFFFF',
      line: '#D9D5CC',
      accent: '#2F5D45',
      accentStrong: '#1E4030',
      onAccent: '#FFFFFF',
      sale: '#A63A24',
      radiusPx: 8,
      font: 'figtree',
    },
    pieces: Object.fromEntries(
      // Kinds of which there can be many are added by the owner.
      definitions
        .filter(({ isMany }) => !isMany)
        .map((definition) => [
          definition.kind,
          newPiece(definition, definition.isAlwaysOn === true || definition.beginsWith === true),
        ]),
    ),
    margins: { shop: null, categories: {}, products: {} },
    offers: {},
    shopWords: {},
    legal: {},
    pages: {},
  };
}
