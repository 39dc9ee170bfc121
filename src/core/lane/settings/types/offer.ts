import { z } from 'zod';
import type { Placed, SettingType, Without } from './setting-type';

/** An offer of the lane, by its id; empty: none. */
export interface OfferSetting extends Placed {
  readonly type: 'offer';
  readonly default: '';
}

export function offer(spec: Without<OfferSetting, 'default'>): OfferSetting {
  return { type: 'offer', default: '', ...spec };
}

export const offerType: SettingType<OfferSetting, string> = {
  schema: (spec) => z.string().max(60).default(spec.default),
  text: (_spec, value, { offerName }) => (value ? `the offer “${offerName(value)}”` : 'none'),
};
