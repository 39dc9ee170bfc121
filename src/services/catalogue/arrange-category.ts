import type { Arrangement } from '~/contract/studio/categories';
import { MOST_ARRANGED } from '~/core/limits';
import { fail, ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';

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
