import type { Piece, PieceDefinition } from '~/core/lane';

/** What every panel of the bench works with. A `key` joins quick changes of one place into one step to undo. */
export interface PanelProps {
  readonly piece: Piece;
  readonly definition: PieceDefinition;
  readonly part: string | null;
  readonly edit: (recipe: (piece: Piece) => void, key?: string) => void;
}
