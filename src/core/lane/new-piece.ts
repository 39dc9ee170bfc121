import { defaultWhere, type PieceDefinition } from './definition';
import type { Piece } from './lane.schema';

/** A piece with every default of its kind. */
export function newPiece(definition: PieceDefinition, on: boolean): Piece {
  return {
    kind: definition.kind,
    on,
    where: defaultWhere(definition),
    parts: Object.entries(definition.parts).map(([key, part]) => ({ key, on: part.on, hideOn: [] })),
    settings: Object.fromEntries(Object.entries(definition.settings).map(([key, spec]) => [key, spec.default])),
    words: {},
    look: { slots: {}, css: '' },
  };
}
