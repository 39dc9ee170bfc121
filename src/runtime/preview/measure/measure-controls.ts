import type { ControlUse, DeadReason, MeasuredControl, PlaceInPiece } from '~/core/proof';
import { allRoots, boxOf, chainOf, hitAt, isInSight, placeOf, squeezed } from './drawn-tree';
import { focusRatio } from './focus-shown';
import { hiddenOf } from './hidden';
import { markOf } from './measure-mark';

const CONTROLS = 'a[href],button,input:not([type=hidden]),select,textarea,summary,[role=button]';
/** What orders on the shop's own pages. */
const PAGE_ORDERS = '[data-pl-add] button';
/** Buttons of one use that are tried, at most: on a long list the first and the last are as good as all. */
const MOST_TRIED = 10;
/** Controls of which no two look alike that are put in focus, at most. */
const MOST_FOCUSED = 40;
/** Where a finger may land on a button: its middle, and half way to each corner. */
const POINTS = [
  [0.5, 0.5],
  [0.25, 0.25],
  [0.75, 0.25],
  [0.25, 0.75],
  [0.75, 0.75],
] as const;
/** Of those points as many may be covered, as by the rounded edge of something. */
const MOST_COVERED = 1;

export type Uses = Readonly<Record<string, ControlUse>>;

/** The controls of a piece, and whatever orders on the page; of what lies over the page only what is in it. */
export function measureControls(pieceId: string, uses: Uses): MeasuredControl[] {
  const all = allRoots().flatMap((root) => [...root.querySelectorAll<HTMLElement>(CONTROLS)]);
  const modal = all.flatMap(chainOf).find((element) => element.matches(':modal'));
  const tried = { order: 0, close: 0 };
  const focused = new Set<string>();
  return all.flatMap((control): MeasuredControl[] => {
    if (modal && !chainOf(control).includes(modal)) return [];
    if (!isInSight(control)) return [];
    const at = placeOf(control, nameOf(control));
    const use = uses[at.slot ?? ''] ?? (control.matches(PAGE_ORDERS) ? 'order' : null);
    if (at.pieceId !== pieceId && use !== 'order') return [];
    const box = targetOf(control);
    if (box.width < 1 || box.height < 1 || !hiddenOf(control, box)) return [];
    const isOwn = at.pieceId === pieceId;
    const look = `${control.tagName} ${control.className} ${at.slot} ${at.part}`;
    const isFocused = isOwn && !focused.has(look) && focused.size < MOST_FOCUSED && !control.matches(':disabled');
    if (isFocused) focused.add(look);
    const isTried = use !== null && !control.matches(':disabled') && tried[use]++ < MOST_TRIED;
    return [
      {
        at,
        box: boxOf(box),
        name: control.closest('[aria-hidden=true]') ? null : nameOf(control),
        use,
        isInText: isInText(control),
        coveredBy: isTried ? coveredBy(control, use === 'order') : null,
        mark: isOwn ? markOf(control) : null,
        focusRatio: isFocused ? focusRatio(control) : null,
        dead: isOwn ? deadReason(control) : null,
      },
    ];
  });
}

/** Why nothing happens when it is pressed; null where something does, or it says that nothing will. */
function deadReason(control: HTMLElement): DeadReason | null {
  if (control.matches(':disabled,[aria-disabled=true]') || control.closest('[inert]')) return null;
  if (getComputedStyle(control).pointerEvents === 'none') return 'takes-no-press';
  const href = control.getAttribute('href');
  if (href === null || (href !== '' && !href.startsWith('#'))) return null;
  const root = control.getRootNode() as Document | ShadowRoot;
  const isThere = href.length > 1 && (root.getElementById(href.slice(1)) ?? document.getElementById(href.slice(1)));
  return isThere ? null : 'leads-nowhere';
}

/** What can be pressed: a tick with its label. */
function targetOf(control: HTMLElement): DOMRectReadOnly {
  const own = control.getBoundingClientRect();
  const labels = control instanceof HTMLInputElement ? [...(control.labels ?? [])] : [];
  return labels
    .map((label) => label.getBoundingClientRect())
    .reduce((box, next) => (next.width * next.height > box.width * box.height ? next : box), own);
}

/** The accessible name, as far as the ways we use to give one go. */
function nameOf(control: HTMLElement): string {
  const root = control.getRootNode() as Document | ShadowRoot;
  const ids = control.getAttribute('aria-labelledby')?.split(/\s+/) ?? [];
  const field = [HTMLInputElement, HTMLSelectElement, HTMLTextAreaElement].some((kind) => control instanceof kind)
    ? (control as HTMLInputElement)
    : null;
  const said = [
    ids.map((id) => root.getElementById(id)?.textContent ?? '').join(' '),
    control.getAttribute('aria-label'),
    [...(field?.labels ?? [])].map(({ textContent }) => textContent).join(' '),
    field ? '' : control.textContent,
    [...control.querySelectorAll('img')].map(({ alt }) => alt).join(' '),
    control.querySelector('svg title')?.textContent,
    control.getAttribute('title'),
    control.getAttribute('placeholder'),
    control.closest('label')?.textContent,
  ];
  return said.map(squeezed).find((name) => name !== '') ?? '';
}

function isInText(control: HTMLElement): boolean {
  if (getComputedStyle(control).display !== 'inline') return false;
  return squeezed(control.parentElement?.textContent).length > squeezed(control.textContent).length;
}

/** What is hit in the place of a control, wherever it is scrolled to; null when it can be had somewhere. */
function coveredBy(control: HTMLElement, scrolls: boolean): PlaceInPiece | null {
  if (!scrolls) return hitInstead(control);
  const scrolled = chainOf(control).map((element) => [element, element.scrollTop, element.scrollLeft] as const);
  let covered: PlaceInPiece | null = null;
  for (const block of ['center', 'start', 'end'] as const) {
    control.scrollIntoView({ block, inline: 'nearest', behavior: 'instant' });
    covered = hitInstead(control);
    if (!covered) break;
  }
  for (const [element, top, left] of scrolled) {
    if (element.scrollTop !== top) element.scrollTop = top;
    if (element.scrollLeft !== left) element.scrollLeft = left;
  }
  return covered;
}

/** What lies over a control where it is now; null where it can be pressed. */
function hitInstead(control: HTMLElement): PlaceInPiece | null {
  const { x, y, width, height } = control.getBoundingClientRect();
  const labels = control instanceof HTMLInputElement ? [...(control.labels ?? [])] : [];
  const own: readonly Element[] = [control, ...labels];
  const around = chainOf(control);
  const others = POINTS.flatMap(([across, down]): Element[] => {
    const found = hitAt(x + width * across, y + height * down);
    return !found || around.includes(found) || chainOf(found).some((at) => own.includes(at)) ? [] : [found];
  });
  const [first] = others;
  return first && others.length > MOST_COVERED ? placeOf(first, squeezed(first.textContent)) : null;
}
