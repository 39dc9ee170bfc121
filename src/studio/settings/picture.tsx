import type { PictureSetting } from '~/core/lane/settings/types/picture';
import { PictureControl } from '~/studio/fields/picture-control';
import type { Control } from './control';

export const pictureControl: Control<PictureSetting, string> = ({ value, labelId, onChange }) => (
  <PictureControl labelId={labelId} value={value} onChange={onChange} />
);
