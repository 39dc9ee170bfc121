import type { ToggleSetting } from '~/core/lane/settings/types/toggle';
import { Segmented } from '~/studio/fields/segmented';
import type { Control } from './control';

export const toggleControl: Control<ToggleSetting, boolean> = ({ value, labelId, onChange }) => (
  <Segmented
    labelId={labelId}
    options={{ on: 'On', off: 'Off' }}
    value={value ? 'on' : 'off'}
    onChange={(key) => onChange(key === 'on')}
  />
);
