import type { CartClient } from './cart-client';
import type { Recorder } from './events';
import type { Surfaces } from './surfaces';
import type { Currency } from '~/core/money';
import type { ManifestPiece } from '~/core/lane';
import type { Device } from '~/core/where';

/** What the runtime gives a piece to work with. */
export interface PieceHost {
  readonly origin: string;
  readonly device: Device;
  readonly currency: Currency;
  readonly locale: string;
  readonly language: string;
  readonly themeCss: string;
  readonly cart: CartClient;
  readonly surfaces: Surfaces;
  readonly recorder: Recorder;
  /** In the bench: pieces stay open, and nothing is bought. */
  readonly isPreview: boolean;
  /** Opens the piece of a kind, if one is mounted on this page. */
  openKind(kind: string, opener: Element | null): boolean;
}

/** A mounted piece. */
export interface MountedPiece {
  /** Takes new settings without losing what is open. */
  update(piece: ManifestPiece, host: PieceHost): void;
  /** Opens it; for a piece about products, on the one named. */
  open?(about: { readonly product: string | null; readonly opener: Element | null }): void;
  /** Whether this piece shows itself after an add. */
  opensOnAdd?(): boolean;
  destroy(): void;
}

export interface PieceView {
  mount(piece: ManifestPiece, host: PieceHost): MountedPiece;
}
