import { readPageName } from '~/core/where';
import { DEVICES, type Device } from '~/core/where/where.schema';
import { namedIn } from '~/core/facts';
import { own } from '~/core/own';
import { findOfferFaults, MOST_SEARCHED, mostAble, offersOf, type OfferFault } from '~/core/pricing';
import { checkMessage } from '~/core/words/check-message';
import { readCustomCss, type CssProblem } from '../document/custom-css';
import type { PieceDefinition } from '../settings/definition';
import { faintTexts, type FaintText } from './faint-texts';
import type { Lane, Piece } from '../document/lane.schema';
import { whyNeverSeen, type CategoryTexts, type NeverSeen } from './never-seen';
import type { Selection } from '../settings/types/selection';

/** What publishing finds. An error blocks; a warning is shown. */
export type LintFinding =
  | {
      /** An error where it would change who sees the piece; a selection goes on without what is gone. */
      readonly level: 'error' | 'warning';
      readonly code: 'deleted-product' | 'deleted-category';
      readonly pieceId: string;
      readonly slug: string;
    }
  /** A page of the owner's or a tag that a rule names and that is gone. */
  | {
      readonly level: 'error';
      readonly code: 'deleted-about';
      readonly pieceId: string;
      readonly kind: 'page' | 'tag';
      readonly name: string;
    }
  /** Style rules of the owner's own that cannot be served as they stand. */
  | { readonly level: 'error'; readonly code: 'css'; readonly pieceId: string; readonly problem: CssProblem }
  /** Nobody could order: a part is hidden on these devices, or the text of what is pressed there is empty. */
  | {
      readonly level: 'error';
      readonly code: 'needs-part';
      readonly pieceId: string;
      readonly part: string;
      readonly devices: readonly Device[];
      readonly without: string;
    }
  | {
      readonly level: 'error';
      readonly code: 'needs-word';
      readonly pieceId: string;
      readonly word: string;
      readonly language: string;
      readonly without: string;
    }
  /** A word has a `{placeholder}` that nothing is put in for. */
  | {
      readonly level: 'warning';
      readonly code: 'placeholder';
      readonly pieceId: string;
      readonly word: string;
      readonly language: string;
      readonly placeholder: string;
    }
  /** A text whose braces cannot be read. */
  | {
      readonly level: 'warning';
      readonly code: 'message';
      readonly pieceId: string;
      readonly word: string;
      readonly language: string;
      readonly because: string;
    }
  /** Its spot does not exist any more, or its kind cannot be there: it is shown nowhere. */
  | { readonly level: 'warning'; readonly code: 'spot-gone'; readonly pieceId: string; readonly spot: string }
  /** A text names a product or a piece that is gone, or a piece that does not stand in texts; `page`: of a page of the owner's. */
  | {
      readonly level: 'warning';
      readonly code: 'fact-gone' | 'piece-gone';
      readonly pieceId: string | null;
      readonly page: string | null;
      /** Its name, where it is the text of one. */
      readonly category: string | null;
      readonly name: string;
    }
  /** A text that is hard to read on its ground. */
  | ({ readonly level: 'warning'; readonly code: 'faint'; readonly pieceId: string } & FaintText)
  /** What the kind itself says of its settings. */
  | { readonly level: 'warning'; readonly code: 'note'; readonly pieceId: string; readonly text: string }
  | { readonly level: 'warning'; readonly code: 'nobody-sees'; readonly pieceId: string; readonly why: NeverSeen }
  /** More offers can be able in one cart than are searched. */
  | { readonly level: 'warning'; readonly code: 'many-offers'; readonly pieceId: null; readonly count: number }
  /** An offer that is on and can never work. */
  | ({ readonly level: 'error'; readonly pieceId: null } & OfferFault)
  /** No product is in what it is to show. */
  | { readonly level: 'warning'; readonly code: 'shows-nothing'; readonly pieceId: string }
  /** What a link sells is not sold any more; empty: it sells nothing yet. */
  | { readonly level: 'warning'; readonly code: 'sells-nothing'; readonly pieceId: string; readonly sku: string }
  /** `pieceId` stays closed, because `otherId` opens at the same moment and comes before it. */
  | { readonly level: 'warning'; readonly code: 'same-moment'; readonly pieceId: string; readonly otherId: string };

/** What the catalogue has, to find what a lane still points to. */
export interface CatalogueSlugs {
  readonly products: ReadonlySet<string>;
  readonly categories: ReadonlySet<string>;
  readonly tags?: ReadonlySet<string>;
  /** Ids of pieces whose selection holds nothing now. */
  readonly empty?: ReadonlySet<string>;
  /** SKUs that pieces name and nobody can buy any more, by the piece’s id. */
  readonly unsold?: ReadonlyMap<string, string>;
  /** SKUs that offers give but the shop does not sell. */
  readonly goneGifts?: ReadonlySet<string>;
  readonly categoryTexts?: CategoryTexts;
  /** Milliseconds since 1970; offers that have ended are not reported. */
  readonly at?: number;
}

