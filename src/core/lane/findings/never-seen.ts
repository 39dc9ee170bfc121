import { namedIn } from '~/core/facts';
import { isSeen, summariseWhere, visitsToldApart } from '~/core/where';
import type { PieceDefinition } from '../settings/definition';
import type { Lane, Piece } from '../document/lane.schema';
import { pieceName } from '../document/many';
import { holdsOne, pageOfSpot } from '../settings/spots';

/** Why no shopper ever sees a piece that is on. */
export type NeverSeen =
  /** Its rules leave no page. */
  | { readonly because: 'nowhere' }
  /** Wherever it could stand, one of these stands already. */
  | { readonly because: 'behind'; readonly others: readonly string[] }
  /** It stands only where a text names it, and none does. */
  | { readonly because: 'unnamed' };

/** Texts of categories that name a piece or a fact, by slug: they are the catalogue’s, not the lane’s. */
export type CategoryTexts = Readonly<Record<string, { readonly name: string; readonly text: string }>>;

type Placed = readonly [id: string, piece: Piece];

/** The pieces of a place in the order in which they stand. */
export function piecesOfSpot({ pieces }: Lane, spot: string): Placed[] {
  return Object.entries(pieces)
    .filter(([, { where }]) => where.spot === spot)
    .sort(([, a], [, b]) => a.where.order - b.where.order);
}

/** null: somebody can see it, or it is off, or always there. */
export function whyNeverSeen(
  lane: Lane,
  id: string,
  definitions: readonly PieceDefinition[],
  categoryTexts: CategoryTexts,
): NeverSeen | null {
  const piece = lane.pieces[id];
  const definition = definitions.find(({ kind }) => kind === piece?.kind);
  if (!piece?.on || !definition || definition.isAlwaysOn) return null;
  const { where } = piece;
  const { spot } = where;
  if (spot === 'elsewhere') return null;
  if (spot === 'text') {
    const texts = [
      ...Object.values(lane.pages).flatMap(({ on, text }) => (on ? Object.values(text) : [])),
      ...Object.values(categoryTexts).map(({ text }) => text),
    ];
    return texts.some((text) => namedIn(text).pieces.includes(id)) ? null : { because: 'unnamed' };
  }
  const page = definition.spots && spot !== null ? pageOfSpot(spot) : null;
  if (definition.spots && page === null) return null;
  const pages = page === null ? definition.pages : [page];
  const rules = page === null ? where : { ...where, pages };
  if (summariseWhere({ ...rules, pages: [...rules.pages] }, pages, definition.judges).seen.length === 0)
    return { because: 'nowhere' };
  if (spot === null || page === null || !holdsOne(spot)) return null;
  const inPlace = piecesOfSpot(lane, spot);
  const before = inPlace
    .slice(
      0,
      inPlace.findIndex(([other]) => other === id),
    )
    .filter(([, other]) => other.on);
  const sees = (other: Piece, visit: Parameters<typeof isSeen>[1]) => isSeen({ ...other.where, pages: [page] }, visit);
  const visits = visitsToldApart([where, ...before.map(([, other]) => other.where)], [page]).filter((visit) =>
    sees(piece, visit),
  );
  const winners = visits.map((visit) => before.find(([, other]) => sees(other, visit))?.[0]);
  if (winners.includes(undefined)) return null;
  return { because: 'behind', others: before.map(([other]) => other).filter((other) => winners.includes(other)) };
}

/** The same as a sentence that says what to do. */
export function wordNeverSeen(why: NeverSeen, lane: Lane, id: string, definitions: readonly PieceDefinition[]): string {
  const name = (other: string) => pieceName(lane.pieces[other]!, definitions);
  switch (why.because) {
    case 'nowhere':
      return `${name(id)} is on, but nobody would see it. Choose at least one device and one page under Where.`;
    case 'behind': {
      const others = new Intl.ListFormat('en').format(why.others.map((other) => `“${name(other)}”`));
      return `${name(id)} is on, but nobody would see it: ${others} ${why.others.length === 1 ? 'comes' : 'come'} first wherever it could stand. Move it up, choose other pages, or turn ${why.others.length === 1 ? 'that one' : 'those'} off.`;
    }
    case 'unnamed':
      return `${name(id)} is on, but no text names it, and it stands only there. Put it into a page under Shop or the text of a category, or choose another place.`;
  }
}

/** Moves a piece up or down among those of its place. Changes `lane`. */
export function moveInSpot(lane: Lane, id: string, by: -1 | 1): void {
  const { spot } = lane.pieces[id]!.where;
  if (spot === null) return;
  const inPlace = piecesOfSpot(lane, spot);
  const from = inPlace.findIndex(([other]) => other === id);
  const to = from + by;
  if (!inPlace[to]) return;
  const without = inPlace.filter(([other]) => other !== id);
  const [before, after] = [without[to - 1]?.[1].where.order, without[to]?.[1].where.order];
  // Between its new neighbours, so that nothing else changes; if these share a number, all are numbered again.
  if (before === undefined) lane.pieces[id]!.where.order = after! - 1;
  else if (after === undefined) lane.pieces[id]!.where.order = before + 1;
  else if (before < after) lane.pieces[id]!.where.order = (before + after) / 2;
  else
    [...without.slice(0, to), inPlace[from]!, ...without.slice(to)].forEach(([, piece], i) => {
      piece.where.order = i;
    });
}
