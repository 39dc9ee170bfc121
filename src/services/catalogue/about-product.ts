import { aboutOf, type Category, type Product } from '~/core/catalogue';
import type { App } from '~/services/app';
import { findProduct } from './browse-shop';
import { listCategories } from '~/services/list-categories';

/** What a page about a product is about, as rules name it, and the categories that lead to it, the outer one first. */
export async function aboutProduct(
  app: App,
  product: Pick<Product, 'categories' | 'tags'>,
): Promise<{ readonly about: readonly string[]; readonly trail: readonly Category[] }> {
  return aboutOf(product, await listCategories(app));
}

/** The product that a SKU belongs to, with what its page is about; null where it is not sold. */
export async function findBySku(
  app: App,
  sku: string,
  language?: string,
): Promise<(Product & { readonly about: readonly string[] }) | null> {
  const facts = (await app.catalogue.factsOfSkus([sku])).get(sku);
  const product = facts && (await findProduct(app, facts.slug, language));
  return product ? { ...product, about: (await aboutProduct(app, product)).about } : null;
}
