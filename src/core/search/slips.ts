import { distance } from 'fastest-levenshtein';

/** How many letters may be wrong, by the length of what was typed: short words with a letter changed are other words. */
function allowed(length: number): number {
  if (length < 4) return 0;
  return length < 8 ? 1 : 2;
}

/** Two letters next to each other that changed places: one slip of the fingers, two edits (Damerau, 1964). */
function isSwap(a: string, b: string): boolean {
  if (a.length !== b.length) return false;
  const i = [...a].findIndex((letter, at) => letter !== b[at]);
  return i >= 0 && a[i] === b[i + 1] && a[i + 1] === b[i] && a.slice(i + 2) === b.slice(i + 2);
}

/** The known words that may have been meant, nearest first; of those as near, the more frequent first. */
export function nearWords(
  typed: string,
  known: readonly { readonly word: string; readonly products: number }[],
  most = 3,
): string[] {
  const limit = allowed(typed.length);
  return known
    .map(({ word, products }) => ({ word, products, off: isSwap(typed, word) ? 1 : distance(typed, word) }))
    .filter(({ off }) => off <= limit)
    .sort((a, b) => a.off - b.off || b.products - a.products || a.word.localeCompare(b.word))
    .slice(0, most)
    .map(({ word }) => word);
}

/** All groups of three letters; similar words share some. */
export function trigramsOf(word: string): string[] {
  return Array.from({ length: Math.max(0, word.length - 2) }, (_, i) => word.slice(i, i + 3));
}
