import type { Device, PageKind, Where } from './where.schema';
import { isSeen, type Visit } from './who-sees';

/** Pages that are about categories, and those about a product. On all others there is neither. */
const ABOUT_CATEGORIES: readonly PageKind[] = ['listing', 'product'];
const ABOUT_PRODUCT: readonly PageKind[] = ['product'];

export interface WhereSummary {
  /** Where it can be seen at all, each device with each of its pages. */
  readonly seen: readonly { readonly device: Device; readonly page: PageKind }[];
  readonly devices: readonly Device[];
  readonly pages: readonly PageKind[];
}

/**
 * Where a piece can be seen: every device and page on which `isSeen` shows it to some visit. Asked with one visit for each
 * case that its rules tell apart, so that the summary and what is shown cannot disagree. `judges`: whether its categories and
 * products are those of the page, or of what was added, which can be anything anywhere.
 */
export function summariseWhere(
  where: Where,
  pages: readonly PageKind[],
  judges: 'page' | 'added' = 'page',
): WhereSummary {
  const named = (scope: Where['categories']) => (scope.mode === 'all' ? [] : scope.slugs);
  // A name nobody can give: a category or product that no rule names.
  const other = '\0';
  const seen = where.devices.flatMap((device) =>
    pages.flatMap((page) => {
      const hasCategories = judges === 'added' || ABOUT_CATEGORIES.includes(page);
      const hasProduct = judges === 'added' || ABOUT_PRODUCT.includes(page);
      const categories = hasCategories ? [[], [other], ...named(where.categories).map((slug) => [slug])] : [[]];
      const products = hasProduct ? [other, ...named(where.products)] : [null];
      const isSeenByAny = categories.some((list) =>
        products.some((product) => isSeen(where, { device, page, categories: list, product } satisfies Visit)),
      );
      return isSeenByAny ? [{ device, page }] : [];
    }),
  );
  return {
    seen,
    devices: [...new Set(seen.map(({ device }) => device))],
    pages: [...new Set(seen.map(({ page }) => page))],
  };
}
