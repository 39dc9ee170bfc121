import type { PieceDefinition, Situation } from '~/core/lane';
import { cartSurface } from './cart-surface/definition';
import { cartSurfaceSituations } from './cart-surface/situations';
import { quickView } from './quick-view/definition';
import { quickViewSituations } from './quick-view/situations';

interface RegisteredPiece {
  readonly definition: PieceDefinition;
  readonly situations: readonly Situation[];
}

/** Every kind of piece there is: one line each. The runtime keeps the matching map of views. */
const REGISTERED: readonly RegisteredPiece[] = [
  { definition: quickView, situations: quickViewSituations },
  { definition: cartSurface, situations: cartSurfaceSituations },
];

export const definitions: readonly PieceDefinition[] = REGISTERED.map((entry) => entry.definition);

export function definitionOf(kind: string): PieceDefinition | undefined {
  return definitions.find((definition) => definition.kind === kind);
}

export function situationsOf(kind: string): readonly Situation[] {
  return REGISTERED.find((entry) => entry.definition.kind === kind)?.situations ?? [];
}
