import { z } from 'zod';
import { DONE, idInAddress } from '~/contract/fields';
import { routes } from '~/contract/route';
import { LETTERS } from '~/core/limits';
import { savedLayoutSchema } from '~/contract/shapes/layouts';

export const ownLayoutSchema = z.strictObject({
  id: z.number(),
  name: z.string(),
  layout: savedLayoutSchema,
});
export type OwnLayout = z.infer<typeof ownLayoutSchema>;

export const layoutRoutes = routes({
  'POST /api/studio/layouts': {
    says: 'Keeps a layout of the owner’s, and answers all of its kind.',
    role: 'editor',
    body: z.strictObject({
      kind: z.string().max(60),
      name: z.string().trim().min(1).max(LETTERS.layoutName),
      layout: savedLayoutSchema,
    }),
    answer: z.array(ownLayoutSchema),
  },
  'DELETE /api/studio/layouts/[id]': {
    says: 'Forgets a layout.',
    role: 'editor',
    params: z.strictObject({ id: idInAddress }),
    answer: DONE,
  },
});
