import type { PageMeasure } from './page-measure';
import type { Found } from './problem';

/** A line of text may grow by as much when its font comes; what a finger is on its way to stays under it. */
const LEAST_SHIFT_PX = 8;

export function findShifts({ shifts }: PageMeasure): Found[] {
  return shifts.flatMap(({ at, box, byPx }): Found[] =>
    byPx > LEAST_SHIFT_PX ? [{ check: 'shifts', at, box, byPx: Math.round(byPx) }] : [],
  );
}

export function findMoving({ moving }: PageMeasure): Found[] {
  return moving.map(({ at, box }): Found => ({ check: 'moves', at, box }));
}

/** Each sum is the same wherever it is told; the first place counts. */
export function findDiffers({ sums }: PageMeasure): Found[] {
  return sums.flatMap(({ at, box, of, text }): Found[] => {
    const first = sums.find((other) => other.of === of);
    return !first || first.text === text ? [] : [{ check: 'differs', at, box, text, other: first.text, by: first.at }];
  });
}
