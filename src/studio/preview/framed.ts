import type { Lane, Piece, Situation, SituationMessage } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import type { Samples } from './samples';

/** A page of the shop as a frame asks for it. */
export function frameAddress(path: string, query: Readonly<Record<string, string>>): string {
  return `${path}${path.includes('?') ? '&' : '?'}${new URLSearchParams(query)}`;
}

/** The lane with a piece that is shown whatever it is: one that is off is being shaped all the same. */
export function shownLane(lane: Lane, pieceId: string): Lane {
  const piece = lane.pieces[pieceId]!;
  return { ...lane, pieces: { ...lane.pieces, [pieceId]: { ...piece, on: true, where: openWhere(piece) } } };
}

/** In the bench a piece is seen on every page and device, whatever Where says; Where has its own answers. */
function openWhere({ where, kind }: Piece): Piece['where'] {
  return {
    ...where,
    devices: ['phone', 'tablet', 'desktop'],
    pages: [...(definitionOf(kind)?.pages ?? where.pages)],
    categories: { mode: 'all' as const },
    products: { mode: 'all' as const },
  };
}

/** What puts a framed shop into a situation. */
export function situationMessage(pieceId: string, situation: Situation, samples: Samples): SituationMessage {
  return {
    pl: 'situation',
    pieceId,
    product: situation.product ? (samples.products[situation.product] ?? null) : null,
    cart: situation.cart ? (samples.carts[situation.cart] ?? null) : null,
    added: situation.added ?? false,
    media: situation.media ?? 'usual',
  };
}

/** A situation the owner's catalogue has no product or cart for is not offered. */
export function isPossible(situation: Situation, samples: Samples): boolean {
  if (situation.product) return situation.product in samples.products;
  return !situation.cart || situation.cart in samples.carts;
}

/** The language a situation is shown in. */
export function languageOf({ language, rightToLeft }: Situation, languages: readonly string[]): string {
  return language ?? (rightToLeft ? 'ar' : languages[0]!);
}
