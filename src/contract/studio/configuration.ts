import { z } from 'zod';
import { edit } from '~/contract/fields';
import { routes } from '~/contract/route';
import { laneChangeSchema } from '~/contract/shapes/lane-changes';
import { draftViewSchema } from '~/contract/studio/draft';
import { MOST_CONFIGURATION_BYTES } from '~/core/limits';

const checkSchema = z.strictObject({
  /** What would be different in the draft. */
  changes: z.array(laneChangeSchema).readonly(),
  /** What does not fit this shop, a sentence each. */
  misfits: z.array(z.string()),
});
export type ConfigurationCheck = z.infer<typeof checkSchema>;

export const configurationRoutes = routes({
  'GET /api/studio/configuration': {
    says: 'The whole configuration of the shop as a JSON file: of the draft, or as it is live.',
    role: 'viewer',
    query: z.strictObject({ of: z.enum(['draft', 'live']).default('draft') }),
    file: ['application/json'],
  },
  'GET /api/studio/configuration/schema': {
    says: 'The JSON Schema (2020-12) of a configuration.',
    role: 'viewer',
    file: ['application/schema+json'],
  },
  'POST /api/studio/configuration/check': {
    says: 'What a configuration would change in the draft, and what of it does not fit this shop. Changes nothing.',
    role: 'editor',
    form: z.strictObject({ file: z.file() }),
    mostBytes: MOST_CONFIGURATION_BYTES,
    answer: checkSchema,
  },
  'POST /api/studio/configuration': {
    says: 'Puts a configuration into the draft.',
    role: 'editor',
    form: z.strictObject({ file: z.file(), options: z.strictObject({ edit }) }),
    mostBytes: MOST_CONFIGURATION_BYTES,
    answer: draftViewSchema,
  },
});
