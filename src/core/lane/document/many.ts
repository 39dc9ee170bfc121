import { uniqueSlug } from '~/core/catalogue/unique-slug';
import type { PieceDefinition } from '../settings/definition';
import type { Lane, Piece } from './lane.schema';
import { newPiece } from './new-piece';

/** What a piece is called wherever pieces are told apart: the owner's name for it, else its kind's. */
export function pieceName(piece: Pick<Piece, 'kind' | 'name'>, definitions: readonly PieceDefinition[]): string {
  return piece.name || (definitions.find(({ kind }) => kind === piece.kind)?.name ?? piece.kind);
}

/** Whether the lane can take another piece of a kind. */
export function canAdd(lane: Lane, definition: PieceDefinition): boolean {
  return definition.isMany === true || !Object.values(lane.pieces).some(({ kind }) => kind === definition.kind);
}

/** The number of one that comes last. */
const lastOrder = ({ pieces }: Lane): number =>
  Math.max(-1, ...Object.values(pieces).map(({ where }) => where.order)) + 1;

/** Adds a piece of a kind, off until its owner has shaped it; answers its id. Changes `lane`. */
export function addPiece(lane: Lane, definition: PieceDefinition): string {
  const id = uniqueSlug(definition.kind, new Set(Object.keys(lane.pieces)));
  const piece = newPiece(definition, false);
  const alike = Object.values(lane.pieces).filter(({ kind }) => kind === definition.kind).length;
  if (alike > 0) piece.name = `${definition.name} ${alike + 1}`;
  piece.where.order = lastOrder(lane);
  lane.pieces[id] = piece;
  return id;
}

/** Adds a piece like another, off and under a name of its own; answers its id. Changes `lane`. */
export function copyPiece(lane: Lane, id: string, definitions: readonly PieceDefinition[]): string {
  const original = lane.pieces[id]!;
  // Lanes are JSON documents. Under change they are proxies, which the platform's own clone refuses.
  const copy = JSON.parse(JSON.stringify(original)) as Piece;
  const taken = new Set(Object.values(lane.pieces).map((piece) => pieceName(piece, definitions)));
  const base = `Copy of ${pieceName(original, definitions)}`.slice(0, 54);
  copy.name = base;
  for (let n = 2; taken.has(copy.name); n += 1) copy.name = `${base} ${n}`;
  copy.on = false;
  copy.where.order = lastOrder(lane);
  const made = uniqueSlug(original.kind, new Set(Object.keys(lane.pieces)));
  lane.pieces[made] = copy;
  return made;
}
