import type { ListingPlace } from '~/pieces/shop-reader';

const MOST_PAGES = 10_000;

/** Reads the place; what is no number is the first page. */
export function listingPlace(url: URL, id: string | null): ListingPlace {
  const [pageName, shownName] = id === null ? ['page', 'shown'] : [`${id}.page`, `${id}.shown`];
  const read = (name: string) => {
    const text = url.searchParams.get(name) ?? '';
    return /^\d{1,6}$/.test(text) ? Math.min(MOST_PAGES, Math.max(1, Number(text))) : null;
  };
  const shown = read(shownName);
  return {
    page: shown ?? read(pageName) ?? 1,
    fromFirst: shown !== null,
    href: (page, fromFirst) => {
      const search = new URLSearchParams(url.searchParams);
      for (const name of [pageName, shownName, 'draft', 'shape', 'edit']) search.delete(name);
      search.set(fromFirst ? shownName : pageName, String(page));
      return `?${search}`;
    },
  };
}

/** Fields of what was chosen, for a form that does not offer them. */
export function keptFields(search: URLSearchParams): [name: string, value: string][] {
  return [...search]
    .filter(([name, value]) => value !== '' && /^([avn]\..{1,90}|tag|rating)$/.test(name))
    .slice(0, 100);
}
