import { z } from 'zod';
import type { Placed, SettingType, Without } from './setting-type';

export interface ToggleSetting extends Placed {
  readonly type: 'toggle';
  readonly default: boolean;
}

export function toggle(spec: Without<ToggleSetting>): ToggleSetting {
  return { type: 'toggle', ...spec };
}

export const toggleType: SettingType<ToggleSetting, boolean> = {
  schema: (spec) => z.boolean().default(spec.default),
  text: (_spec, value) => (value ? 'on' : 'off'),
};
