import type { LookSlot } from './setting';

/** Words in the languages the demo shop speaks. */
export const say = (en: string, de: string, ar: string) => ({ en, de, ar });

/** The look of the button a piece is there for: in the shop's accent, in each of its states. */
export function mainButtonLook(of: { part: string; label: string; help: string }): LookSlot {
  return {
    ...of,
    properties: ['background', 'text', 'radius', 'size'],
    states: ['rest', 'hover', 'focus', 'pressed'],
    inherits: {
      rest: { background: 'token:accent', text: 'token:onAccent', size: 16 },
      hover: { background: 'token:accentStrong' },
      pressed: { background: 'token:ink' },
    },
  };
}

/** The look of a button beside the main one: an outline in the accent, filled under the pointer. */
export function secondButtonLook(of: { part?: string; on?: string; label: string; help: string }): LookSlot {
  return {
    ...of,
    properties: ['background', 'text', 'border', 'borderWidth', 'radius', 'size', 'letterCase'],
    states: ['rest', 'hover', 'focus', 'pressed'],
    inherits: { rest: {} },
    usual: {
      rest: { text: 'token:accent', border: 'token:accent' },
      hover: { background: 'token:accent', text: 'token:onAccent' },
    },
  };
}
