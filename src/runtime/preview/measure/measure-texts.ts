import type { MeasuredText } from '~/core/proof';
import { layered } from '~/core/proof/ground';
import { boxOf, chainOf, isInSight, placeOf, squeezed } from './drawn-tree';
import { groundsOf, opacityOf } from './grounds';
import { hiddenOf } from './hidden';

/** Texts measured of a piece, at most. */
const MOST_TEXTS = 600;
/** Room above and below letters that belongs to the text and shows nothing, of its size. */
const EMPTY_EDGE = 0.2;
const BOLD = 700;

/** Every text in sight of the roots that a piece is drawn in. */
export function measureTexts(roots: readonly ParentNode[], pieceId: string): MeasuredText[] {
  const found: MeasuredText[] = [];
  for (const root of roots) {
    const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
    while (walker.nextNode() && found.length < MOST_TEXTS) {
      const measured = measureText(walker.currentNode as Text);
      if (measured?.at.pieceId === pieceId) found.push(measured);
    }
  }
  return found;
}

function measureText(node: Text): MeasuredText | null {
  const text = squeezed(node.data);
  const element = node.parentElement;
  if (text === '' || !element || element.matches('style,script,option,title') || !isInSight(element)) return null;
  const range = document.createRange();
  range.selectNodeContents(node);
  const rect = range.getBoundingClientRect();
  if (rect.width < 1 || rect.height < 1) return null;
  const style = getComputedStyle(element);
  const sizePx = parseFloat(style.fontSize);
  const letters = new DOMRect(rect.x, rect.y + sizePx * EMPTY_EDGE, rect.width, rect.height - sizePx * EMPTY_EDGE * 2);
  const hiddenPx = hiddenOf(element, letters);
  if (!hiddenPx) return null;
  // Letters filled by a gradient, as stars are by how many were given, have no one colour.
  const grounds = style.backgroundClip === 'text' ? [] : groundsOf(element);
  return {
    at: placeOf(element, text),
    box: boxOf(rect),
    text,
    language: languageOf(element),
    colour: layered([faded(style.color, opacityOf(element)), ...grounds.slice(0, 1)]),
    grounds,
    sizePx,
    isBold: Number(style.fontWeight) >= BOLD,
    isDisabled: element.closest(':disabled,[aria-disabled=true]') !== null,
    lines: new Set([...range.getClientRects()].map(({ top }) => Math.round(top / 3))).size,
    hiddenPx,
    sticksOutPx: sticksOut(element, letters),
  };
}

/** Px by which letters stand outside of the button they name. */
function sticksOut(element: Element, letters: DOMRectReadOnly): number {
  const control = element.closest('button,summary,[role=button],a[href]');
  // A link within a text has no edges.
  if (!control || getComputedStyle(control).display === 'inline') return 0;
  const box = control.getBoundingClientRect();
  return Math.max(
    0,
    box.left - letters.left,
    letters.right - box.right,
    box.top - letters.top,
    letters.bottom - box.bottom,
  );
}

/** What an element is written in, by itself or by what it stands in. */
function languageOf(element: Element): string {
  const said = chainOf(element).find((at) => at instanceof HTMLElement && at.lang !== '') as HTMLElement | undefined;
  return (said?.lang ?? '').slice(0, 2);
}

/** A colour as it comes through, where what it stands in can be seen through. */
function faded(colour: string, opacity: number): string {
  if (opacity >= 1) return colour;
  const [r = '0', g = '0', b = '0', alpha = '1'] = colour.match(/[\d.]+/g) ?? [];
  return `rgba(${r},${g},${b},${Number(alpha) * opacity})`;
}