export function lintLane(lane: Lane, definitions: readonly PieceDefinition[], slugs: CatalogueSlugs): LintFinding[] {
  const findings: LintFinding[] = [];
  for (const [id, piece] of Object.entries(lane.pieces)) {
    const definition = definitions.find((candidate) => candidate.kind === piece.kind);
    if (piece.on || definition?.isAlwaysOn)
      for (const problem of readCustomCss(piece.look.css).problems)
        findings.push({ level: 'error', code: 'css', pieceId: id, problem });
    if (definition && (piece.on || definition.isAlwaysOn)) findings.push(...findNeeds(id, piece, definition, lane));
    if (definition && (piece.on || definition.isAlwaysOn))
      for (const faint of faintTexts(definition, piece, lane))
        findings.push({ level: 'warning', code: 'faint', pieceId: id, ...faint });
    if (piece.on)
      for (const { text } of definition?.notes?.(piece.settings) ?? [])
        findings.push({ level: 'warning', code: 'note', pieceId: id, text });
    if (!piece.on || definition?.isAlwaysOn) continue;
    const { where } = piece;
    const why = whyNeverSeen(lane, id, definitions, slugs.categoryTexts ?? {});
    if (why) findings.push({ level: 'warning', code: 'nobody-sees', pieceId: id, why });
    if (definition?.spots && where.spot !== null && !definition.spots.some((spot) => spot === where.spot))
      findings.push({ level: 'warning', code: 'spot-gone', pieceId: id, spot: where.spot });
    findings.push(...goneFromSelections(id, piece, definition, slugs));
    if (slugs.empty?.has(id)) findings.push({ level: 'warning', code: 'shows-nothing', pieceId: id });
    const sku = slugs.unsold?.get(id);
    if (sku !== undefined) findings.push({ level: 'warning', code: 'sells-nothing', pieceId: id, sku });
    for (const slug of where.products.mode === 'all' ? [] : where.products.slugs) {
      if (!slugs.products.has(slug)) findings.push({ level: 'error', code: 'deleted-product', pieceId: id, slug });
    }
    for (const written of where.categories.mode === 'all' ? [] : where.categories.slugs) {
      const { kind, name } = readPageName(written);
      if (kind === 'category' && !slugs.categories.has(name))
        findings.push({ level: 'error', code: 'deleted-category', pieceId: id, slug: name });
      if ((kind === 'page' && !own(lane.pages, name)) || (kind === 'tag' && slugs.tags && !slugs.tags.has(name)))
        findings.push({ level: 'error', code: 'deleted-about', pieceId: id, kind, name });
    }
  }
  return [
    ...findings,
    ...goneFromTexts(lane, definitions, slugs),
    ...sameMoments(lane, definitions),
    ...findInOffers(lane, slugs),
  ];
}

function findInOffers({ offers, shop }: Lane, { at = 0, goneGifts }: CatalogueSlugs): LintFinding[] {
  const count = mostAble(offersOf(offers), at, shop.severalCodes);
  return [
    ...(count > MOST_SEARCHED ? [{ level: 'warning', code: 'many-offers', pieceId: null, count } as const] : []),
    ...findOfferFaults(offers, goneGifts).map((fault) => ({ level: 'error', pieceId: null, ...fault }) as const),
  ];
}

/** What texts name, though it is gone: shoppers see the fallback, or nothing. */
function goneFromTexts(lane: Lane, definitions: readonly PieceDefinition[], slugs: CatalogueSlugs): LintFinding[] {
  const rich = Object.entries(lane.pieces).flatMap(([pieceId, piece]) => {
    const words = definitions.find(({ kind }) => kind === piece.kind)?.words ?? {};
    const keys = Object.keys(words).filter((key) => words[key]!.isRich);
    const texts = Object.values(piece.words).flatMap((said) => keys.map((key) => said[key] ?? ''));
    return piece.on && keys.length > 0
      ? [{ pieceId, page: null, text: texts.join('\n'), takesPieces: false, category: null }]
      : [];
  });
  const pages = Object.entries(lane.pages).map(([page, { text }]) => ({
    pieceId: null,
    page,
    text: Object.values(text).join('\n'),
    takesPieces: true,
    category: null,
  }));
  const categories = Object.values(slugs.categoryTexts ?? {}).map(({ name, text }) => ({
    pieceId: null,
    page: null,
    text,
    takesPieces: true,
    category: name,
  }));
  return [...rich, ...pages, ...categories].flatMap(({ pieceId, page, text, takesPieces, category }): LintFinding[] => {
    const named = namedIn(text);
    const stands = (id: string) => takesPieces && own(lane.pieces, id)?.where.spot === 'text' && lane.pieces[id]!.on;
    const finding = (code: 'fact-gone' | 'piece-gone') => (name: string) =>
      ({ level: 'warning', code, pieceId, page, category, name }) as const;
    return [
      ...named.products.filter((slug) => !slugs.products.has(slug)).map(finding('fact-gone')),
      ...named.pieces.filter((id) => !stands(id)).map(finding('piece-gone')),
    ];
  });
}

