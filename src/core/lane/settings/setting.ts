import type { Described } from '~/core/words';
import { NO_GOODS, type Goods } from './types/goods';
import { FONT_KEYS, FONTS } from './fonts';
import type { Columns } from './types/columns';
import type { Selection } from './types/selection';

/** The task of the bench a setting belongs to. */
export type Task = 'where' | 'parts' | 'words' | 'look';

interface Placed extends Described {
  readonly task: Task;
  /** The part this belongs to; without one it belongs to the whole piece. */
  readonly part?: string;
}

export interface ChoiceSetting<
  Options extends Readonly<Record<string, string>> = Readonly<Record<string, string>>,
> extends Placed {
  readonly type: 'choice';
  readonly options: Options;
  readonly default: keyof Options & string;
}

export interface ToggleSetting extends Placed {
  readonly type: 'toggle';
  readonly default: boolean;
}

export interface NumberSetting extends Placed {
  readonly type: 'number';
  readonly default: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly unit: string;
}

/** Where a floating thing stands, as `writePlace` writes it; dragged there in the preview. */
export interface PlaceSetting extends Placed {
  readonly type: 'place';
  readonly default: string;
}

/** The address of a picture the owner brought; empty for none. */
export interface PictureSetting extends Placed {
  readonly type: 'picture';
  readonly default: '';
}

/** A line an owner types; `most` characters at most. */
export interface TextSetting extends Placed {
  readonly type: 'text';
  readonly default: string;
  readonly most: number;
}

/** Which products a piece shows. */
export interface SelectionSetting extends Placed {
  readonly type: 'selection';
  readonly default: Selection;
  /** Whether “what the page is about” can be chosen. */
  readonly canFollowPage: boolean;
}

/** Goods that are named: a variant, so many, a code. */
export interface GoodsSetting extends Placed {
  readonly type: 'goods';
  readonly default: Goods;
}

/** An offer of the lane, by its id; empty: none. */
export interface OfferSetting extends Placed {
  readonly type: 'offer';
  readonly default: '';
}

/** How the columns of a table stand: its parts are its columns. */
export interface ColumnsSetting extends Placed {
  readonly type: 'columns';
  /** The columns there are, and how they are called. */
  readonly of: Readonly<Record<string, string>>;
  readonly default: Columns;
}

export type SettingSpec =
  | ChoiceSetting
  | ToggleSetting
  | NumberSetting
  | PlaceSetting
  | PictureSetting
  | SelectionSetting
  | TextSetting
  | ColumnsSetting
  | GoodsSetting
  | OfferSetting;
export type SettingValue = string | number | boolean | Selection | Columns | Goods;

export type SettingsOf<Specs extends Readonly<Record<string, SettingSpec>>> = {
  readonly [Key in keyof Specs]: Specs[Key] extends ChoiceSetting<infer Options>
    ? keyof Options & string
    : Specs[Key] extends ToggleSetting
      ? boolean
      : Specs[Key] extends NumberSetting
        ? number
        : Specs[Key] extends SelectionSetting
          ? Selection
          : Specs[Key] extends ColumnsSetting
            ? Columns
            : Specs[Key] extends GoodsSetting
              ? Goods
              : string;
};

type Without<T> = Omit<T, 'type'>;

export function choice<const Options extends Readonly<Record<string, string>>>(
  spec: Without<ChoiceSetting<Options>>,
): ChoiceSetting<Options> {
  return { type: 'choice', ...spec };
}

export function toggle(spec: Without<ToggleSetting>): ToggleSetting {
  return { type: 'toggle', ...spec };
}

export function numeric(spec: Without<NumberSetting>): NumberSetting {
  return { type: 'number', ...spec };
}

export function place(spec: Without<PlaceSetting>): PlaceSetting {
  return { type: 'place', ...spec };
}

export function picture(spec: Without<PictureSetting>): PictureSetting {
  return { type: 'picture', ...spec };
}

export function text(spec: Without<TextSetting>): TextSetting {
  return { type: 'text', ...spec };
}

export function selection(spec: Without<SelectionSetting>): SelectionSetting {
  return { type: 'selection', ...spec };
}

export function columns(spec: Without<ColumnsSetting>): ColumnsSetting {
  return { type: 'columns', ...spec };
}

export function goods(spec: Omit<GoodsSetting, 'type' | 'default'>): GoodsSetting {
  return { type: 'goods', default: NO_GOODS, ...spec };
}

export function offer(spec: Omit<OfferSetting, 'type' | 'default'>): OfferSetting {
  return { type: 'offer', default: '', ...spec };
}

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
  /** The slot it lies on; without one the panel, where the piece has one, else the page. */
  readonly on?: string;
}
