import { z } from 'zod';
import type { Placed, SettingType, Without } from './setting-type';

/** The address of a picture the owner brought; empty for none. */
export interface PictureSetting extends Placed {
  readonly type: 'picture';
  readonly default: '';
}

export function picture(spec: Without<PictureSetting>): PictureSetting {
  return { type: 'picture', ...spec };
}

/** A place of a picture uploaded here; empty: none. */
export const uploadedPicture = z.string().regex(/^(\/media\/icons\/[\w.-]{1,80})?$/, 'must be a picture uploaded here');

export const pictureType: SettingType<PictureSetting, string> = {
  schema: (spec) => uploadedPicture.default(spec.default),
  text: (_spec, value) => (value ? 'a picture of your own' : 'none'),
};
