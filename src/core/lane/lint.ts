import { DEVICES, type Device } from '~/core/where/where.schema';
import { readCustomCss, type CssProblem } from './custom-css';
import type { PieceDefinition } from './definition';
import type { Lane, Piece } from './lane.schema';

/** What publishing finds. An error blocks; a warning is shown. */
export type LintFinding =
  | {
      readonly level: 'error';
      readonly code: 'deleted-product' | 'deleted-category';
      readonly pieceId: string;
      readonly slug: string;
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
  | { readonly level: 'warning'; readonly code: 'nobody-sees'; readonly pieceId: string }
  /** `pieceId` stays closed, because `otherId` opens at the same moment and comes before it. */
  | { readonly level: 'warning'; readonly code: 'same-moment'; readonly pieceId: string; readonly otherId: string };

/** Slugs that exist, to find what a lane still points to. */
export interface CatalogueSlugs {
  readonly products: ReadonlySet<string>;
  readonly categories: ReadonlySet<string>;
}

export function lintLane(lane: Lane, definitions: readonly PieceDefinition[], slugs: CatalogueSlugs): LintFinding[] {
  const findings: LintFinding[] = [];
  for (const [id, piece] of Object.entries(lane.pieces)) {
    const definition = definitions.find((candidate) => candidate.kind === piece.kind);
    if (piece.on || definition?.isAlwaysOn)
      for (const problem of readCustomCss(piece.look.css).problems)
        findings.push({ level: 'error', code: 'css', pieceId: id, problem });
    if (definition && (piece.on || definition.isAlwaysOn)) findings.push(...findNeeds(id, piece, definition, lane));
    if (!piece.on || definition?.isAlwaysOn) continue;
    const { where } = piece;
    const emptyOnly = [where.categories, where.products].some(
      (scope) => scope.mode === 'only' && scope.slugs.length === 0,
    );
    if (where.devices.length === 0 || where.pages.length === 0 || emptyOnly)
      findings.push({ level: 'warning', code: 'nobody-sees', pieceId: id });
    for (const slug of where.products.mode === 'all' ? [] : where.products.slugs) {
      if (!slugs.products.has(slug)) findings.push({ level: 'error', code: 'deleted-product', pieceId: id, slug });
    }
    for (const slug of where.categories.mode === 'all' ? [] : where.categories.slugs) {
      if (!slugs.categories.has(slug)) findings.push({ level: 'error', code: 'deleted-category', pieceId: id, slug });
    }
  }
  return [...findings, ...sameMoments(lane, definitions)];
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
      const known = placeholdersOf(definition.words[word]?.default.en ?? '');
      for (const placeholder of placeholdersOf(text ?? ''))
        if (!known.includes(placeholder))
          findings.push({ level: 'warning', code: 'placeholder', pieceId, word, language, placeholder });
    }
  return findings;
}

/** The names in braces. Of `{count, plural, one {item} …}` it is `count`: every second pair of braces holds text. */
function placeholdersOf(text: string): string[] {
  const names = new Set<string>();
  let depth = 0;
  for (const [brace, name] of text.matchAll(/\{\s*(\w*)|\}/g)) {
    depth += brace === '}' ? -1 : 1;
    if (name && depth % 2 === 1) names.add(name);
  }
  return [...names];
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
