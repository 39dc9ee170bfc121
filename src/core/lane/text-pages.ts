import type { Lane, TextPage } from './lane.schema';

/** What a page of the owner's says in a language: its own words, else those in the shop's first language. */
export function textPage(lane: Pick<Lane, 'shop'>, page: TextPage, language: string): { title: string; text: string } {
  const [first] = lane.shop.languages;
  const said = (texts: Readonly<Record<string, string>>) => texts[language] || texts[first!] || '';
  return { title: said(page.title), text: said(page.text) };
}

/** An address for a page from its title: letters, digits and hyphens, none that is taken. */
export function pageSlug(title: string, taken: readonly string[]): string {
  const plain = title
    .normalize('NFKD')
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
