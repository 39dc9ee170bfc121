import { z } from 'zod';
import { fail, ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';

/** Products that can be arranged by hand in one category; those beyond follow as best selling. */
export const MOST_ARRANGED = 500;

/** All products of a category in order; none: no order of its own. */
export const arrangementSchema = z.strictObject({ slugs: z.array(z.string().min(1).max(120)).max(MOST_ARRANGED) });

export interface Arrangement {
  readonly isArranged: boolean;
  readonly products: readonly { readonly slug: string; readonly name: string; readonly picture: string | null }[];
}

/** The products that stand in a category itself, in the order shoppers get. */
export async function listArranged(app: App, category: string): Promise<Result<Arrangement>> {
  if (!(await app.catalogue.listSlugs()).categories.has(category)) return fail('category', 'not-found');
  const rows = await app.catalogue.listArranged(category, MOST_ARRANGED);
  return ok({
    isArranged: rows.some(({ place }) => place !== null),
    products: rows.map(({ slug, name, picture }) => ({ slug, name, picture })),
  });
}

/** Gives the products of a category their order. Those not named follow; a name that is not in it is passed over. */
export async function arrangeCategory(
  app: App,
  category: string,
  slugs: readonly string[],
  accountId: number,
): Promise<Result<Arrangement>> {
  if (!(await app.catalogue.listSlugs()).categories.has(category)) return fail('category', 'not-found');
  await app.db.inTransaction(async () => {
    await app.catalogue.writePlaces(category, slugs);
    await app.audit.write({
      at: app.now(),
      accountId,
      action: 'arrange-category',
      facts: { category, products: slugs.length },
    });
  });
  return listArranged(app, category);
}
