import { z } from 'zod';
import type { ListedProduct } from '~/data';
import type { App } from '~/services/app';

const PAGE_SIZE = 40;

/** The owner's list as its address asks for it; wrong values fall back. */
export const ownerListSchema = z.object({
  q: z.string().trim().max(100).catch('').default(''),
  filter: z.enum(['all', 'hidden', 'sold-out']).catch('all').default('all'),
  page: z.coerce.number().int().min(1).max(10_000).catch(1).default(1),
});

export interface OwnerList extends z.infer<typeof ownerListSchema> {
  readonly products: readonly ListedProduct[];
  readonly total: number;
  readonly pages: number;
  /** Products that are only an example. */
  readonly examples: number;
}

export async function listForOwner(app: App, asked: z.infer<typeof ownerListSchema>): Promise<OwnerList> {
  const { match } = asked.q ? await app.catalogue.resolveSearch(asked.q) : { match: null };
  const [found, examples] = await Promise.all([
    app.catalogue.listForOwner({ ...asked, match, typed: asked.q, pageSize: PAGE_SIZE }),
    app.catalogue.countExamples(),
  ]);
  return { ...asked, ...found, pages: Math.max(1, Math.ceil(found.total / PAGE_SIZE)), examples };
}
