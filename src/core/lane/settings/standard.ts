import { choice, toggle, type LookSlot } from './setting';

/** The look of the button a piece is there for: in the shop's accent, in each of its states. */
export function mainButtonLook(of: { part: string; label: string; help: string }): LookSlot {
  return {
    ...of,
    use: 'order',
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

/** The look of the main button of what stands in the shop's own pages, which colours it. */
export function shopButtonLook(of: { part?: string; label: string; help: string }): LookSlot {
  return {
    ...of,
    use: 'order',
    properties: ['background', 'text', 'border', 'borderWidth', 'radius', 'letterCase'],
    states: ['rest', 'hover', 'focus', 'pressed'],
    inherits: { rest: {} },
    usual: {
      rest: { background: 'token:accent', text: 'token:onAccent' },
      hover: { background: 'token:accentStrong' },
      pressed: { background: 'token:ink' },
    },
  };
}

/** The cross of a popup. Whoever turns it off leaves Esc, and a press beside it. */
export const crossSetting = toggle({
  task: 'parts',
  label: 'Cross in the corner',
  help: 'Closes it. Esc and a press beside it always do. Where nothing else closes it, it stays.',
  default: true,
});

/** Where the button that keeps shopping leads: nowhere, or to an address. */
export const KEEP_SHOPPING = {
  stay: 'Stays here',
  '/shop/all': 'To the shop page',
  '/shop/': 'To the front page',
} as const;

export const keepLeadsSetting = (part: string) =>
  choice({
    task: 'parts',
    part,
    label: 'Keep shopping',
    help: 'It closes what is open; what else it does.',
    options: KEEP_SHOPPING,
    default: 'stay',
  });
