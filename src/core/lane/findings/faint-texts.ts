import { contrastRatio, LEAST_CONTRAST } from '~/core/proof/contrast';
import type { PieceDefinition } from '../settings/definition';
import type { Lane, Piece, Theme } from '../document/lane.schema';
import { resolveColour, resolveLook } from '../document/resolve';
import type { LookProperty, LookState, LookValue } from '../settings/setting';

/** A text that is hard to read where it stands. */
export interface FaintText {
  readonly slot: string;
  readonly state: LookState;
  /** WCAG 2.2 contrast ratio, 1 to 21. */
  readonly ratio: number;
  /** #rrggbb. */
  readonly text: string;
  readonly ground: string;
}

type Look = Piece['look']['slots'];

/** A slot in one of its states. */
interface SlotState {
  readonly key: string;
  readonly state: LookState;
}

/** The value that applies: set, inherited, or from the shop's own style. */
export function comesTo(
  { looks }: Pick<PieceDefinition, 'looks'>,
  set: Look,
  { key, state }: SlotState,
  property: LookProperty,
): LookValue | undefined {
  const slot = looks[key];
  if (!slot) return undefined;
  const own = set[key];
  return (
    own?.[state]?.[property] ??
    slot.inherits[state]?.[property] ??
    slot.usual?.[state]?.[property] ??
    resolveLook(slot, own, 'rest', property) ??
    slot.usual?.rest?.[property]
  );
}

/** The colour that lies behind a slot's text: its own ground, else that of what it lies on, else the page's. */
export function groundOf(definition: Pick<PieceDefinition, 'looks'>, set: Look, at: SlotState, theme: Theme): string {
  const { key } = at;
  const own = comesTo(definition, set, at, 'background');
  if (own !== undefined) return resolveColour(own, theme);
  const under = definition.looks[key]?.on ?? (key !== 'panel' && definition.looks['panel'] ? 'panel' : undefined);
  if (under === undefined) return theme[key === 'panel' ? 'panel' : 'paper'];
  // What lies under it is at rest while it is looked at.
  return groundOf(definition, set, { key: under, state: 'rest' }, theme);
}

/** The colour of a slot's text. */
export function textOf(definition: Pick<PieceDefinition, 'looks'>, set: Look, at: SlotState, theme: Theme): string {
  return resolveColour(comesTo(definition, set, at, 'text') ?? 'token:ink', theme);
}

/** Every text of a piece that is too faint on its ground, in every state it has; of each slot the faintest state. */
export function faintTexts(definition: PieceDefinition, piece: Pick<Piece, 'look'>, { theme }: Lane): FaintText[] {
  const set = piece.look.slots;
  return Object.entries(definition.looks).flatMap(([slot, { properties, states }]) => {
    if (!properties.includes('text')) return [];
    const found = states
      .map((state): FaintText => {
        const text = textOf(definition, set, { key: slot, state }, theme);
        const ground = groundOf(definition, set, { key: slot, state }, theme);
        return { slot, state, text, ground, ratio: contrastRatio(text, ground) ?? 21 };
      })
      .filter(({ ratio }) => ratio < LEAST_CONTRAST)
      .sort((a, b) => a.ratio - b.ratio);
    return found.slice(0, 1);
  });
}
