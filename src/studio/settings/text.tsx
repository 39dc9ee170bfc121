import type { TextSetting } from '~/core/lane/settings/types/text';

import type { Control } from './control';

export const textControl: Control<TextSetting, string> = ({ spec, value, labelId, onChange }) => (
  <input
    className="field w-full"
    aria-labelledby={labelId}
    maxLength={spec.most}
    value={value}
    onChange={(event) => onChange(event.target.value)}
  />
);
