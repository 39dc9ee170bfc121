import { own } from '~/core/own';
import { resolveShopWords, SHOP_WORDS, type WordSpec } from '~/core/words';
import { LEGAL_PAGES, type Lane, type LegalPage } from '../document/lane.schema';
import { pieceName } from '../document/many';
import { resolveWords } from '../document/resolve';
import type { PieceDefinition } from '../settings/definition';

/** A text of a lane in the shop's own language and in another. */
export interface LaneText {
  /** The place it stands in: `pieces/quick-view/words/add`, `shopWords/add`, `pages/sizes/title`, `legal/terms`. */
  readonly key: string;
  /** The piece or page it is of. */
  readonly group: string;
  readonly label: string;
  readonly help: string;
  readonly source: string;
  /** As shoppers read it now; empty where there is none. */
  readonly target: string;
  readonly state: TextState;
  /** Whether `{…}` in it are facts (ICU MessageFormat). */
  readonly isMessage: boolean;
}

/**
 * `own`: written by the owner; `shipped`: comes with the program; `stale`: comes with the program, for a source that the owner
 * has changed since; `missing`: shoppers read another language; `none`: there is nothing to translate.
 */
export type TextState = 'own' | 'shipped' | 'stale' | 'missing' | 'none';

interface Asked {
  readonly lane: Lane;
  readonly definitions: readonly PieceDefinition[];
  /** ISO 639-1. */
  readonly language: string;
}

/** Every text of a lane that shoppers may read, in a language beside the shop's own. */
export function laneTexts(asked: Asked): LaneText[] {
  const { lane, definitions } = asked;
  const pieces = Object.entries(lane.pieces).flatMap(([id, piece]): LaneText[] => {
    const definition = definitions.find(({ kind }) => kind === piece.kind);
    if (!definition) return [];
    const place = { group: pieceName(piece, definitions), prefix: `pieces/${id}/words` };
    const read = (language: string) => resolveWords(definition, piece, language, lane.shop.cart);
    return wordTexts(asked, place, { specs: definition.words, written: piece.words, read });
  });
  const shop = wordTexts(
    asked,
    { group: 'Pages of the shop', prefix: 'shopWords' },
    { specs: SHOP_WORDS, written: lane.shopWords, read: (language) => resolveShopWords(lane, language) },
  );
  return [...pieces, ...shop, ...pageTexts(asked), ...legalTexts(asked)];
}

interface Words {
  readonly specs: Readonly<Record<string, WordSpec>>;
  /** What the owner wrote, by language. */
  readonly written: Readonly<Record<string, Readonly<Record<string, string | undefined>>>>;
  readonly read: (language: string) => Readonly<Record<string, string>>;
}

function wordTexts(
  { lane, language }: Asked,
  { group, prefix }: { readonly group: string; readonly prefix: string },
  { specs, written, read }: Words,
): LaneText[] {
  const first = lane.shop.languages[0]!;
  const [sources, targets] = [read(first), read(language)];
  return Object.entries(specs).map(([word, spec]): LaneText => {
    const source = sources[word]!;
    const isOwn = written[language]?.[word] !== undefined;
    const isShipped = spec.default[language] !== undefined;
    const isOtherSource = written[first]?.[word] !== undefined;
    return {
      key: `${prefix}/${word}`,
      group,
      label: spec.label,
      help: spec.help,
      source,
      target: isOwn || isShipped ? targets[word]! : '',
      state: stateOf({ isOwn, isShipped, isOtherSource, source }),
      isMessage: !spec.isRich,
    };
  });
}

function stateOf(known: { isOwn: boolean; isShipped: boolean; isOtherSource: boolean; source: string }): TextState {
  if (known.isOwn) return 'own';
  if (known.source === '') return 'none';
  if (!known.isShipped) return 'missing';
  return known.isOtherSource ? 'stale' : 'shipped';
}

function plainText(
  { key, group, label }: Pick<LaneText, 'key' | 'group' | 'label'>,
  source: string,
  target: string | undefined,
): LaneText {
  const state = target ? 'own' : source === '' ? 'none' : 'missing';
  return { key, group, label, help: '', source, target: target ?? '', state, isMessage: false };
}

function pageTexts({ lane, language }: Asked): LaneText[] {
  const first = lane.shop.languages[0]!;
  return Object.entries(lane.pages).flatMap(([id, page]) => {
    const group = `Page: ${page.title[first] ?? id}`;
    return (['title', 'text'] as const).map((part) =>
      plainText(
        { key: `pages/${id}/${part}`, group, label: part === 'title' ? 'Title' : 'Text' },
        page[part][first] ?? '',
        page[part][language],
      ),
    );
  });
}

const LEGAL_LABELS: Readonly<Record<LegalPage, string>> = {
  imprint: 'About us',
  terms: 'Terms of sale',
  privacy: 'Privacy',
  returns: 'Returns',
};

function legalTexts({ lane, language }: Asked): LaneText[] {
  const first = lane.shop.languages[0]!;
  return LEGAL_PAGES.map((page) =>
    plainText(
      { key: `legal/${page}`, group: 'What the law asks for', label: LEGAL_LABELS[page] },
      lane.legal[first]?.[page] ?? '',
      lane.legal[language]?.[page],
    ),
  );
}

/** Writes a text of a lane in a language; an empty one goes back to what it was without. Changes `lane`. False: there is no such place. */
export function writeLaneText(lane: Lane, key: string, language: string, text: string): boolean {
  const [room, id = '', field = '', word = ''] = key.split('/');
  switch (room) {
    case 'pieces': {
      const piece = own(lane.pieces, id);
      if (!piece || field !== 'words') return false;
      put((piece.words[language] ??= {}), word, text);
      if (Object.keys(piece.words[language]).length === 0) delete piece.words[language];
      return true;
    }
    case 'shopWords': {
      const words: Record<string, string | undefined> = (lane.shopWords[language] ??= {});
      put(words, id, text);
      if (Object.keys(words).length === 0) delete lane.shopWords[language];
      return true;
    }
    case 'pages': {
      const page = own(lane.pages, id);
      if (!page || (field !== 'title' && field !== 'text')) return false;
      put(page[field], language, text);
      return true;
    }
    case 'legal': {
      if (!LEGAL_PAGES.some((page) => page === id)) return false;
      const legal = (lane.legal[language] ??= {});
      put(legal, id, text);
      if (Object.keys(legal).length === 0) delete lane.legal[language];
      return true;
    }
    default:
      return false;
  }
}

function put(into: Record<string, string | undefined>, key: string, text: string): void {
  if (text === '') delete into[key];
  else into[key] = text;
}
