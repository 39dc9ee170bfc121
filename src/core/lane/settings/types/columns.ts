import { z } from 'zod';
import type { Placed, SettingType, Without } from './setting-type';

/** Widths a column can have, each with its share of the room. */
export const COLUMN_WIDTHS = { usual: 'Usual', narrow: 'Narrow', wide: 'Wide' } as const;
export const COLUMN_ALIGNS = {
  usual: 'Usual',
  start: 'At the start',
  center: 'In the middle',
  end: 'At the end',
} as const;

/** How a table's columns stand, by the part that each shows; one that is not named stands as usual. */
export const columnsSchema = z.record(
  z.string().regex(/^[a-zA-Z]{1,40}$/),
  z.strictObject({
    width: z.enum(Object.keys(COLUMN_WIDTHS) as [keyof typeof COLUMN_WIDTHS, ...(keyof typeof COLUMN_WIDTHS)[]]),
    align: z.enum(Object.keys(COLUMN_ALIGNS) as [keyof typeof COLUMN_ALIGNS, ...(keyof typeof COLUMN_ALIGNS)[]]),
  }),
);
export type Columns = z.infer<typeof columnsSchema>;
export type Column = Columns[string];

export const USUAL_COLUMN: Column = { width: 'usual', align: 'usual' };

/** Columns as a part of a sentence: only what is not as usual. */
export function columnsText(columns: Columns, names: Readonly<Record<string, string>>): string {
  const said = Object.entries(columns).flatMap(([key, { width, align }]) => {
    const changes = [
      width !== 'usual' && COLUMN_WIDTHS[width].toLowerCase(),
      align !== 'usual' && COLUMN_ALIGNS[align].toLowerCase(),
    ].filter(Boolean);
    return changes.length > 0 ? [`${names[key] ?? key} ${changes.join(', ')}`] : [];
  });
  return said.join('; ') || 'as usual';
}

/** How the columns of a table stand: its parts are its columns. */
export interface ColumnsSetting extends Placed {
  readonly type: 'columns';
  /** The columns there are, and how they are called. */
  readonly of: Readonly<Record<string, string>>;
  readonly default: Columns;
}

export function columns(spec: Without<ColumnsSetting>): ColumnsSetting {
  return { type: 'columns', ...spec };
}

export const columnsType: SettingType<ColumnsSetting, Columns> = {
  held: columnsSchema,
  schema: () => columnsSchema.default({}),
  text: (spec, value) => columnsText(value, spec.of),
};
