import { z } from 'zod';
import type { SavedLayout } from '~/core/lane/document/own-layout';
import { goodsSchema } from '~/core/lane/settings/types/goods';
import { columnsSchema } from '~/core/lane/settings/types/columns';
import { selectionSchema } from '~/core/lane/settings/types/selection';
import type { SettingValue } from '~/core/lane/settings/setting';
import { same } from '~/contract/tools';

const settingValueSchema = same<SettingValue>()(
  z.union([z.string(), z.number(), z.boolean(), goodsSchema, selectionSchema, columnsSchema]),
);

export const savedLayoutSchema = same<SavedLayout>('SavedLayout')(
  z.strictObject({
    look: z.strictObject({
      slots: z.record(
        z.string(),
        z.record(z.string(), z.record(z.string(), z.union([z.string(), z.number()]).optional()).optional()).optional(),
      ),
      css: z.string(),
    }),
    parts: z.array(
      z.strictObject({
        key: z.string(),
        on: z.boolean(),
        hideOn: z.array(z.enum(['phone', 'tablet', 'desktop'])),
      }),
    ),
    settings: z.record(z.string(), settingValueSchema),
  }),
);
