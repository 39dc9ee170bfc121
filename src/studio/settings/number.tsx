import type { NumberSetting } from '~/core/lane/settings/types/number';
import { Amount } from '~/studio/fields/controls';
import type { Control } from './control';

export const numberControl: Control<NumberSetting, number> = ({ spec, value, labelId, onChange }) => (
  <Amount
    labelId={labelId}
    value={value}
    min={spec.min}
    max={spec.max}
    step={spec.step}
    unit={spec.unit}
    onChange={onChange}
  />
);
