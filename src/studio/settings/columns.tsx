import type { ColumnsSetting } from '~/core/lane/settings/types/columns';
import type { Columns } from '~/core/lane';
import { ColumnsControl } from '~/studio/fields/columns-control';
import type { Control } from './control';

export const columnsControl: Control<ColumnsSetting, Columns> = ({ spec, value, labelId, onChange }) => (
  <ColumnsControl labelId={labelId} names={spec.of} value={value} onChange={onChange} />
);
