import type { CartView } from '~/core/cart';
import type { Manifest } from './manifest';
import type { ControlUse, PageMeasure } from '~/core/proof';
import type { LookState } from '../settings/setting';
import type { PretendedMedia } from './situation';

/** Puts the framed shop into a situation. */
export interface SituationMessage {
  readonly pl: 'situation';
  readonly pieceId: string;
  readonly product: string | null;
  readonly cart: CartView | null;
  /** Plays the moment after an add of the cart's last line. */
  readonly added: boolean;
  readonly media: PretendedMedia;
}

/** From the bench to the framed shop. Both sides are of one origin; the receiver checks that. */
export type ToPreview =
  | { readonly pl: 'manifest'; readonly manifest: Manifest; readonly seq: number }
  | SituationMessage
  | { readonly pl: 'select'; readonly pieceId: string; readonly part: string | null }
  | { readonly pl: 'force'; readonly state: LookState }
  /** What the server draws is drawn anew, by the draft as it is stored now. */
  | { readonly pl: 'redraw' }
  /** Measures what is shown, once it stands still. */
  | {
      readonly pl: 'measure';
      readonly seq: number;
      readonly pieceId: string;
      /** Size of the shopper's text, of the usual one. */
      readonly textPercent: number;
      /** What the buttons of these slots are for. */
      readonly uses: Readonly<Record<string, ControlUse>>;
      readonly media: PretendedMedia;
    }
  /** Closes what is open, so that what opens it is seen. */
  | { readonly pl: 'close'; readonly pieceId: string };

/** How an element stands in the preview: what nobody set as well. Colours are #rrggbb, sizes CSS px. */
export interface MeasuredLook {
  readonly text: string;
  /** What lies behind its text, whatever draws it. */
  readonly ground: string;
  readonly background: string;
  readonly border: string;
  readonly borderWidth: number;
  readonly radius: number;
  readonly size: number;
}

/** From the framed shop to the bench. */
export type FromPreview =
  /** How the slots of a piece that are drawn now stand, in the state they are forced into. */
  | {
      readonly pl: 'measured';
      readonly pieceId: string;
      readonly state: LookState;
      readonly slots: Readonly<Record<string, MeasuredLook>>;
    }
  | {
      readonly pl: 'proved';
      readonly seq: number;
      /** False where something was still coming when no more could be waited for it. */
      readonly isStill: boolean;
      readonly page: PageMeasure;
      /** A copy of what was drawn, as HTML that stands by itself and runs nothing. */
      readonly picture: string;
    }
  | { readonly pl: 'ready' }
  | { readonly pl: 'painted'; readonly seq: number }
  | { readonly pl: 'selected'; readonly pieceId: string; readonly part: string | null }
  | { readonly pl: 'word'; readonly pieceId: string; readonly word: string; readonly text: string }
  /** A setting changed by hand in the preview, such as a place by dragging. */
  | { readonly pl: 'setting'; readonly pieceId: string; readonly setting: string; readonly value: string };

/** Whether something posted is one of ours; the origin is checked by the receiver before this. */
export function isPreviewMessage(message: unknown): message is ToPreview | FromPreview {
  return typeof message === 'object' && message !== null && typeof (message as { pl?: unknown }).pl === 'string';
}
