import type { MeasuredText, PageMeasure } from './page-measure';
import type { Found } from './problem';

/** What a page is compared with. */
export interface Compared {
  /** Texts of the same piece in the shop's own language, by the place they stand in. */
  readonly source: ReadonlyMap<string, ReadonlySet<string>>;
}

/** As long a text of the catalogue is a sentence; shorter ones may be names, which stay as they are. */
const SENTENCE_LETTERS = 24;
const SENTENCE_WORDS = 5;

/** Where a text stands, in whatever language: its word, or the part of the piece for a text of the catalogue. */
const placeOf = ({ at }: MeasuredText): string =>
  at.word === null ? `part ${at.part ?? ''} ${at.slot ?? ''}` : `word ${at.word}`;

/** Texts as they stand in one language, to compare another with. */
export function textsByPlace(pages: readonly Pick<PageMeasure, 'texts'>[]): ReadonlyMap<string, ReadonlySet<string>> {
  const found = new Map<string, Set<string>>();
  for (const text of pages.flatMap(({ texts }) => texts)) {
    const place = placeOf(text);
    const known = found.get(place) ?? new Set();
    found.set(place, known.add(text.text));
  }
  return found;
}

/** Sentences that read the same as in the shop's own language. A single word may be the same in both. */
export function findUntranslated({ texts, language }: PageMeasure, { source }: Compared): Found[] {
  return texts.flatMap((text): Found[] => {
    // What is said to be in another language is meant to be, as a note to whoever works in the shop.
    if (text.language !== language) return [];
    const isSame = source.get(placeOf(text))?.has(text.text) ?? false;
    return isSame && isWording(text) ? [{ check: 'untranslated', at: text.at, box: text.box, language }] : [];
  });
}

function isWording({ text, at }: MeasuredText): boolean {
  const words = text.match(/\p{L}{2,}/gu) ?? [];
  if (at.word !== null) return words.length > 1;
  return words.length >= SENTENCE_WORDS && text.length >= SENTENCE_LETTERS;
}
