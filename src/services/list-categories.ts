import type { Category } from '~/core/catalogue';
import type { App } from '~/services/app';

const kept = new WeakMap<App, { readonly version: number; readonly categories: Promise<Category[]> }>();

/** Categories are on every page and rarely change: they are read again after the catalogue has changed. */
export async function listCategories(app: App): Promise<Category[]> {
  const { version } = await app.catalogue.readState();
  const found = kept.get(app);
  if (found?.version === version) return found.categories;
  const categories = app.catalogue.listCategories();
  kept.set(app, { version, categories });
  categories.catch(() => kept.delete(app));
  return categories;
}
