import type { PlaceInPiece } from '~/core/proof';
import type { Lane, Piece } from '../document/lane.schema';
import type { PieceDefinition } from '../settings/definition';
import type { LookState, Task } from '../settings/setting';

/** A change of one setting that may mend a problem. Whether it does is seen when it is drawn. */
export interface Mend {
  readonly pieceId: string;
  /** Where the bench shows the setting. */
  readonly task: Task;
  readonly part: string | null;
  /** The setting, as the owner knows it. */
  readonly setting: string;
  /** What would be done, for the button. */
  readonly label: string;
  readonly change: (lane: Lane) => void;
}

/** A piece that a problem is about. */
export interface Concerned {
  readonly pieceId: string;
  readonly piece: Piece;
  readonly definition: PieceDefinition;
  readonly at: PlaceInPiece;
}

export const STATE_WORDS: Readonly<Record<LookState, string>> = {
  rest: '',
  hover: ', under the pointer',
  focus: ', in focus',
  pressed: ', pressed',
};
