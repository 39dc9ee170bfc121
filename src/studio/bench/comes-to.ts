import {
  comesTo,
  groundOf,
  resolveColour,
  textOf,
  type LookProperty,
  type LookState,
  type Piece,
  type PieceDefinition,
  type Theme,
} from '~/core/lane';
import type { Measured } from '~/studio/preview/preview';

/** What the look of a slot comes to: as it stands in the preview, else as far as its rules say. */
export interface ComesTo {
  readonly of: (property: LookProperty) => string | number;
  readonly text: string;
  readonly ground: string;
}

interface Asked {
  readonly definition: PieceDefinition;
  readonly set: Piece['look']['slots'];
  readonly key: string;
  readonly theme: Theme;
  readonly measured: Measured | null;
}

export function lookAt({ definition, set, key, theme, measured }: Asked, state: LookState): ComesTo {
  // What was measured in another state says nothing of this one.
  const seen = measured?.state === state ? measured.slots[key] : undefined;
  const own = set[key]?.[state];
  const text = own?.['text'] === undefined ? seen?.text : undefined;
  const ground = own?.['background'] === undefined ? seen?.ground : undefined;
  const usual: Partial<Record<LookProperty, string | number>> = {
    text: textOf(definition, set, { key, state }, theme),
    background: groundOf(definition, set, { key, state }, theme),
    border: theme.line,
    borderWidth: 0,
    radius: theme.radiusPx,
    size: 16,
  };
  const said = (property: LookProperty) => comesTo(definition, set, { key, state }, property);
  return {
    text: text ?? textOf(definition, set, { key, state }, theme),
    ground: ground ?? groundOf(definition, set, { key, state }, theme),
    of(property) {
      const measuredValue = seen?.[property as keyof typeof seen];
      if (measuredValue !== undefined) return measuredValue;
      const value = said(property);
      if (value === undefined) return usual[property] ?? '';
      return typeof value === 'string' ? resolveColour(value, theme) : value;
    },
  };
}
