const MOST_WORDS = 8;
const LONGEST_WORD = 40;

/** The words of a text as they are searched: letters and digits, small, without accents. `’s` belongs to the word before. */
export function wordsOf(text: string): string[] {
  const plain = text.toLowerCase().replace(/ß/g, 'ss').normalize('NFD').replace(/\p{M}/gu, '').replace(/['’]/g, '');
  return plain.match(/[\p{L}\p{N}]+/gu) ?? [];
}

/** What a shopper typed, as the words that are looked for: each once, and no more than anybody types. */
export function queryWords(typed: string): string[] {
  return [...new Set(wordsOf(typed.slice(0, 200)).map((word) => word.slice(0, LONGEST_WORD)))].slice(0, MOST_WORDS);
}
