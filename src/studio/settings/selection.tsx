import type { SelectionSetting } from '~/core/lane/settings/types/selection';
import type { Selection } from '~/core/lane';
import { SelectionControl } from '~/studio/fields/selection-control';
import type { Control } from './control';

export const selectionControl: Control<SelectionSetting, Selection> = ({ spec, value, onChange }) => (
  <SelectionControl value={value} canFollowPage={spec.canFollowPage} onChange={onChange} />
);
