/** The window edge of a floating element; start and end are left and right, swapped in right-to-left pages. */
export type Edge = 'top' | 'bottom' | 'start' | 'end';

/** `along` runs from 0 (start or top) to 100 (end or bottom) of the edge, in percent. */
export interface Place {
  readonly edge: Edge;
  readonly along: number;
}

export const PLACE_PATTERN = /^(top|bottom|start|end) (\d{1,2}|100)$/;

/** Reads `bottom 100`; anything else is the lower end corner. */
export function readPlace(text: string): Place {
  const match = PLACE_PATTERN.exec(text);
  return match ? { edge: match[1] as Edge, along: Number(match[2]) } : { edge: 'bottom', along: 100 };
}

export function writePlace(place: Place): string {
  return `${place.edge} ${place.along}`;
}

export interface Size {
  readonly width: number;
  readonly height: number;
}

export interface Box extends Size {
  readonly left: number;
  readonly top: number;
}

/** Dropped within so many percent of a corner or the middle, an element snaps to it. */
const SNAP = 8;

/** Where a dropped element goes: the nearest edge, and the corner or middle when close. `x`, `y`: its middle, CSS px. */
export function snapPlace(x: number, y: number, window: Size, isRightToLeft = false): Place {
  const fromStart = isRightToLeft ? window.width - x : x;
  const distances: readonly (readonly [Edge, number])[] = [
    ['bottom', window.height - y],
    ['top', y],
    ['start', fromStart],
    ['end', window.width - fromStart],
  ];
  const [edge] = distances.reduce((best, next) => (next[1] < best[1] ? next : best));
  const share = edge === 'top' || edge === 'bottom' ? fromStart / window.width : y / window.height;
  const along = Math.round(Math.min(1, Math.max(0, share)) * 100);
  const near = [0, 50, 100].find((target) => Math.abs(target - along) <= SNAP);
  return { edge, along: near ?? along };
}

/** Where the element lies, `inset` px from the edges. */
export function boxAt(
  place: Place,
  size: Size,
  window: Size,
  { inset, isRightToLeft = false }: { readonly inset: number; readonly isRightToLeft?: boolean },
): Box {
  const run = (length: number, own: number) => inset + (Math.max(0, length - own - 2 * inset) * place.along) / 100;
  const isAcross = place.edge === 'top' || place.edge === 'bottom';
  const fromStart = isAcross
    ? run(window.width, size.width)
    : place.edge === 'start'
      ? inset
      : window.width - size.width - inset;
  const top = !isAcross
    ? run(window.height, size.height)
    : place.edge === 'top'
      ? inset
      : window.height - size.height - inset;
  return { ...size, left: isRightToLeft ? window.width - fromStart - size.width : fromStart, top };
}

export function overlaps(a: Box, b: Box): boolean {
  return a.left < b.left + b.width && b.left < a.left + a.width && a.top < b.top + b.height && b.top < a.top + a.height;
}

/**
 * Moves a box off others by the shortest way up or down that stays in the window, on its own side or else on the other;
 * where there is none it stays. `gap` px are left between them.
 */
export function keepOff(box: Box, others: readonly Box[], window: Size, gap: number): Box {
  const isFree = (candidate: Box) =>
    candidate.top >= 0 &&
    candidate.top + candidate.height <= window.height &&
    !others.some((other) => overlaps(candidate, other));
  if (isFree(box)) return box;
  const tops = [box.top, ...others.flatMap((other) => [other.top - box.height - gap, other.top + other.height + gap])];
  const far = (candidate: Box) => Math.abs(candidate.top - box.top);
  for (const left of [box.left, window.width - box.left - box.width]) {
    const free = tops.map((top) => ({ ...box, left, top })).filter(isFree);
    const nearest = free.sort((a, b) => far(a) - far(b))[0];
    if (nearest) return nearest;
  }
  return box;
}
