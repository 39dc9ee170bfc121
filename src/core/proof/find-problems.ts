import type { PageMeasure } from './page-measure';
import { CHECK_KEYS, problemKey, type CheckKey, type Found, type ProofProblem } from './problem';
import { findCovered, findSmall, findUnnamed } from './controls';
import { findFaint } from './faint';
import { findNoClose, findSeveral } from './surfaces';
import { findCut, findNarrow, findSideways, findSticksOut } from './text-room';

const CHECKS: Readonly<Record<CheckKey, (page: PageMeasure) => readonly Found[]>> = {
  covered: findCovered,
  'no-close': findNoClose,
  several: findSeveral,
  faint: findFaint,
  cut: findCut,
  'sticks-out': findSticksOut,
  narrow: findNarrow,
  small: findSmall,
  unnamed: findUnnamed,
  sideways: findSideways,
};

/**
 * Everything that is wrong with what was measured, the worst for whoever wants to order first. Of a piece, with what it
 * covers and how it makes the page stand, where `pieceId` says so.
 */
export function findProblems(page: PageMeasure, pieceId: string | null = null): ProofProblem[] {
  const counted = new Map<string, ProofProblem>();
  for (const key of CHECK_KEYS)
    for (const found of CHECKS[key](page)) {
      if (pieceId !== null && !concerns(found, pieceId)) continue;
      const place = problemKey(found);
      const same = counted.get(place);
      counted.set(place, same ? { ...same, count: same.count + 1 } : { ...found, count: 1 });
    }
  return [...counted.values()];
}

/** Whether a fault is one of this piece. */
function concerns(found: Found, pieceId: string): boolean {
  const places = [found.at];
  if (found.check === 'covered') places.push(found.by);
  if (found.check === 'several') places.push(...found.others);
  return (found.check === 'sideways' && found.at.pieceId === '') || places.some((place) => place.pieceId === pieceId);
}
