/** What is known of a product to judge how near it is to another. */
export interface Relatable {
  readonly slug: string;
  readonly categories: readonly string[];
  readonly tags: readonly string[];
  readonly inStock: boolean;
  readonly soldCount: number;
}

/** Why something is suggested, for the owner's “Why this?”. */
export interface Relation {
  readonly slug: string;
  readonly sharedCategories: readonly string[];
  readonly sharedTags: readonly string[];
}

/** A shared tag says more than a shared category: it was given by hand. */
const TAG_WEIGHT = 2;

/**
 * Products related to those given, nearest first: by shared tags and categories, then by how often they sell. Never one that
 * is given, excluded or sold out, and nothing that shares nothing.
 */
export function relatedTo(
  given: readonly Relatable[],
  catalogue: readonly Relatable[],
  excluded: ReadonlySet<string>,
  most: number,
): Relation[] {
  const categories = new Set(given.flatMap((product) => product.categories));
  const tags = new Set(given.flatMap((product) => product.tags));
  const own = new Set(given.map((product) => product.slug));
  return catalogue
    .filter((product) => product.inStock && !own.has(product.slug) && !excluded.has(product.slug))
    .map((product) => ({
      product,
      sharedCategories: product.categories.filter((slug) => categories.has(slug)),
      sharedTags: product.tags.filter((tag) => tags.has(tag)),
    }))
    .map((item) => ({ ...item, nearness: item.sharedTags.length * TAG_WEIGHT + item.sharedCategories.length }))
    .filter((item) => item.nearness > 0)
    .sort(
      (a, b) =>
        b.nearness - a.nearness ||
        b.product.soldCount - a.product.soldCount ||
        a.product.slug.localeCompare(b.product.slug),
    )
    .slice(0, most)
    .map(({ product, sharedCategories, sharedTags }) => ({ slug: product.slug, sharedCategories, sharedTags }));
}
