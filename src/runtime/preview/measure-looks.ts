import type { MeasuredLook } from '~/core/lane/preview/preview-message';
import { layered } from '~/core/proof/ground';
import { above } from './measure/drawn-tree';

/** How each slot drawn in these roots stands now; of one that is drawn several times the first in sight. */
export function measureLooks(roots: readonly ParentNode[]): Record<string, MeasuredLook> {
  const found: Record<string, MeasuredLook> = {};
  for (const root of roots)
    for (const element of root.querySelectorAll<HTMLElement>('[data-slot]')) {
      const slot = element.dataset['slot']!;
      if (!Object.hasOwn(found, slot) && element.getClientRects().length > 0) found[slot] = measure(element);
    }
  return found;
}

function measure(element: HTMLElement): MeasuredLook {
  const style = getComputedStyle(element);
  const grounds = groundsBehind(element);
  return {
    text: layered([style.color, ...grounds]),
    ground: layered(grounds),
    background: layered([style.backgroundColor, ...groundsBehind(above(element))]),
    border: layered([style.borderTopColor, ...grounds]),
    borderWidth: style.borderTopStyle === 'none' ? 0 : Math.round(parseFloat(style.borderTopWidth)),
    radius: Math.round(parseFloat(style.borderTopLeftRadius)),
    size: Math.round(parseFloat(style.fontSize)),
  };
}

/** Colours that lie behind an element's text, the nearest first. */
function groundsBehind(element: Element | null): string[] {
  const grounds: string[] = [];
  for (let at = element; at; at = above(at)) grounds.push(getComputedStyle(at).backgroundColor);
  return grounds;
}
