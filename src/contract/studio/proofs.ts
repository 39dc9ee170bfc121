import { z } from 'zod';
import { DONE } from '~/contract/fields';
import { routes } from '~/contract/route';
import { CHECK_KEYS } from '~/core/proof';

const keptProblemSchema = z.strictObject({
  /** The same problem has the same key in every situation. */
  key: z.string().max(600),
  check: z.enum(CHECK_KEYS),
  /** The situation it was found in first, by its key and as people call it. */
  situation: z.string().max(80),
  label: z.string().max(120),
  heading: z.string().max(400),
  sentence: z.string().max(600),
  /** What mends it; null: nothing was found, or looked for. */
  setting: z.string().max(200).nullable(),
});
export type KeptProblem = z.infer<typeof keptProblemSchema>;

const keptProofSchema = z.strictObject({
  /** Milliseconds since 1970. */
  at: z.number(),
  situations: z.number(),
  problems: z.array(keptProblemSchema),
});
export type KeptProof = z.infer<typeof keptProofSchema>;

export const pieceProofSchema = z.strictObject({
  pieceId: z.string(),
  /** Of the piece as it is in the draft, and as it is live; null: it has not been proved since it was changed. */
  draft: keptProofSchema.nullable(),
  live: keptProofSchema.nullable(),
  /** Whether the piece, or what all pieces share, differs from what is live. */
  isChanged: z.boolean(),
});
export type PieceProof = z.infer<typeof pieceProofSchema>;

export const proofRoutes = routes({
  'GET /api/studio/proofs': {
    says: 'What the proof sheets found of every piece, as it is in the draft and as it is live.',
    role: 'viewer',
    answer: z.array(pieceProofSchema),
  },
  'PUT /api/studio/proofs/[piece]': {
    says: 'Keeps what a proof sheet found of a piece.',
    role: 'editor',
    params: z.strictObject({ piece: z.string().max(80) }),
    body: z.strictObject({
      of: z.enum(['draft', 'live']),
      /** The edit of the draft, or the revision, that was proved. One that has changed meanwhile is refused. */
      number: z.number().int().min(0),
      situations: z.number().int().min(1).max(200),
      problems: z.array(keptProblemSchema).max(400),
    }),
    answer: DONE,
  },
});
