import { LISTS, pagesAbout, readPageName } from './page-names';
import type { Device, PageKind, Where } from './where.schema';
import { isSeen, type Visit } from './who-sees';

export interface WhereSummary {
  /** Where it can be seen at all, each device with each of its pages. */
  readonly seen: readonly { readonly device: Device; readonly page: PageKind }[];
  readonly devices: readonly Device[];
  readonly pages: readonly PageKind[];
}

/** Whether the categories and products of a rule are those of the page, or of what was added, which can be anything anywhere. */
export type Judges = 'page' | 'added';

/** A name nobody can give: a category or product that no rule names. */
const OTHER = '\0';

/** One visit for each case that some rules tell apart, on pages of these kinds. */
export function visitsToldApart(rules: readonly Where[], pages: readonly PageKind[], judges: Judges = 'page'): Visit[] {
  const named = (key: 'categories' | 'products') =>
    rules.flatMap(({ [key]: scope }) => (scope.mode === 'all' ? [] : scope.slugs));
  const names = [...new Set(named('categories'))];
  const slugs = [...new Set(named('products'))];
  const devices = [...new Set(rules.flatMap((rule) => rule.devices))];
  return devices.flatMap((device) =>
    pages.flatMap((page) => {
      const about = judges === 'added' ? [[], [OTHER], ...names.map((name) => [name])] : aboutOf(page, names);
      const products = judges === 'added' || page === 'product' ? [OTHER, ...slugs] : [null];
      return about.flatMap((categories) => products.map((product) => ({ device, page, categories, product })));
    }),
  );
}

/** What pages of a kind can be about, as far as the names tell them apart. A listing is of exactly one kind. */
function aboutOf(page: PageKind, names: readonly string[]): string[][] {
  const own = names.filter((name) => pagesAbout(name).includes(page));
  if (page !== 'listing')
    return page === 'product' ? [[], [OTHER], ...own.map((name) => [name])] : [[], ...own.map((name) => [name])];
  const within = (kind: 'category' | 'tag') =>
    [OTHER, ...own.filter((name) => readPageName(name).kind === kind)].map((name) => [name, `list:${kind}`]);
  const plain = Object.keys(LISTS).filter((list) => list !== 'list:category' && list !== 'list:tag');
  return [...plain.map((list) => [list]), ...within('category'), ...within('tag')];
}

/**
 * Where a piece can be seen: every device and page on which `isSeen` shows it to some visit. Asked with one visit for each
 * case that its rules tell apart, so that the summary and what is shown cannot disagree.
 */
export function summariseWhere(where: Where, pages: readonly PageKind[], judges: Judges = 'page'): WhereSummary {
  const visits = visitsToldApart([where], pages, judges).filter((visit) => isSeen(where, visit));
  const seen = where.devices.flatMap((device) =>
    pages.flatMap((page) =>
      visits.some((visit) => visit.device === device && visit.page === page) ? [{ device, page }] : [],
    ),
  );
  return {
    seen,
    devices: [...new Set(seen.map(({ device }) => device))],
    pages: [...new Set(seen.map(({ page }) => page))],
  };
}
