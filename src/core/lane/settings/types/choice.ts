import { z } from 'zod';
import type { Placed, SettingType, Without } from './setting-type';

export interface ChoiceSetting<
  Options extends Readonly<Record<string, string>> = Readonly<Record<string, string>>,
> extends Placed {
  readonly type: 'choice';
  readonly options: Options;
  readonly default: keyof Options & string;
}

export function choice<const Options extends Readonly<Record<string, string>>>(
  spec: Without<ChoiceSetting<Options>>,
): ChoiceSetting<Options> {
  return { type: 'choice', ...spec };
}

export const choiceType: SettingType<ChoiceSetting, string> = {
  schema: (spec) => z.enum(Object.keys(spec.options)).default(spec.default),
  text: (spec, value) => spec.options[value] ?? value,
};
