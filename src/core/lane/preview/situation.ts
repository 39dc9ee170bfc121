import type { LookState } from '../settings/setting';

/** Which product of the owner's own catalogue a situation is about; the server finds one that fits. */
export type ProductPick =
  'plain' | 'long-name' | 'sold-out' | 'no-picture' | 'no-text' | 'many-variants' | 'on-sale' | 'options';
export const CART_PICKS = [
  'empty',
  'one',
  'full',
  'long-names',
  'sold-out-line',
  'options',
  'nine-lines',
  'code-taken',
  'code-refused',
  'under-threshold',
  'at-threshold',
  'over-threshold',
] as const;
export type CartPick = (typeof CART_PICKS)[number];

/** What a shopper asked of their device. */
export type PretendedMedia = 'usual' | 'calm' | 'forced-colours';

/** A sample state a piece is shown in. `width` in CSS px. */
export interface Situation {
  readonly key: string;
  readonly label: string;
  readonly width: number;
  readonly product?: ProductPick;
  readonly cart?: CartPick;
  readonly rightToLeft?: boolean;
  /** Shown as right after an add of the cart's last line. */
  readonly added?: boolean;
  /** ISO 639-1; absent: the shop's first, or Arabic from right to left. */
  readonly language?: string;
  /** Size of the shopper's text, of the usual one. */
  readonly textPercent?: number;
  /** As many suggestions as are found for it, of a piece that shows any. */
  readonly suggestions?: number;
  /** Shown under a pointer, in focus or pressed. */
  readonly state?: LookState;
  /** Shown to a shopper who wants no motion, or colours of their own. */
  readonly media?: PretendedMedia;
}
