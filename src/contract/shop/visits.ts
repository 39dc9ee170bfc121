import { z } from 'zod';
import { routes } from '~/contract/route';
import { EVENT_KINDS } from '~/core/funnel';
import { DEVICES } from '~/core/where/where.schema';
import type { Told } from '~/contract/tools';

export const healthSchema = z.strictObject({
  healthy: z.boolean(),
  version: z.string(),
  database: z.boolean(),
  /** Whether something can be written: a disk that is full, or not ours to write, sells nothing. */
  writing: z.boolean(),
  /** What SQLite says of the whole file, looked at once a day; null while it is being looked at. */
  intact: z.boolean().nullable(),
  migrationsPending: z.number(),
  /** Whether shops can be drawn: from what was published last, from what was before it, or not at all. */
  lane: z.enum(['live', 'older', 'unreadable']),
});
export type Health = Told<typeof healthSchema>;

const id = z.string().regex(/^[\w-]{6,60}$/);
const short = z.string().max(160).nullable().default(null);

/** Events a browser may report; orders and failed payments are the server's to say. */
const BROWSER_KINDS = EVENT_KINDS.filter((kind) => kind !== 'order' && kind !== 'payment-failed');

export const eventBatchSchema = z.strictObject({
  visit: id,
  device: z.enum(DEVICES),
  source: z.string().max(60).default('direct'),
  events: z
    .array(
      z.strictObject({
        id,
        at: z.number().int().positive(),
        kind: z.enum(BROWSER_KINDS),
        page: short,
        product: short,
        piece: short,
      }),
    )
    .min(1)
    .max(100),
});
export type EventBatch = z.infer<typeof eventBatchSchema>;

export const seenSchema = z.strictObject({
  path: z.string().max(200).startsWith('/'),
  links: z.array(z.string().regex(/^[a-z0-9-]{0,60}$/)).max(100),
  errors: z.number().int().min(0).max(1000),
});
export type Seen = z.infer<typeof seenSchema>;

export const visitRoutes = routes({
  'POST /api/events': {
    says: 'What happened in a visit, in batches.',
    role: 'anybody',
    body: eventBatchSchema,
    answer: z.strictObject({ fresh: z.number() }),
  },
  'POST /api/seen': {
    says: 'What a page of another site tells of the snippets on it.',
    role: 'anybody',
    body: seenSchema,
    answer: z.strictObject({}),
  },
  'GET /api/manifest': {
    says: 'What the runtime plays: what is live, or a draft by its token.',
    role: 'anybody',
    query: z.strictObject({
      lang: z
        .string()
        .regex(/^[a-z]{2}$/)
        .default('en'),
      /** The draft's token; behind it, where it is asked for, a revision or a change that is tried. */
      draft: z
        .string()
        .regex(/^[0-9a-f-]{36}(\.r\d{1,9}|\.t[\w-]{1,40})?$/)
        .optional(),
    }),
    file: ['application/json'],
  },
  'GET /api/health': {
    says: 'Whether the shop can sell.',
    role: 'anybody',
    answer: healthSchema,
  },
});
