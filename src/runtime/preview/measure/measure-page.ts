import type { MeasuredSurface, PageMeasure } from '~/core/proof';
import { ownerOf, pieceElements } from '../preview-pieces';
import { allRoots, boxOf, hitAt, isInSight, placeOf, squeezed } from './drawn-tree';
import { prepareFocus } from './focus-shown';
import { measureControls, type Uses } from './measure-controls';
import { measureMoving, measureShifts, measureSums } from './measure-stillness';
import { measureTexts } from './measure-texts';

/** Points across and down at which it is looked whether a press beside a surface reaches the page. */
const GRID = 6;

/** Measures a piece where it is drawn now, with what it does to the page. */
export function measurePage(pieceId: string, uses: Uses, isCalm: boolean): PageMeasure {
  const own = pieceElements(document)
    .filter((element) => ownerOf(element) === pieceId)
    .map((element) => element.shadowRoot ?? element);
  prepareFocus();
  return {
    language: document.documentElement.lang.slice(0, 2),
    width: innerWidth,
    height: innerHeight,
    widerByPx: Math.max(0, document.documentElement.scrollWidth - innerWidth),
    texts: measureTexts(own, pieceId),
    controls: measureControls(pieceId, uses),
    surfaces: measureSurfaces(),
    shifts: measureShifts(own),
    sums: measureSums(),
    moving: isCalm ? measureMoving(own) : [],
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
        isAnnounced: dialog.matches(':modal,:focus-within') || isReadOut(root, squeezed(name)),
        holdsTab: !dialog.matches(':modal') && holdsTab(dialog),
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

/** Whether a live text in a root says that a surface of this name is there. */
function isReadOut(root: Document | ShadowRoot, name: string): boolean {
  return [...root.querySelectorAll('[role=status],[role=alert],[aria-live=polite],[aria-live=assertive]')].some(
    (live) =>
      live.checkVisibility() && !live.closest('[aria-hidden=true]') && squeezed(live.textContent).includes(name),
  );
}

/** Whether the last control of a dialog keeps Tab to itself. */
function holdsTab(dialog: HTMLDialogElement): boolean {
  const last = [...dialog.querySelectorAll<HTMLElement>('a[href],button,input,select,textarea')].at(-1);
  const tab = new KeyboardEvent('keydown', { key: 'Tab', bubbles: true, cancelable: true, composed: true });
  return last ? !last.dispatchEvent(tab) : false;
}

/** Whether some point of the window lies beside what the dialog shows, where a press closes it. */
function isClosedBeside(dialog: HTMLDialogElement): boolean {
  const steps = Array.from({ length: GRID }, (_, i) => (i + 0.5) / GRID);
  return steps.some((x) => steps.some((y) => hitAt(x * innerWidth, y * innerHeight) === dialog));
}
