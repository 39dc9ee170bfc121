import { ownPageName } from '~/core/where';
import type { Lane, TextPage } from './lane.schema';

/** What a page of the owner's says in a language: its own words, else those in the shop's first language. */
export function textPage(lane: Pick<Lane, 'shop'>, page: TextPage, language: string): { title: string; text: string } {
  const said = (texts: Readonly<Record<string, string>>) =>
    [language, ...lane.shop.languages, ...Object.keys(texts)].map((one) => texts[one]).find(Boolean) ?? '';
  return { title: said(page.title), text: said(page.text) };
}

/** The address under which a page is found now that was asked for under one it had before; null: there is none. */
export function movedTo(pages: Lane['pages'], slug: string): string | null {
  if (Object.hasOwn(pages, slug)) return null;
  return Object.keys(pages).find((now) => pages[now]!.on && pages[now]!.formerly.includes(slug)) ?? null;
}

/** Gives a page another address; its old one keeps leading to it. Changes the lane it is given. */
export function movePage(lane: Pick<Lane, 'pages' | 'pieces'>, slug: string, next: string): void {
  const page = lane.pages[slug]!;
  delete lane.pages[slug];
  const before = page.formerly.filter((other) => other !== next && other !== slug);
  for (const { where } of Object.values(lane.pieces))
    if (where.categories.mode !== 'all')
      where.categories.slugs = where.categories.slugs.map((name) =>
        name === ownPageName(slug) ? ownPageName(next) : name,
      );
  lane.pages[next] = { ...page, formerly: [...before, slug].slice(-20) };
}

/** An address for a page from its title: letters, digits and hyphens, none that is taken. */
export function pageSlug(title: string, taken: readonly string[]): string {
  const plain = title
    .normalize('NFKD')
    .replaceAll(/\p{M}+/gu, '')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-+|-+$/g, '')
    .slice(0, 50);
  const base = plain || 'page';
  for (let n = 1; ; n += 1) {
    const slug = n === 1 ? base : `${base}-${n}`;
    if (!taken.includes(slug)) return slug;
  }
}