/** What selections of a piece still name, though it is gone. */
function goneFromSelections(
  pieceId: string,
  piece: Piece,
  definition: PieceDefinition | undefined,
  slugs: CatalogueSlugs,
): LintFinding[] {
  return Object.entries(definition?.settings ?? {}).flatMap(([key, spec]): LintFinding[] => {
    if (spec.type !== 'selection') return [];
    const { from, category, picked, without } = piece.settings[key] as Selection;
    const products = [...(from === 'picked' ? picked.slugs : []), ...without.slugs];
    return [
      ...(from === 'category' && category !== '' && !slugs.categories.has(category)
        ? [{ level: 'warning' as const, code: 'deleted-category' as const, pieceId, slug: category }]
        : []),
      ...products
        .filter((slug) => !slugs.products.has(slug))
        .map((slug) => ({ level: 'warning' as const, code: 'deleted-product' as const, pieceId, slug })),
    ];
  });
}

/** What an order needs of a piece and does not find, and words that would show their braces. */
function findNeeds(pieceId: string, piece: Piece, definition: PieceDefinition, lane: Lane): LintFinding[] {
  const emptied = (word: string) =>
    lane.shop.languages.filter((language) => piece.words[language]?.[word]?.trim() === '');
  const findings: LintFinding[] = [];
  for (const { oneOf, without } of definition.needs ?? []) {
    const wanted = Object.entries(oneOf);
    const isThere = (device: Device, part: string) =>
      piece.parts.some(({ key, on, hideOn }) => key === part && on && !hideOn.includes(device));
    const works = (device: Device) =>
      wanted.some(([part, words]) => isThere(device, part) && words.every((word) => emptied(word).length === 0));
    const missing = DEVICES.filter((device) => !works(device));
    const hidden = missing.filter((device) => !wanted.some(([part]) => isThere(device, part)));
    const [part] = wanted[0]!;
    if (hidden.length > 0)
      findings.push({ level: 'error', code: 'needs-part', pieceId, part, devices: hidden, without });
    if (missing.length > hidden.length)
      for (const word of wanted.flatMap(([, words]) => words))
        for (const language of emptied(word))
          findings.push({ level: 'error', code: 'needs-word', pieceId, word, language, without });
  }
  for (const [language, words] of Object.entries(piece.words))
    for (const [word, text] of Object.entries(words)) {
      // Braces of a text with paragraphs stand for themselves.
      if (definition.words[word]?.isRich) continue;
      const usual = checkMessage(definition.words[word]?.default.en ?? '');
      const read = checkMessage(text ?? '');
      if (!read.ok)
        findings.push({ level: 'warning', code: 'message', pieceId, word, language, because: read.because });
      else
        for (const placeholder of read.placeholders)
          if (usual.ok && !usual.placeholders.includes(placeholder))
            findings.push({ level: 'warning', code: 'placeholder', pieceId, word, language, placeholder });
    }
  return findings;
}

/** Pieces that would open at the same moment before the same shoppers: one does, the others are named with it. */
function sameMoments(lane: Lane, definitions: readonly PieceDefinition[]): LintFinding[] {
  const opening = Object.entries(lane.pieces).flatMap(([id, piece]) => {
    const definition = definitions.find((candidate) => candidate.kind === piece.kind);
    if (!piece.on || !definition) return [];
    return definition.opensOn(piece.settings).map((moment) => ({ id, piece, moment, rank: definition.openRank ?? 0 }));
  });
  const ranked = opening.sort((a, b) => a.rank - b.rank);
  return ranked.flatMap((late, i): LintFinding[] => {
    const first = ranked.slice(0, i).find((early) => early.moment === late.moment && meet(early.piece, late.piece));
    return first ? [{ level: 'warning', code: 'same-moment', pieceId: late.id, otherId: first.id }] : [];
  });
}

function meet(a: Piece, b: Piece): boolean {
  return (
    a.where.devices.some((device) => b.where.devices.includes(device)) &&
    a.where.pages.some((page) => b.where.pages.includes(page))
  );
}
