/** One word of a search, with what stands for it as well, and in how many products any of them is found. */
export interface SearchWord {
  readonly text: string;
  /** Synonyms and mended slips; phrases of several words allowed. */
  readonly others: readonly string[];
  readonly products: number;
  /** Known as it stands, but for its ending: words that only begin like it are others. */
  readonly isWhole?: boolean;
}

/** With so many results a search is answered as typed; with fewer its commonest word becomes optional. */
const ENOUGH = 3;

/** A phrase of SQLite's full-text query language (FTS5, 3.2), whole or by its beginning: quotes make everything in it plain. */
function phrase(text: string, isWhole = false): string {
  return `"${text.replaceAll('"', '""')}"${isWhole ? '' : ' *'}`;
}

function anyOf(word: SearchWord): string {
  const parted = partMeasure(word.text);
  const texts = parted === word.text ? [word.text] : [word.text, parted];
  const own = texts.map((text) => phrase(text, word.isWhole));
  return `(${[...own, ...word.others.map((other) => phrase(other))].join(' OR ')})`;
}

/**
 * The searches to try one after the other until one finds enough: all words first, then without the commonest, and so on
 * down to the rarest. Words not insisted on still count for the order. None when nothing is left to look for.
 */
export function searchesOf(words: readonly SearchWord[]): string[] {
  const found = words.filter((word) => word.products > 0).sort((a, b) => a.products - b.products);
  return found.map((_, i) => {
    const needed = found.slice(0, found.length - i);
    const more = found.slice(found.length - i);
    const all = needed.map(anyOf).join(' AND ');
    return more.length === 0 ? all : `${all} AND (${[anyOf(needed[0]!), ...more.map(anyOf)].join(' OR ')})`;
  });
}

/** The first search that finds enough, else the one that finds most; `count` says how many products each finds. */
export async function firstThatFinds(
  searches: readonly string[],
  count: (search: string) => Promise<number>,
): Promise<string | null> {
  let best: { search: string; found: number } | null = null;
  for (const search of searches) {
    const found = await count(search);
    if (found >= ENOUGH) return search;
    if (!best || found > best.found) best = { search, found };
  }
  return best && best.found > 0 ? best.search : null;
}

/** Full-text queries by which what is found is ordered, the closest first: names come before texts, a phrase before its words. */
export interface SearchRanks {
  readonly typed: string;
  readonly phraseInName: string;
  readonly wordsInName: string;
  readonly phrase: string;
}

export function ranksOf(typed: string, words: readonly SearchWord[]): SearchRanks | null {
  const found = words.filter(({ products }) => products > 0);
  if (found.length === 0) return null;
  const whole = phrase(found.map(({ text }) => partMeasure(text)).join(' '));
  const all = found.map(anyOf).join(' AND ');
  return { typed, phraseInName: `name : ${whole}`, wordsInName: `name : (${all})`, phrase: whole };
}

/** “40kg” as it is written elsewhere: “40 kg”. */
function partMeasure(word: string): string {
  return word.replace(/^(\d+)(\p{L}+)$/u, '$1 $2');
}
