import type { PieceDefinition } from './definition';
import type { Lane } from './lane.schema';

/** What publishing finds. An error blocks; a warning is shown. */
export type LintFinding =
  | {
      readonly level: 'error';
      readonly code: 'deleted-product' | 'deleted-category';
      readonly pieceId: string;
      readonly slug: string;
    }
  | { readonly level: 'warning'; readonly code: 'nobody-sees'; readonly pieceId: string }
  | { readonly level: 'warning'; readonly code: 'same-moment'; readonly pieceId: string; readonly otherId: string };

/** Slugs that exist, to find what a lane still points to. */
export interface CatalogueSlugs {
  readonly products: ReadonlySet<string>;
  readonly categories: ReadonlySet<string>;
}

export function lintLane(lane: Lane, definitions: readonly PieceDefinition[], slugs: CatalogueSlugs): LintFinding[] {
  const findings: LintFinding[] = [];
  const opening: { id: string; moment: string }[] = [];
  for (const [id, piece] of Object.entries(lane.pieces)) {
    if (!piece.on) continue;
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
    const definition = definitions.find((candidate) => candidate.kind === piece.kind);
    for (const moment of definition?.opensOn(piece.settings) ?? []) {
      const other = opening.find((candidate) => candidate.moment === moment);
      if (other) findings.push({ level: 'warning', code: 'same-moment', pieceId: id, otherId: other.id });
      opening.push({ id, moment });
    }
  }
  return findings;
}
