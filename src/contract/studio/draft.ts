import { z } from 'zod';
import { edit } from '~/contract/fields';
import { routes } from '~/contract/route';
import { FIRST_STEPS } from '~/core/first-steps';
import { CART_PICKS, lanePatchSchema, anyLaneSchema as laneSchema } from '~/core/lane';
import type { StepState, StepsView } from '~/core/first-steps';
import { cartViewSchema } from '~/contract/shapes/carts';
import { cautionSchema, lintFindingSchema, shopNamesSchema } from '~/contract/shapes/findings';
import { pieceProofSchema } from '~/contract/studio/proofs';
import { plannedSchema } from '~/contract/studio/publishing';
import { laneChangeSchema } from '~/contract/shapes/lane-changes';
import { same, type Told } from '~/contract/tools';

export const draftViewSchema = z.strictObject({
  edit: z.number(),
  token: z.string(),
  lane: laneSchema,
  live: z.strictObject({
    revision: z.number(),
    lane: laneSchema,
  }),
  changes: z.array(laneChangeSchema).readonly(),
  lint: z.array(lintFindingSchema).readonly(),
  /** What is not real, or not said, yet. */
  cautions: z.array(cautionSchema).readonly(),
  /** What the proof sheets found of every piece. */
  proofs: z.array(pieceProofSchema).readonly(),
  /** What is planned to go out, and what was and could not. */
  plans: z.array(plannedSchema).readonly(),
  /** What the things are called that one of the two lanes names. */
  names: shopNamesSchema,
  categoryTexts: z.record(
    z.string(),
    z.strictObject({
      name: z.string(),
      text: z.string(),
    }),
  ),
});
export type DraftView = z.infer<typeof draftViewSchema>;

export const stepStateSchema = same<StepState>()(z.enum(['open', 'done', 'skipped']));

export const stepsViewSchema = same<StepsView>()(
  z.strictObject({
    steps: z.array(
      z.strictObject({
        key: z.enum(['shop', 'catalogue', 'pieces', 'publish']),
        state: stepStateSchema,
      }),
    ),
    /** The first that is still open. */
    current: z.enum(['shop', 'catalogue', 'pieces', 'publish']),
  }),
);

export const samplesSchema = z.strictObject({
  products: z.record(z.string(), z.string()),
  /** Only those the shop has products and offers for. */
  carts: z.partialRecord(z.enum(CART_PICKS), cartViewSchema),
});
export type Samples = Told<typeof samplesSchema>;

export const draftRoutes = routes({
  'GET /api/studio/draft': { says: 'The draft beside what is live.', role: 'viewer', answer: draftViewSchema },
  'PATCH /api/studio/draft': {
    says: 'Changes the draft (RFC 6902); a stale change answers the newer draft.',
    role: 'editor',
    body: z.strictObject({ edit, patch: lanePatchSchema }),
    answer: z.strictObject({ edit: z.number(), token: z.string() }),
    conflict: z.strictObject({ draft: draftViewSchema }),
  },
  'PUT /api/studio/draft': {
    says: 'Replaces the draft by a revision, or by what is live.',
    role: 'editor',
    body: z.strictObject({ edit, revision: z.union([z.number().int().min(1), z.literal('latest')]) }),
    answer: draftViewSchema,
  },
  'POST /api/studio/draft/tries': {
    says: 'Keeps a changed draft for a moment, stored nowhere, for the shop to draw: behind the token as `.t` and the key.',
    role: 'editor',
    body: z.strictObject({ edit, patch: lanePatchSchema }),
    answer: z.strictObject({ key: z.string() }),
  },
  'GET /api/studio/revisions/compare': {
    says: 'What differs between two revisions, from one to the other.',
    role: 'viewer',
    query: z.strictObject({ from: z.coerce.number().int().min(1), to: z.coerce.number().int().min(1) }),
    answer: z.array(laneChangeSchema),
  },
  'GET /api/studio/samples': {
    says: 'Products and carts that the bench shows its hard situations with.',
    role: 'viewer',
    answer: samplesSchema,
  },
  'POST /api/studio/first-steps': {
    says: 'Keeps that a first step was done or left out, and answers how far the owner is.',
    role: 'editor',
    body: z.strictObject({ step: z.enum(FIRST_STEPS), state: z.enum(['done', 'skipped', 'open']) }),
    answer: z.strictObject({ steps: stepsViewSchema.nullable() }),
  },
});
