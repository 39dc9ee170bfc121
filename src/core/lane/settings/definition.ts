import type { Stretch } from '~/core/funnel';
import type { PageKind, Where } from '~/core/where';
import type { Spot } from './spots';
import type { LookSlot, PartSpec, SettingSpec, SettingValue } from './setting';
import type { WordSpec } from '~/core/words';

/** A moment of the shopper at which a surface may open by itself. */
export type Moment = 'added-to-cart';

/** What kind a piece is of: the name of its folder. Lint finds where one is compared with a word. */
export type PieceKind = string & Record<never, never>;

/**
 * What a piece is asked for by others, which do not know its kind: the cart over the page, the page of the cart, what says
 * that something was added, a product looked at from where it stands, a line changed, options asked, goods ordered from a table, thanks for an order.
 */
export type Role =
  'cart' | 'cart-page' | 'added' | 'look' | 'line' | 'options' | 'checkout' | 'link' | 'table' | 'thanks';

export interface StartingLayout {
  readonly label: string;
  readonly help: string;
  readonly parts: readonly string[];
  readonly settings: Readonly<Record<string, SettingValue>>;
}

export interface Note {
  readonly part: string | null;
  readonly text: string;
}

/** Of these parts one must be shown on every device, with a text on what is pressed or filled in there. */
export interface Need {
  /** Each with its words that must not be empty; the first is the one to bring back. */
  readonly oneOf: Readonly<Record<string, readonly string[]>>;
  /** What happens without it, as the rest of a sentence. */
  readonly without: string;
}

/** Everything the product knows about a kind of piece, declared once; forms, schema and manifest are made from it. */
export interface PieceDefinition {
  readonly kind: PieceKind;
  /** At most one kind has each; a kind that nobody asks for has none. */
  readonly role?: Role;
  readonly name: string;
  readonly stretch: Stretch;
  readonly summary: string;
  /** Most its chunk may weigh in kB gzip, beyond what pieces share; absent: 6. */
  readonly budgetKb?: number;
  /** Pages the piece can stand on. */
  readonly pages: readonly PageKind[];
  readonly settings: Readonly<Record<string, SettingSpec>>;
  readonly parts: Readonly<Record<string, PartSpec>>;
  readonly words: Readonly<Record<string, WordSpec>>;
  readonly looks: Readonly<Record<string, LookSlot>>;
  /** True where a new shop has one, beside what every shop has. */
  readonly beginsWith?: boolean;
  /** Settings that hold on pages of other sites, over the owner's. Absent: it does not come up there. */
  readonly elsewhere?: Readonly<Record<string, SettingValue>>;
  /** True where a lane can hold several of the kind. */
  readonly isMany?: boolean;
  /** True when the server draws all of it: the runtime has no view of it and does not get it. */
  readonly isDrawnOnly?: boolean;
  /** True where it shows as many suggestions as are found: it is proved with none, one and four. */
  readonly showsSuggestions?: boolean;
  /** Places of pages the kind can stand in; such a piece is drawn by the server. */
  readonly spots?: readonly Spot[];
  /** True for pieces every shop has, such as the cart page: they can be shaped but not turned off. */
  readonly isAlwaysOn?: boolean;
  /** Words beside which prices stand: they say so where the tax is not in those yet. */
  readonly priceWords?: readonly string[];
  /** What Where's categories and products are held against: the page looked at, or the product just added. */
  readonly judges?: 'page' | 'added';
  /** Of several pieces that open at one moment the one with the lowest rank does, and the others stay closed. */
  readonly openRank?: number;
  /** Ways to begin: parts shown, in order (the others off, after them), and settings. */
  readonly layouts?: Readonly<Record<string, StartingLayout>>;
  /** What the owner should know about these settings, computed; `part`: where it is shown. */
  readonly notes?: (settings: Readonly<Record<string, SettingValue>>) => readonly Note[];
  /** What nobody can order without, wherever the piece is shown. */
  readonly needs?: readonly Need[];
  /** Moments at which it opens unasked under these settings. */
  readonly opensOn: (settings: Readonly<Record<string, SettingValue>>) => readonly Moment[];
  /** The page of the shop the bench shows it on; `{product}` is the situation's product. */
  readonly preview: { readonly path: string };
}

export function definePiece<const Definition extends PieceDefinition>(definition: Definition): Definition {
  return definition;
}

export function defaultWhere(definition: PieceDefinition): Where {
  return {
    devices: ['phone', 'tablet', 'desktop'],
    pages: [...definition.pages],
    categories: { mode: 'all' },
    products: { mode: 'all' },
    spot: definition.spots?.[0] ?? null,
    order: 0,
  };
}
