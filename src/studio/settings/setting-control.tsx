import isEqual from 'fast-deep-equal';
import { useId } from 'react';
import type { SettingSpec, SettingValue } from '~/core/lane';
import type { HeldOf } from '~/core/lane/settings/types';
import { Row } from '~/studio/fields/controls';
import { choiceControl } from './choice';
import { columnsControl } from './columns';
import { goodsControl } from './goods';
import { numberControl } from './number';
import { offerControl } from './offer';
import { pictureControl } from './picture';
import { placeControl } from './place';
import { selectionControl } from './selection';
import { textControl } from './text';
import { toggleControl } from './toggle';
import type { Control } from './control';

/** The control of every type of setting, a line each. */
const CONTROLS: {
  readonly [Type in SettingSpec['type']]: Control<Extract<SettingSpec, { type: Type }>, HeldOf<Type>>;
} = {
  choice: choiceControl,
  toggle: toggleControl,
  number: numberControl,
  place: placeControl,
  picture: pictureControl,
  text: textControl,
  selection: selectionControl,
  goods: goodsControl,
  offer: offerControl,
  columns: columnsControl,
};

interface Props {
  readonly spec: SettingSpec;
  readonly value: SettingValue;
  readonly onChange: (value: SettingValue) => void;
}

/** A setting with its name, its help and the way back, and the control of its type. */
export function SettingControl({ spec, value, onChange }: Props) {
  const id = useId();
  const Typed = CONTROLS[spec.type] as Control<SettingSpec, SettingValue>;
  return (
    <Row
      label={spec.label}
      help={spec.help}
      changed={!isEqual(value, spec.default)}
      onReset={() => onChange(structuredClone(spec.default))}
      labelId={id}
    >
      <Typed spec={spec} value={value} labelId={id} onChange={onChange} />
    </Row>
  );
}
