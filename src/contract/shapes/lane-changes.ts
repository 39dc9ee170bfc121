import { z } from 'zod';
import type { LaneChange } from '~/core/lane/difference/lane-change';
import { same } from '~/contract/tools';

/** What every change says: of which piece, and where in the document. */
const changed = {
  pieceId: z.string().nullable(),
  pieceName: z.string(),
  /** The place that differs; parts and offers by their key. See `dropChange`. */
  at: z.array(z.string()),
};

export const laneChangeSchema = same<LaneChange>('LaneChange')(
  z.union([
    z.strictObject({
      ...changed,
      code: z.enum(['piece-on', 'piece-off', 'piece-added', 'piece-removed', 'css']),
    }),
    z.strictObject({
      ...changed,
      code: z.enum(['shop', 'offer', 'setting', 'word']),
      what: z.string(),
      from: z.string(),
      to: z.string(),
    }),
    z.strictObject({
      ...changed,
      code: z.enum(['part-on', 'part-off']),
      what: z.string(),
    }),
    z.strictObject({
      ...changed,
      code: z.literal('part-devices'),
      what: z.string(),
      hiddenOn: z.array(z.string()),
    }),
    z.strictObject({
      ...changed,
      code: z.literal('part-moved'),
      what: z.string(),
      after: z.string().nullable(),
    }),
    z.strictObject({
      ...changed,
      code: z.literal('where'),
      what: z.enum(['categories', 'products', 'order', 'devices', 'pages', 'spot']),
      from: z.string(),
      to: z.string(),
    }),
    z.strictObject({
      ...changed,
      code: z.literal('look'),
      what: z.string(),
      property: z.string(),
      state: z.enum(['rest', 'hover', 'focus', 'pressed']),
      from: z.string(),
      to: z.string(),
    }),
  ]),
);
