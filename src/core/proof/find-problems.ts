import type { PageMeasure } from './page-measure';
import { CHECK_KEYS, problemKey, type CheckKey, type Found, type ProofProblem } from './problem';
import { findCovered, findDead, findSmall, findUnmarked, findUnnamed, findUnseenFocus } from './controls';
import { findFaint } from './faint';
import { findHoldsTab, findNoClose, findSeveral, findUnannounced } from './surfaces';
import { findDiffers, findMoving, findShifts } from './stillness';
import { findUntranslated, type Compared } from './languages';
import { findCut, findNarrow, findSideways, findSticksOut } from './text-room';

const CHECKS: Readonly<Record<CheckKey, (page: PageMeasure, compared: Compared) => readonly Found[]>> = {
  covered: findCovered,
  dead: findDead,
  differs: findDiffers,
  'no-close': findNoClose,
  several: findSeveral,
  faint: findFaint,
  cut: findCut,
  'sticks-out': findSticksOut,
  narrow: findNarrow,
  small: findSmall,
  unnamed: findUnnamed,
  sideways: findSideways,
  unmarked: findUnmarked,
  'unseen-focus': findUnseenFocus,
  'holds-tab': findHoldsTab,
  unannounced: findUnannounced,
  shifts: findShifts,
  untranslated: findUntranslated,
  moves: findMoving,
};

const NOTHING_COMPARED: Compared = { source: new Map() };

/**
 * Everything that is wrong with what was measured, the worst for whoever wants to order first. Of a piece, with what it
 * covers and how it makes the page stand, where `pieceId` says so.
 */
export function findProblems(
  page: PageMeasure,
  pieceId: string | null = null,
  compared: Compared = NOTHING_COMPARED,
): ProofProblem[] {
  const counted = new Map<string, ProofProblem>();
  for (const key of CHECK_KEYS)
    for (const found of CHECKS[key](page, compared)) {
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
  if (found.check === 'covered' || found.check === 'differs') places.push(found.by);
  if (found.check === 'several') places.push(...found.others);
  return (found.check === 'sideways' && found.at.pieceId === '') || places.some((place) => place.pieceId === pieceId);
}
