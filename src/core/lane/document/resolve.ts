import { cartRename, type CartNaming } from '~/core/words';
import type { PieceDefinition } from '../settings/definition';
import type { Piece, Theme, ThemeColour } from './lane.schema';
import type { LookProperty, LookSlot, LookState, LookValue } from '../settings/setting';

/** The words of a piece in a language: the owner's, else the definition's, else English; the cart as the shop calls it. */
export function resolveWords(
  definition: PieceDefinition,
  piece: Pick<Piece, 'words'>,
  language: string,
  cart: CartNaming,
): Record<string, string> {
  const rename = cartRename(cart, language);
  return Object.fromEntries(
    Object.entries(definition.words).map(([key, spec]) => [
      key,
      rename(piece.words[language]?.[key] ?? spec.default[language] ?? piece.words['en']?.[key] ?? spec.default.en),
    ]),
  );
}

/** The value a slot shows in a state: set there, else inherited there, else that of rest. */
export function resolveLook(
  slot: LookSlot,
  overrides: Piece['look']['slots'][string],
  state: LookState,
  property: LookProperty,
): LookValue | undefined {
  return (
    overrides?.[state]?.[property] ??
    slot.inherits[state]?.[property] ??
    overrides?.rest?.[property] ??
    slot.inherits.rest[property]
  );
}

/** A look value as a colour a browser and the contrast check understand. */
export function resolveColour(value: LookValue, theme: Theme): string {
  return typeof value === 'string' && value.startsWith('token:') ? theme[value.slice(6) as ThemeColour] : String(value);
}
