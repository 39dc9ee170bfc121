import type { PieceDefinition } from '../settings/definition';
import { LEGAL_PAGES, type Lane } from '../document/lane.schema';
import { pieceName } from '../document/many';
import { LEGAL_NAMES } from '../difference/shop-difference';

/** A place of the shop that says something of its own in a language. */
export interface LanguageUse {
  readonly name: string;
  /** Whether it says it in no other language of the shop: whoever reads those gets it in this one. */
  readonly isOnly: boolean;
}

/** Where the owner has written something in a language: pages first, then pieces and words of the shop. */
export function languageUse(
  lane: Lane,
  language: string,
  definitions: readonly PieceDefinition[],
): readonly LanguageUse[] {
  const others = lane.shop.languages.filter((other) => other !== language);
  const usesOf = (name: string, textIn: (language: string) => string | undefined): LanguageUse[] =>
    textIn(language) ? [{ name, isOnly: !others.some((other) => textIn(other)) }] : [];
  const hasWords = (words: Readonly<Record<string, string | undefined>> | undefined) =>
    Object.values(words ?? {}).find(Boolean);
  return [
    ...Object.entries(lane.pages).flatMap(([slug, page]) => {
      const title = Object.values(page.title).find(Boolean) ?? slug;
      return usesOf(page.title[language] || title, (one) => page.text[one] || page.title[one]);
    }),
    ...LEGAL_PAGES.flatMap((page) => usesOf(LEGAL_NAMES[page], (one) => lane.legal[one]?.[page])),
    // What ships says it in the other languages, too.
    ...Object.values(lane.pieces).flatMap((piece) =>
      hasWords(piece.words[language]) ? [{ name: `Words of ${pieceName(piece, definitions)}`, isOnly: false }] : [],
    ),
    ...(hasWords(lane.shopWords[language]) ? [{ name: 'Words of the shop’s pages', isOnly: false }] : []),
  ];
}
