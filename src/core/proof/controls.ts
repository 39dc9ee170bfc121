import type { DrawnBox, MeasuredControl, MeasuredSurface, PageMeasure } from './page-measure';
import type { Found } from './problem';

/** WCAG 2.2, 2.5.8. */
const LEAST_TARGET_PX = 24;

export function findSmall({ controls }: PageMeasure): Found[] {
  const boxes = controls.map(({ box }) => box);
  return controls.flatMap((control): Found[] => {
    const { at, box, isInText } = control;
    if (isInText || (box.width >= LEAST_TARGET_PX && box.height >= LEAST_TARGET_PX) || hasSpace(box, boxes)) return [];
    return [{ check: 'small', at, box, widthPx: Math.round(box.width), heightPx: Math.round(box.height) }];
  });
}

/** WCAG's exception: a circle of 24 px around its middle meets no other target, nor the circle of another small one. */
function hasSpace(box: DrawnBox, boxes: readonly DrawnBox[]): boolean {
  const [x, y] = middle(box);
  return boxes.every((other) => {
    if (other === box) return true;
    const [otherX, otherY] = middle(other);
    const isSmall = other.width < LEAST_TARGET_PX || other.height < LEAST_TARGET_PX;
    if (isSmall && Math.hypot(otherX - x, otherY - y) < LEAST_TARGET_PX) return false;
    const across = Math.max(other.x - x, 0, x - other.x - other.width);
    const down = Math.max(other.y - y, 0, y - other.y - other.height);
    return Math.hypot(across, down) >= LEAST_TARGET_PX / 2;
  });
}

const middle = ({ x, y, width, height }: DrawnBox): [number, number] => [x + width / 2, y + height / 2];

export function findCovered(page: PageMeasure): Found[] {
  return page.controls.flatMap(({ at, box, use, coveredBy }): Found[] =>
    use === 'order' && coveredBy && !canBeClosed(coveredBy.pieceId, page)
      ? [{ check: 'covered', at, box, by: coveredBy }]
      : [],
  );
}

/** WCAG 2.2, 1.4.11: what a control, or its focus, is known by. */
const LEAST_CONTRAST_OF_MARKS = 3;

export function findUnmarked({ controls }: PageMeasure): Found[] {
  return controls.flatMap(({ at, box, mark }): Found[] =>
    mark && mark.ratio < LEAST_CONTRAST_OF_MARKS
      ? [{ check: 'unmarked', at, box, wanted: LEAST_CONTRAST_OF_MARKS, ...mark }]
      : [],
  );
}

export function findUnseenFocus({ controls }: PageMeasure): Found[] {
  return controls.flatMap(({ at, box, focusRatio }): Found[] =>
    focusRatio !== null && focusRatio < LEAST_CONTRAST_OF_MARKS
      ? [{ check: 'unseen-focus', at, box, ratio: focusRatio, wanted: LEAST_CONTRAST_OF_MARKS }]
      : [],
  );
}

export function findDead({ controls }: PageMeasure): Found[] {
  return controls.flatMap(({ at, box, dead }): Found[] => (dead ? [{ check: 'dead', at, box, why: dead }] : []));
}

/** Whether a piece lies over the page until it is closed, and can be. */
function canBeClosed(pieceId: string, page: PageMeasure): boolean {
  return page.surfaces.some((surface) => surface.at.pieceId === pieceId && isClosable(surface, page));
}

/** Whether a surface has a way out in sight: a button of its own, or a press beside it. */
export function isClosable({ at, isClosedBeside }: MeasuredSurface, page: PageMeasure): boolean {
  const closes = (control: MeasuredControl) =>
    control.use === 'close' && control.at.pieceId === at.pieceId && isInReach(control, page);
  return isClosedBeside || page.controls.some(closes);
}

export function findUnnamed({ controls, surfaces }: PageMeasure): Found[] {
  return [...controls, ...surfaces].flatMap(({ at, box, name }): Found[] =>
    name === '' ? [{ check: 'unnamed', at, box }] : [],
  );
}

/** A control can be reached where it lies within the window and nothing lies over it. */
function isInReach({ box, coveredBy }: MeasuredControl, { width, height }: PageMeasure): boolean {
  const [x, y] = middle(box);
  return coveredBy === null && x > 0 && y > 0 && x < width && y < height;
}
