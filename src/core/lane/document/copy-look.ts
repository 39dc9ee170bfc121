import type { PieceDefinition } from '../settings/definition';
import type { Piece } from './lane.schema';

/**
 * Takes the look of another piece over, as far as both have a place of that name and the place has the property and the
 * state; what else is set in those places goes. Changes `to`. Answers how many places it was.
 */
export function copyLook(
  from: Pick<Piece, 'look'>,
  to: Pick<Piece, 'look'>,
  { looks }: Pick<PieceDefinition, 'looks'>,
): number {
  let places = 0;
  for (const [key, states] of Object.entries(from.look.slots)) {
    const slot = Object.hasOwn(looks, key) ? looks[key]! : null;
    if (!slot || !states) continue;
    const kept = Object.entries(states).flatMap(([state, rules]) => {
      const own = Object.entries(rules ?? {}).filter(([property]) => slot.properties.some((one) => one === property));
      return own.length > 0 && slot.states.some((one) => one === state)
        ? [[state, Object.fromEntries(own)] as const]
        : [];
    });
    if (kept.length === 0) continue;
    to.look.slots[key] = Object.fromEntries(kept);
    places += 1;
  }
  return places;
}
