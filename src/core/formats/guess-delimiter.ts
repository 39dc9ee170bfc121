const CANDIDATES = [',', ';', '\t', '|'] as const;
export type Delimiter = (typeof CANDIDATES)[number];

/** The mark that parts most cells of the heading row; marks inside quotes do not count. Comma when there is none. */
export function guessDelimiter(text: string): Delimiter {
  const counts = new Map<string, number>();
  let quoted = false;
  for (const char of text) {
    if (char === '"') quoted = !quoted;
    else if (!quoted && (char === '\n' || char === '\r')) break;
    else if (!quoted) counts.set(char, (counts.get(char) ?? 0) + 1);
  }
  return CANDIDATES.reduce((best, mark) => ((counts.get(mark) ?? 0) > (counts.get(best) ?? 0) ? mark : best));
}
