import { z } from 'zod';
import { DONE, edit, idInAddress } from '~/contract/fields';
import { routes } from '~/contract/route';
import { laneChangeSchema } from '~/contract/shapes/lane-changes';
import { LETTERS, MOST_LEFT } from '~/core/limits';

const asked = {
  edit,
  note: z.string().trim().max(LETTERS.publishNote).default(''),
  /** Changes that stay in the draft, by their keys. See `changeKey`. */
  left: z.array(z.string().max(600)).max(MOST_LEFT).default([]),
};

export const plannedSchema = z.strictObject({
  id: z.number(),
  /** When it goes out, in milliseconds since 1970. */
  at: z.number(),
  note: z.string(),
  /** Who planned it. */
  by: z.string().nullable(),
  changes: z.array(laneChangeSchema).readonly(),
  state: z.enum(['waiting', 'refused']),
  /** Why it did not go out. */
  why: z.string().nullable(),
});
export type Planned = z.infer<typeof plannedSchema>;

export const publishingRoutes = routes({
  'POST /api/studio/publish': {
    says: 'Publishes the draft, or some of its changes, as a revision.',
    role: 'editor',
    body: z.strictObject(asked),
    answer: z.strictObject({ revision: z.number() }),
  },
  'GET /api/studio/plans': {
    says: 'What is planned to go out, and what was and could not, the soonest first.',
    role: 'viewer',
    answer: z.array(plannedSchema),
  },
  'POST /api/studio/plans': {
    says: 'Plans that the draft, or some of its changes, go out at a time.',
    role: 'editor',
    body: z.strictObject({
      ...asked,
      /** In the shop's own time zone. */
      local: z.string().regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, 'must be a day and a time'),
    }),
    answer: plannedSchema,
  },
  'DELETE /api/studio/plans/[id]': {
    says: 'Stops what was planned, or puts away what could not go out.',
    role: 'editor',
    params: z.strictObject({ id: idInAddress }),
    answer: DONE,
  },
});
