import type { ChoiceSetting } from '~/core/lane/settings/types/choice';
import { Segmented } from '~/studio/fields/segmented';
import type { Control } from './control';

export const choiceControl: Control<ChoiceSetting, string> = ({ spec, value, labelId, onChange }) => (
  <Segmented labelId={labelId} options={spec.options} value={value} onChange={onChange} />
);
