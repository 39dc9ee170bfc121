/** What is known of a product to judge how near it is to another. */
export interface Relatable {
  readonly slug: string;
  readonly categories: readonly string[];
  readonly tags: readonly string[];
  /** As “key: value”. */
  readonly attributes: readonly string[];
  readonly inStock: boolean;
  readonly soldCount: number;
}

/** Why something is suggested, for the owner's “Why this?”. */
export interface Relation {
  readonly slug: string;
  readonly sharedCategories: readonly string[];
  readonly sharedTags: readonly string[];
  readonly sharedAttributes: readonly string[];
}

/** What one of each that is shared says. */
export interface Weights {
  readonly tag: number;
  readonly category: number;
  readonly attribute: number;
}

/** A shared tag says more than a shared category: it was given by hand. */
const USUAL: Weights = { tag: 2, category: 1, attribute: 0 };

/**
 * Products related to those given, nearest first: by shared tags, categories and attributes, then by how often they sell. Never one that
 * is given, excluded or sold out, and nothing that shares nothing.
 */
export function relatedTo(
  given: readonly Relatable[],
  catalogue: readonly Relatable[],
  { excluded, most, weights = USUAL }: { excluded: ReadonlySet<string>; most: number; weights?: Weights },
): Relation[] {
  const categories = new Set(given.flatMap((product) => product.categories));
  const tags = new Set(given.flatMap((product) => product.tags));
  const attributes = new Set(given.flatMap((product) => product.attributes));
  const own = new Set(given.map((product) => product.slug));
  return catalogue
    .filter((product) => product.inStock && !own.has(product.slug) && !excluded.has(product.slug))
    .map((product) => ({
      product,
      sharedCategories: product.categories.filter((slug) => categories.has(slug)),
      sharedTags: product.tags.filter((tag) => tags.has(tag)),
      sharedAttributes: product.attributes.filter((attribute) => attributes.has(attribute)),
    }))
    .map((item) => ({ ...item, nearness: nearnessOf(item, weights) }))
    .filter((item) => item.nearness > 0)
    .sort(
      (a, b) =>
        b.nearness - a.nearness ||
        b.product.soldCount - a.product.soldCount ||
        a.product.slug.localeCompare(b.product.slug),
    )
    .slice(0, most)
    .map(({ product, sharedCategories, sharedTags, sharedAttributes }) => ({
      slug: product.slug,
      sharedCategories,
      sharedTags,
      sharedAttributes,
    }));
}

const nearnessOf = (shared: Omit<Relation, 'slug'>, { tag, category, attribute }: Weights): number =>
  shared.sharedTags.length * tag +
  shared.sharedCategories.length * category +
  shared.sharedAttributes.length * attribute;
