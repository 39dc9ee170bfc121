import { tagName } from '~/core/where';
import type { Category, Product } from './product';

/** What a page about a product is about, as rules name it, and the categories that lead to it, the outer one first. */
export function aboutOf<Listed extends Pick<Category, 'slug' | 'parentSlug'>>(
  { categories: own, tags }: Pick<Product, 'categories' | 'tags'>,
  categories: readonly Listed[],
): { readonly about: readonly string[]; readonly trail: readonly Listed[] } {
  const called = (slug: string | null | undefined) => categories.find((category) => category.slug === slug);
  const inner = called(own[0]?.slug);
  const trail = [called(inner?.parentSlug), inner].filter((step) => step !== undefined);
  return { trail, about: [...trail.map(({ slug }) => slug), ...tags.map(tagName)] };
}
