import { clampChroma, converter, formatHex } from 'culori';
import { contrastRatio, LEAST_CONTRAST, nearestPassing } from '~/core/proof';
import type { LookRules, LookState } from './setting';

/** So much darker, or lighter where it is dark already, a ground becomes: of OKLCH lightness, 0 to 1. */
const STEPS: Readonly<Record<Exclude<LookState, 'rest'>, number>> = { hover: 0.06, focus: 0.06, pressed: 0.12 };
/** A ground darker than this becomes lighter. */
const DARK = 0.3;

const toOklch = converter('oklch');

/** The other states of something by how it is at rest: the same hue, darker by steps, with a text that can be read on it. Colours are #rrggbb. */
export function proposeStates(
  { background, text }: { readonly background: string; readonly text: string },
  states: readonly LookState[],
): Partial<Record<LookState, LookRules>> {
  const rest = toOklch(background);
  if (!rest) return {};
  return Object.fromEntries(
    states.flatMap((state) => {
      if (state === 'rest') return [];
      const step = STEPS[state];
      const l = Math.min(1, Math.max(0, rest.l + (rest.l < DARK ? step : -step)));
      const ground = formatHex(clampChroma({ ...rest, l }, 'oklch'));
      const isRead = (contrastRatio(text, ground) ?? 21) >= LEAST_CONTRAST;
      const readable = isRead ? null : nearestPassing(text, ground, LEAST_CONTRAST);
      return [[state, { background: ground, ...(readable !== null && { text: readable }) }]];
    }),
  );
}
