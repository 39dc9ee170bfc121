import type { DrawnBox, PlaceInPiece } from '~/core/proof';

const MOST_CALLED = 60;

/** What an element stands in, out of a shadow tree, too. */
export function above(element: Element): Element | null {
  if (element.assignedSlot) return element.assignedSlot;
  if (element.parentElement) return element.parentElement;
  const root = element.getRootNode();
  return root instanceof ShadowRoot ? root.host : null;
}

/** The element itself and all it stands in, the innermost first. */
export function chainOf(element: Element): Element[] {
  const chain: Element[] = [];
  for (let at: Element | null = element; at; at = above(at)) chain.push(at);
  return chain;
}

/** The document and every open shadow root in it. */
export function allRoots(root: Document | ShadowRoot = document): (Document | ShadowRoot)[] {
  const inner = [...root.querySelectorAll('*')].flatMap(({ shadowRoot }) => (shadowRoot ? allRoots(shadowRoot) : []));
  return [root, ...inner];
}

/** The innermost element that a pointer would hit; null outside of the window. */
export function hitAt(x: number, y: number): Element | null {
  let found = document.elementFromPoint(x, y);
  while (found?.shadowRoot) {
    const deeper = found.shadowRoot.elementFromPoint(x, y);
    if (!deeper || deeper === found) break;
    found = deeper;
  }
  return found;
}

export const squeezed = (text: string | null | undefined): string => (text ?? '').replace(/\s+/g, ' ').trim();

/** What an element belongs to, down to the piece it is of. */
export function placeOf(element: Element, called: string): PlaceInPiece {
  let part: string | null = null;
  let slot: string | null = null;
  let word: string | null = null;
  for (const at of chainOf(element)) {
    if (!(at instanceof HTMLElement)) continue;
    const { dataset } = at;
    part ??= dataset['part'] ?? null;
    slot ??= dataset['slot'] ?? null;
    word ??= dataset['word'] ?? null;
    const pieceId = dataset['plPiece'];
    if (pieceId !== undefined) return { pieceId, part, slot, word, called: called.slice(0, MOST_CALLED) };
  }
  return { pieceId: '', part: null, slot: null, word: null, called: called.slice(0, MOST_CALLED) };
}

export const boxOf = ({ x, y, width, height }: DOMRectReadOnly): DrawnBox => ({ x, y, width, height });

/** Whether anybody sees it: what is only read out has next to no size. */
export function isInSight(element: Element): boolean {
  if (!element.checkVisibility({ opacityProperty: true, visibilityProperty: true })) return false;
  return chainOf(element)
    .slice(0, 4)
    .every((at) => {
      const { clipPath, overflow } = getComputedStyle(at);
      if (clipPath.startsWith('inset(50%')) return false;
      const { width, height } = at.getBoundingClientRect();
      return overflow === 'visible' || (width > 2 && height > 2);
    });
}
