import { z } from 'zod';
import type { Placed, SettingType, Without } from './setting-type';

export interface NumberSetting extends Placed {
  readonly type: 'number';
  readonly default: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly unit: string;
}

export function numeric(spec: Without<NumberSetting>): NumberSetting {
  return { type: 'number', ...spec };
}

export const numberType: SettingType<NumberSetting, number> = {
  schema: (spec) => z.number().min(spec.min).max(spec.max).default(spec.default),
  text: (spec, value) => `${value} ${spec.unit}`.trim(),
};
