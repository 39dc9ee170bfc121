import type { PlaceSetting } from '~/core/lane/settings/types/place';
import { PlaceControl } from '~/studio/fields/place-control';
import type { Control } from './control';

export const placeControl: Control<PlaceSetting, string> = ({ value, labelId, onChange }) => (
  <PlaceControl labelId={labelId} value={value} onChange={onChange} />
);
