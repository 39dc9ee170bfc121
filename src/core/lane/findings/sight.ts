import { namedIn } from '~/core/facts';
import { chooseThanks, type OrderToThank, type ThanksCandidate } from '~/core/orders/choose-thanks';
import { assertNever } from '~/core/problems';
import { isSeen, type Visit } from '~/core/where';
import type { Lane, Piece } from '../document/lane.schema';
import { pieceName } from '../document/many';
import type { PieceDefinition } from '../settings/definition';
import { holdsOne, pageOfSpot, SPOTS, type Spot } from '../settings/spots';
import { piecesOfSpot } from './never-seen';

/** A page as somebody looks at it. */
export interface LookedAt extends Visit {
  /** What is written on it, where pieces may be named. */
  readonly texts: readonly string[];
  /** The order that is thanked for; null on any other page. */
  readonly order: OrderToThank | null;
}

/** Whether a piece is seen there, and the rule that decides. */
export type Sight =
  | { readonly isSeen: true; readonly because: 'always' | 'rules' | 'named' | 'when-added' | 'chosen' }
  | {
      readonly isSeen: false;
      readonly because: 'off' | 'page' | 'device' | 'categories' | 'products' | 'unnamed' | 'elsewhere' | 'order';
    }
  | { readonly isSeen: false; readonly because: 'behind'; readonly other: string };

const unseen = (because: Exclude<(Sight & { isSeen: false })['because'], 'behind'>): Sight => ({
  isSeen: false,
  because,
});

/** Whether somebody who looks at a page sees a piece, by the same rules as the shop goes by. */
export function sightOf(lane: Lane, id: string, definitions: readonly PieceDefinition[], at: LookedAt): Sight {
  const piece = lane.pieces[id]!;
  const definition = definitions.find(({ kind }) => kind === piece.kind);
  if (!definition || !(piece.on || definition.isAlwaysOn)) return unseen('off');
  const { spot } = piece.where;
  if (spot === 'elsewhere') return unseen('elsewhere');
  if (spot === 'text' && !at.texts.some((text) => namedIn(text).pieces.includes(id))) return unseen('unnamed');
  if (spot === 'thanks.main') return thanksSight(lane, id, at);
  const where = rulesOf(piece, definition, at);
  const without = missing(where, at);
  if (without) return unseen(without);
  const first = spot === null || !holdsOne(spot) ? undefined : firstInPlace(lane, spot, definitions, at);
  if (first !== undefined && first !== id) return { isSeen: false, because: 'behind', other: first };
  if (definition.isAlwaysOn) return { isSeen: true, because: 'always' };
  if (spot === 'text') return { isSeen: true, because: 'named' };
  return { isSeen: true, because: definition.judges === 'added' ? 'when-added' : 'rules' };
}

const ALL = { mode: 'all' } as const;

/** Where a piece is shown, as it is judged before anything is added: in a place, on the page of the place. */
function rulesOf({ where }: Piece, { spots, judges }: PieceDefinition, { page }: LookedAt): Piece['where'] {
  const placed = spots && where.spot !== null ? pageOfSpot(where.spot) : null;
  const pages = where.spot === 'text' ? [page] : placed ? [placed] : where.pages;
  return judges === 'added' ? { ...where, pages, categories: ALL, products: ALL } : { ...where, pages };
}

/** The first rule that leaves a visit out; null where none does. */
function missing(where: Piece['where'], at: LookedAt): 'page' | 'device' | 'categories' | 'products' | null {
  const rules = { devices: where.devices, pages: where.pages, categories: ALL, products: ALL };
  const sees = (more: Partial<Piece['where']>) => isSeen({ ...where, ...rules, ...more }, at);
  if (!sees({ devices: [at.device] })) return 'page';
  if (!sees({})) return 'device';
  if (!sees({ categories: where.categories })) return 'categories';
  return sees({ products: where.products }) ? null : 'products';
}

function firstInPlace(
  lane: Lane,
  spot: string,
  definitions: readonly PieceDefinition[],
  at: LookedAt,
): string | undefined {
  return piecesOfSpot(lane, spot).find(([, piece]) => {
    const definition = definitions.find(({ kind }) => kind === piece.kind);
    return piece.on && definition && missing(rulesOf(piece, definition, at), at) === null;
  })?.[0];
}

/** Of thank-you pages one is chosen by the order. */
function thanksSight(lane: Lane, id: string, { page, order }: LookedAt): Sight {
  if (page !== 'thanks' || !order) return unseen('page');
  const all = piecesOfSpot(lane, 'thanks.main').flatMap(([other, piece]) =>
    piece.on ? [{ id: other, where: piece.where, settings: piece.settings as ThanksCandidate['settings'] }] : [],
  );
  const chosen = chooseThanks(all, order)?.id;
  if (chosen === id) return { isSeen: true, because: 'chosen' };
  const fits = chooseThanks(
    all.filter((one) => one.id === id),
    order,
  );
  return fits && chosen !== undefined ? { isSeen: false, because: 'behind', other: chosen } : unseen('order');
}

/** The same as a sentence, for whoever shapes the lane. */
export function wordSight(sight: Sight, lane: Lane, id: string, definitions: readonly PieceDefinition[]): string {
  const { spot } = lane.pieces[id]!.where;
  const place = spot !== null && Object.hasOwn(SPOTS, spot) ? SPOTS[spot as Spot].label : null;
  switch (sight.because) {
    case 'always':
      return 'The page always has it.';
    case 'rules':
      return place ? `It stands in its place: ${place.toLowerCase()}.` : 'Where lets it be seen here.';
    case 'named':
      return 'A text on this page names it.';
    case 'when-added':
      return 'It opens when something is added that its rules allow.';
    case 'chosen':
      return 'Of the thank-you pages that fit the order, it has the most conditions, or comes first.';
    case 'off':
      return 'It is off.';
    case 'page':
      return place ? `Its place is on other pages: ${place.toLowerCase()}.` : 'Where leaves out this kind of page.';
    case 'device':
      return 'Where leaves out this device.';
    case 'categories':
      return 'Where leaves out this listing, category, tag or page.';
    case 'products':
      return 'Where leaves out this product.';
    case 'unnamed':
      return 'It stands only where a text names it, and none on this page does.';
    case 'elsewhere':
      return 'It is sold with on other sites, in mails and in print.';
    case 'order':
      return 'The order does not meet its conditions.';
    case 'behind':
      return `“${pieceName(lane.pieces[sight.other]!, definitions)}” comes first in the same place.`;
    default:
      return assertNever(sight);
  }
}
