import type { Device, Where } from '~/core/where';
import type { Currency } from '~/core/money';
import type { Moment, PieceDefinition, PieceKind, Role } from '../settings/definition';
import type { SettingsOf, SettingValue } from '../settings/setting';

/** One piece as the shopper's browser gets it: complete, no defaults to look up. */
export interface ManifestPiece<
  Settings = Readonly<Record<string, SettingValue>>,
  Word extends string = string,
  Part extends string = string,
> {
  readonly id: string;
  readonly kind: PieceKind;
  readonly role?: Role | undefined;
  /** Settings on pages of other sites, over these; absent: it does not come up there. */
  readonly elsewhere?: Readonly<Record<string, SettingValue>> | undefined;
  readonly where: Where;
  readonly settings: Settings;
  readonly parts: readonly { readonly key: Part; readonly hideOn: readonly Device[] }[];
  readonly words: Readonly<Record<Word, string>>;
  readonly judges: 'page' | 'added';
  /** Moments at which it opens by itself, if no piece before it does. */
  readonly opensOn: readonly Moment[];
  /** Style rules for the piece's shadow root. */
  readonly css: string;
}

/** A piece of one kind in the manifest, typed by the kind's own settings, words and parts. */
export type PieceOf<Definition extends PieceDefinition> = ManifestPiece<
  SettingsOf<Definition['settings']>,
  keyof Definition['words'] & string,
  keyof Definition['parts'] & string
>;

/** What the shopper's browser gets: pieces in the order in which they may open by themselves. No costs, no pieces that are off, no offers that are not live. */
export interface Manifest {
  readonly revision: number;
  readonly language: string;
  readonly locale: string;
  /** The shop's (IANA): its day judges dates, wherever the shopper is. */
  readonly timeZone: string;
  readonly currency: Currency;
  readonly themeCss: string;
  /** What is said while there is no connection; `{count}` changes of the cart wait. */
  readonly offline: string;
  readonly pieces: readonly ManifestPiece[];
}
