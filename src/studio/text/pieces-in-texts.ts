import { pieceName, type Lane } from '~/core/lane';
import { definitions } from '~/pieces/definitions';

/** Names of the pieces that can stand in texts, by id. */
export function piecesInTexts({ pieces }: Lane): Record<string, string> {
  return Object.fromEntries(
    Object.entries(pieces)
      .filter(([, { where }]) => where.spot === 'text')
      .map(([id, piece]) => [id, pieceName(piece, definitions)]),
  );
}
