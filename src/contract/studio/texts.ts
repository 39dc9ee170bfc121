import { z } from 'zod';
import { edit } from '~/contract/fields';
import { routes } from '~/contract/route';
import { laneChangeSchema } from '~/contract/shapes/lane-changes';
import { draftViewSchema } from '~/contract/studio/draft';
import { MOST_CONFIGURATION_BYTES } from '~/core/limits';

export const textRoutes = routes({
  'GET /api/studio/texts': {
    says: 'All texts of the draft in a language as a PO file (GNU gettext), the shop’s own beside them.',
    role: 'viewer',
    query: z.strictObject({ language: z.string().regex(/^[a-z]{2}$/) }),
    file: ['text/x-gettext-translation'],
  },
  'POST /api/studio/texts/check': {
    says: 'What a PO file would change in the draft. Changes nothing.',
    role: 'editor',
    form: z.strictObject({ file: z.file() }),
    mostBytes: MOST_CONFIGURATION_BYTES,
    answer: z.strictObject({
      changes: z.array(laneChangeSchema).readonly(),
      /** Places that are not in this shop. */
      unknown: z.array(z.string()).readonly(),
      /** Texts whose source reads otherwise now. */
      otherSource: z.array(z.string()).readonly(),
    }),
  },
  'POST /api/studio/texts': {
    says: 'Puts the translations of a PO file into the draft.',
    role: 'editor',
    form: z.strictObject({ file: z.file(), options: z.strictObject({ edit }) }),
    mostBytes: MOST_CONFIGURATION_BYTES,
    answer: draftViewSchema,
  },
});
