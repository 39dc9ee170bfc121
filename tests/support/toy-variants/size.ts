import { z } from 'zod';
import type { Placed, SettingType, Without } from '~/core/lane/settings/types/setting-type';

export const sizeSchema = z.strictObject({ wide: z.number().int().min(1), high: z.number().int().min(1) });
export type Size = z.infer<typeof sizeSchema>;

/** A type of setting that a test adds: how wide and high something is. */
export interface SizeSetting extends Placed {
  readonly type: 'size';
  readonly default: Size;
}

export const size = (spec: Without<SizeSetting>): SizeSetting => ({ type: 'size', ...spec });

export const sizeType: SettingType<SizeSetting, Size> = {
  held: sizeSchema,
  schema: (spec) => sizeSchema.default(spec.default),
  text: (_spec, { wide, high }) => `${wide} × ${high}`,
};
