import { type LookState } from '../settings/setting';

/** One thing that differs between two lanes, with the labels an owner knows it by. Words are the interface's. */
export type LaneChange = {
  readonly pieceId: string | null;
  readonly pieceName: string;
  /** The place in the document that differs; parts and offers by their key. See `dropChange`. */
  readonly at: readonly string[];
} & (
  | { readonly code: 'piece-on' | 'piece-off' | 'piece-added' | 'piece-removed' | 'css' }
  | {
      readonly code: 'setting' | 'word' | 'shop' | 'offer';
      readonly what: string;
      readonly from: string;
      readonly to: string;
    }
  | { readonly code: 'part-on' | 'part-off'; readonly what: string }
  | { readonly code: 'part-devices'; readonly what: string; readonly hiddenOn: readonly string[] }
  | { readonly code: 'part-moved'; readonly what: string; readonly after: string | null }
  | {
      readonly code: 'where';
      readonly what: 'devices' | 'pages' | 'categories' | 'products' | 'spot' | 'order';
      readonly from: string;
      readonly to: string;
    }
  | {
      readonly code: 'look';
      readonly what: string;
      readonly property: string;
      readonly state: LookState;
      readonly from: string;
      readonly to: string;
    }
);

export type Named = { readonly pieceId: string | null; readonly pieceName: string };
