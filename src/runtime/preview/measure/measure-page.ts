import type { MeasuredSurface, PageMeasure } from '~/core/proof';
import { ownerOf, pieceElements } from '../preview-pieces';
import { allRoots, boxOf, hitAt, isInSight, placeOf, squeezed } from './drawn-tree';
import { measureControls, type Uses } from './measure-controls';
import { measureTexts } from './measure-texts';

/** Points across and down at which it is looked whether a press beside a surface reaches the page. */
const GRID = 6;

/** Measures a piece where it is drawn now, with what it does to the page. */
export function measurePage(pieceId: string, uses: Uses): PageMeasure {
  const own = pieceElements(document).filter((element) => ownerOf(element) === pieceId);
  return {
    language: document.documentElement.lang,
    width: innerWidth,
    height: innerHeight,
    widerByPx: Math.max(0, document.documentElement.scrollWidth - innerWidth),
    texts: measureTexts(
      own.map((element) => element.shadowRoot ?? element),
      pieceId,
    ),
    controls: measureControls(pieceId, uses),
    surfaces: measureSurfaces(),
  };
}

function measureSurfaces(): MeasuredSurface[] {
  return allRoots()
    .flatMap((root) => [...root.querySelectorAll<HTMLDialogElement>('dialog[open]')])
    .filter(isInSight)
    .map((dialog) => {
      const root = dialog.getRootNode() as Document | ShadowRoot;
      const labelled = dialog.getAttribute('aria-labelledby');
      const name = labelled === null ? dialog.ariaLabel : root.getElementById(labelled)?.textContent;
      return {
        at: placeOf(dialog, squeezed(name)),
        box: boxOf(dialog.getBoundingClientRect()),
        name: squeezed(name),
        isModal: dialog.matches(':modal'),
        isClosedBeside: isClosedBeside(dialog),
        widerByPx: widerBy(dialog),
      };
    });
}

/**
 * Px to scroll sideways in what is there to be scrolled down. A strip that only runs sideways is meant to, and a table stays one
 * (WCAG 2.2, 1.4.10 leaves out what needs both directions to be understood).
 */
function widerBy(dialog: HTMLDialogElement): number {
  const scrolled = [dialog, ...dialog.querySelectorAll<HTMLElement>('*')].filter((element) => {
    const { overflowX, overflowY } = getComputedStyle(element);
    return overflowX === 'auto' && overflowY === 'auto' && !element.querySelector('table');
  });
  return Math.max(0, ...scrolled.map(({ scrollWidth, clientWidth }) => scrollWidth - clientWidth));
}

/** Whether some point of the window lies beside what the dialog shows, where a press closes it. */
function isClosedBeside(dialog: HTMLDialogElement): boolean {
  const steps = Array.from({ length: GRID }, (_, i) => (i + 0.5) / GRID);
  return steps.some((x) => steps.some((y) => hitAt(x * innerWidth, y * innerHeight) === dialog));
}
