import { z } from 'zod';
import { PLACE_PATTERN, readPlace } from '~/core/opener-position';
import type { Placed, SettingType, Without } from './setting-type';

/** The position of a floating element, as `writePlace` writes it; dragged there in the preview. */
export interface PlaceSetting extends Placed {
  readonly type: 'place';
  readonly default: string;
}

export function place(spec: Without<PlaceSetting>): PlaceSetting {
  return { type: 'place', ...spec };
}

export const placeType: SettingType<PlaceSetting, string> = {
  schema: (spec) =>
    z.string().regex(PLACE_PATTERN, 'must be an edge and how far along it, such as “bottom 100”').default(spec.default),
  text: (_spec, value) => {
    const { edge, along } = readPlace(value);
    return `${edge} edge, ${along} % along`;
  },
};
