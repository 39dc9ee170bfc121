import { NumberField } from '~/studio/fields/number-field';
import type { Control } from '~/studio/settings/control';

interface Size {
  wide: number;
  high: number;
}

export const sizeControl: Control<unknown, Size> = ({ value, labelId, onChange }) => (
  <span role="group" aria-labelledby={labelId}>
    <NumberField label="Wide" min={1} value={value.wide} onChange={(wide) => onChange({ ...value, wide })} />
    <NumberField label="High" min={1} value={value.high} onChange={(high) => onChange({ ...value, high })} />
  </span>
);
