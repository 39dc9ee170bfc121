import type { Currency } from '~/core/money';
import type { ManifestPiece, Role } from '~/core/lane';
import type { Device } from '~/core/where';
import type { CartClient } from './cart-client';
import type { Recorder } from './events';
import type { HostPage } from './host-page';
import type { ProductSource } from './products';
import type { Surfaces } from './surfaces';

/** What a piece is opened about; each kind takes what it needs. */
export interface OpenAbout {
  readonly opener: Element | null;
  readonly product?: string | null;
  /** A line of the cart: the one just added, or the one to change. */
  readonly lineId?: string | null;
  /** Where to draw, for a piece that opens inside another. */
  readonly slot?: HTMLElement | null;
  /** Told when it is over, with what happened if something did. */
  readonly onDone?: (outcome: { readonly said: string; readonly undo: () => void } | null) => void;
}

/** What the runtime gives a piece to work with. */
export interface PieceHost {
  readonly page: HostPage;
  readonly device: Device;
  readonly currency: Currency;
  readonly locale: string;
  readonly language: string;
  readonly themeCss: string;
  /** IANA, of the shop: its day is what dates are judged by. */
  readonly timeZone: string;
  /** Milliseconds since 1970, by the server's clock. */
  now(): number;
  readonly cart: CartClient;
  readonly products: ProductSource;
  readonly surfaces: Surfaces;
  readonly recorder: Recorder;
  /** In the bench: pieces stay open, and nothing is bought. */
  readonly isPreview: boolean;
  /** The piece this visit sees that is there for something. */
  withRole(role: Role): ManifestPiece | undefined;
  /** Opens the piece that is there for something; false when this visit sees none. */
  openRole(role: Role, about: OpenAbout): boolean;
  /** After an add: opens the first piece whose moment this is; false when there is none. */
  afterAdd(about: OpenAbout): boolean;
}

/** A mounted piece. */
export interface MountedPiece {
  /** Takes new settings without losing what is open. */
  update(piece: ManifestPiece, host: PieceHost): void;
  open?(about: OpenAbout): void;
  destroy(): void;
}

export interface PieceView {
  mount(piece: ManifestPiece, host: PieceHost): MountedPiece;
}

/** How the view of a kind is fetched. */
export interface RegisteredView {
  readonly load: () => Promise<PieceView>;
  /** Fetched with the first sign of life, shown when opened; else on every page that has it. */
  readonly isAsked?: true;
  /** Only on pages that hold such an element. */
  readonly at?: string;
}

/** The views that a page may need, by kind. */
export type Views = Readonly<Record<string, RegisteredView>>;
