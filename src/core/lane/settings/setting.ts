import type { Described } from '~/core/words';
import { FONT_KEYS, FONTS } from './fonts';

export { choice, type ChoiceSetting } from './types/choice';
export { columns } from './types/columns';
export { goods } from './types/goods';
export { numeric, type NumberSetting } from './types/number';
export { offer } from './types/offer';
export { picture } from './types/picture';
export { place } from './types/place';
export { selection } from './types/selection';
export type { Task } from './types/setting-type';
export { text } from './types/text';
export { toggle } from './types/toggle';
export type { SettingSpec, SettingsOf, SettingValue } from './types';

export interface PartSpec extends Described {
  readonly on: boolean;
}

/** Characters of a text with paragraphs, and of a line. */
export const MOST_RICH = 20_000;
export const MOST_LINE = 400;

export const LOOK_STATES = ['rest', 'hover', 'focus', 'pressed'] as const;
export type LookState = (typeof LOOK_STATES)[number];

export interface LookSpec {
  readonly label: string;
  readonly css: string;
  readonly type: 'colour' | 'px' | 'choice';
  /** Of a length, in CSS px. */
  readonly max?: number;
  /** Of a choice: what may stand, and how it is called. */
  readonly options?: Readonly<Record<string, string>>;
}

export const LOOK_PROPERTIES = {
  background: { label: 'Background', css: 'background-color', type: 'colour' },
  text: { label: 'Text', css: 'color', type: 'colour' },
  border: { label: 'Border', css: 'border-color', type: 'colour' },
  radius: { label: 'Corner radius', css: 'border-radius', type: 'px', max: 40 },
  borderWidth: { label: 'Border width', css: 'border-width', type: 'px', max: 8 },
  size: { label: 'Text size', css: 'font-size', type: 'px', max: 48 },
  family: {
    label: 'Font',
    css: 'font-family',
    type: 'choice',
    options: Object.fromEntries(FONT_KEYS.map((key) => [key, FONTS[key].label])),
  },
  letterCase: {
    label: 'Letters',
    css: 'text-transform',
    type: 'choice',
    options: { none: 'As written', uppercase: 'All capitals', lowercase: 'All small', capitalize: 'Capitals first' },
  },
  shade: { label: 'Backdrop colour', css: '--shade', type: 'colour' },
} as const satisfies Record<string, LookSpec>;
export type LookProperty = keyof typeof LOOK_PROPERTIES;
/** `token:accent` follows the shop's theme; `#rrggbb` is fixed; a number is in CSS px; else the key of a choice. */
export type LookValue = string | number;
export type LookRules = Readonly<Partial<Record<LookProperty, LookValue>>>;

/** Something of a piece whose colours can be set, with what it inherits when nothing is set. */
export interface LookSlot extends Described {
  readonly part?: string;
  readonly properties: readonly LookProperty[];
  readonly states: readonly LookState[];
  readonly inherits: Readonly<{ rest: LookRules } & Partial<Record<LookState, LookRules>>>;
  /** What the shop's own style gives it where nothing is set: not written anywhere, but judged and shown. */
  readonly usual?: Readonly<Partial<Record<LookState, LookRules>>>;
  /** What its button is for: to order, or to close what lies over the page. The proof looks whether it can be pressed. */
  readonly use?: 'order' | 'close';
  /** The slot it lies on; without one the panel, where the piece has one, else the page. */
  readonly on?: string;
}
