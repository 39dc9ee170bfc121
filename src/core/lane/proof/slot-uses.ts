import type { ControlUse } from '~/core/proof';
import type { PieceDefinition } from '../settings/definition';

/** What the buttons of each slot are for, of all kinds together. */
export function slotUses(definitions: readonly Pick<PieceDefinition, 'looks'>[]): Record<string, ControlUse> {
  return Object.fromEntries(
    definitions.flatMap(({ looks }) =>
      Object.entries(looks).flatMap(([key, { use }]) => (use ? [[key, use] as const] : [])),
    ),
  );
}
