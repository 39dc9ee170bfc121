import type { Stretch } from '~/core/funnel';
import type { PageKind, Where } from '~/core/where';
import type { LookSlot, PartSpec, SettingSpec, SettingValue, WordSpec } from './setting';

/** A moment of the shopper at which a surface may open by itself. */
export type Moment = 'added-to-cart';

/** Everything the product knows about a kind of piece, declared once; forms, schema and manifest are made from it. */
export interface PieceDefinition {
  readonly kind: string;
  readonly name: string;
  readonly stretch: Stretch;
  readonly summary: string;
  /** Pages the piece can stand on. */
  readonly pages: readonly PageKind[];
  readonly settings: Readonly<Record<string, SettingSpec>>;
  readonly parts: Readonly<Record<string, PartSpec>>;
  readonly words: Readonly<Record<string, WordSpec>>;
  readonly looks: Readonly<Record<string, LookSlot>>;
  /** Moments at which it opens unasked under these settings. */
  readonly opensOn: (settings: Readonly<Record<string, SettingValue>>) => readonly Moment[];
  /** The page of the shop the bench shows it on. */
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
  };
}
