import type { PageKind } from './where.schema';

/** Kinds of listings, as rules and pages name them. */
export const LISTS = {
  'list:all': 'Shop page with all products',
  'list:category': 'Every category page',
  'list:tag': 'Every tag page',
  'list:search': 'Search results',
} as const;
export type ListName = keyof typeof LISTS;

/**
 * What a page is about, as rules name it: a category by its slug, all else with a word before it. Names stand in lists with
 * spaces between them, so that a space within one is written as a hard one.
 */
export type PageName =
  | { readonly kind: 'list'; readonly name: ListName }
  | { readonly kind: 'tag' | 'page' | 'category'; readonly name: string };

const HARD_SPACE = '\u00a0';

export const tagName = (tag: string): string => `tag:${tag.replaceAll(' ', HARD_SPACE)}`;
/** A page of the owner's. */
export const ownPageName = (page: string): string => `page:${page}`;

export function readPageName(written: string): PageName {
  if (Object.hasOwn(LISTS, written)) return { kind: 'list', name: written as ListName };
  if (written.startsWith('tag:')) return { kind: 'tag', name: written.slice(4).replaceAll(HARD_SPACE, ' ') };
  if (written.startsWith('page:')) return { kind: 'page', name: written.slice(5) };
  return { kind: 'category', name: written };
}

/** The kinds of pages that can be about it. */
export function pagesAbout(written: string): readonly PageKind[] {
  const { kind } = readPageName(written);
  if (kind === 'list') return ['listing'];
  if (kind === 'page') return ['other'];
  return ['listing', 'product'];
}
