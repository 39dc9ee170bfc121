import type { SentCategories } from '~/contract/studio/categories';
import { uniqueSlug, type EditedCategory } from '~/core/catalogue';
import { fail, ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';
import { changingPrices } from '~/services/prices/record-shown';

export function listForEditing(app: App): Promise<EditedCategory[]> {
  return app.catalogue.listEdited();
}

export async function saveCategories(
  app: App,
  { categories }: SentCategories,
  accountId: number,
): Promise<Result<EditedCategory[]>> {
  let renamed: string[] = [];
  const write = () =>
    app.db.inTransaction(async (): Promise<Result<EditedCategory[]>> => {
      const before = await app.catalogue.listEdited();
      const known = new Set(before.map(({ slug }) => slug));
      const taken = new Set(known);
      const seen = new Set<string>();
      const rows = [];
      for (const [i, category] of categories.entries()) {
        if (category.slug !== '' && (!known.has(category.slug) || seen.has(category.slug)))
          return fail(`categories.${i}`, 'not-found');
        seen.add(category.slug);
        const slug = category.slug || uniqueSlug(category.name, taken);
        taken.add(slug);
        rows.push({ ...category, slug, position: i });
      }
      const top = new Set(rows.filter(({ parent }) => parent === null).map(({ slug }) => slug));
      // Two levels at most: the shop's menu shows no third.
      const wrong = rows.findIndex(({ parent }) => parent !== null && !top.has(parent));
      if (wrong >= 0) return fail(`categories.${wrong}.parent`, 'category-depth', { name: rows[wrong]!.name });
      await app.catalogue.writeCategories(rows);
      renamed = rows.flatMap(({ slug, name, text }) =>
        before.some((old) => old.slug === slug && (old.name !== name || old.text !== text)) ? [slug] : [],
      );
      await app.audit.write({
        at: app.now(),
        accountId,
        action: 'edit-categories',
        facts: { count: rows.length },
      });
      return ok(await app.catalogue.listEdited());
    });
  // Selections of offers depend on the tree of categories.
  const saved = await changingPrices(app, write, ({ ok: isDone }) => (isDone ? null : []));
  // Products are found by their category's words. Done in slices, so that carts can change in between.
  if (saved.ok) await app.catalogue.refreshSearch(await app.catalogue.listProductsIn(renamed));
  return saved;
}
