import type { ListedProduct } from '~/core/catalogue';
import { narrowedSchema } from '~/contract/studio/bulk';
import { z } from 'zod';
import { type StudioQuery } from '~/data';
import type { App } from '~/services/app';

const PAGE_SIZE = 40;

/** The owner's list as its address asks for it; wrong values fall back. */
export const ownerListSchema = narrowedSchema.extend({
  page: z.coerce.number().int().min(1).max(10_000).catch(1).default(1),
});

export interface OwnerList extends z.infer<typeof ownerListSchema> {
  readonly products: readonly ListedProduct[];
  readonly total: number;
  readonly pages: number;
  /** Products that are only an example. */
  readonly examples: number;
}

/** Which products a list is of. */
export async function queryOf(
  app: App,
  { q, filter, category, texts }: Pick<z.infer<typeof ownerListSchema>, 'q' | 'filter' | 'category' | 'texts'>,
  slugs: readonly string[] = [],
): Promise<Omit<StudioQuery, 'page' | 'pageSize'>> {
  const { match } = q && texts ? await app.catalogue.resolveSearch(q) : { match: null };
  return { match, typed: q, filter, category, slugs };
}

export async function listForOwner(app: App, asked: z.infer<typeof ownerListSchema>): Promise<OwnerList> {
  const [found, examples] = await Promise.all([
    app.catalogue.listForOwner({ ...(await queryOf(app, asked)), page: asked.page, pageSize: PAGE_SIZE }),
    app.catalogue.countExamples(),
  ]);
  return { ...asked, ...found, pages: Math.max(1, Math.ceil(found.total / PAGE_SIZE)), examples };
}
