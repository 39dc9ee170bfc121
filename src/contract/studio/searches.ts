import type { LostSearch } from '~/core/search';
import { z } from 'zod';
import { routes } from '~/contract/route';
import { same, type Told } from '~/contract/tools';

export const lostSearchSchema = same<LostSearch>()(
  z.strictObject({
    term: z.string(),
    times: z.number(),
    /** Milliseconds since 1970. */
    lastAt: z.number(),
  }),
);

export const synonymSchema = z.strictObject({
  /** What shoppers type. */
  term: z.string(),
  /** What stands in the catalogue for it. */
  means: z.array(z.string()),
});
export type Synonym = Told<typeof synonymSchema>;

export const searchRoomSchema = z.strictObject({
  lost: z.array(lostSearchSchema),
  synonyms: z.array(synonymSchema),
});
export type SearchRoom = Told<typeof searchRoomSchema>;

const words = z.string().trim().min(1).max(60);

/** A word of shoppers and what it stands for; without any, the word stands for itself again. */
export const askedSynonymSchema = z.strictObject({ term: words, means: z.array(words).max(20) });
export type AskedSynonym = z.infer<typeof askedSynonymSchema>;

export const searchRoutes = routes({
  'PUT /api/studio/searches': {
    says: 'Keeps what a word of shoppers stands for.',
    role: 'editor',
    body: askedSynonymSchema,
    answer: searchRoomSchema,
  },
});
