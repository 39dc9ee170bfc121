import { z } from 'zod';
import type { Placed, SettingType, Without } from './setting-type';

/** A line an owner types; `most` characters at most. */
export interface TextSetting extends Placed {
  readonly type: 'text';
  readonly default: string;
  readonly most: number;
}

export function text(spec: Without<TextSetting>): TextSetting {
  return { type: 'text', ...spec };
}

export const textType: SettingType<TextSetting, string> = {
  schema: (spec) => z.string().max(spec.most).default(spec.default),
  text: (_spec, value) => (value ? `“${value}”` : 'nothing'),
};
