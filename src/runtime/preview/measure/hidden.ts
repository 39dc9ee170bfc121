import { chainOf } from './drawn-tree';

interface Edges {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** Px of something that no scrolling brings into sight. */
export interface Hidden {
  readonly across: number;
  readonly down: number;
}

const isScrolled = (overflow: string) => overflow === 'auto' || overflow === 'scroll';
const isClipped = (overflow: string) => overflow === 'hidden' || overflow === 'clip';

/**
 * How much of a rectangle is cut off by what its element stands in, and by the window where it stands fixed; null where
 * nothing is left of it, as of the closed half of something that opens. A text ended by dots is meant to be.
 */
export function hiddenOf(element: Element, rect: DOMRectReadOnly): Hidden | null {
  const seen: Edges = { left: rect.left, top: rect.top, right: rect.right, bottom: rect.bottom };
  const hidden = { across: 0, down: 0 };
  const cut = (by: Edges, across: boolean, down: boolean) => {
    if (across) {
      hidden.across = Math.max(hidden.across, by.left - seen.left, seen.right - by.right);
      if (seen.right <= by.left || seen.left >= by.right) return false;
    }
    if (down) {
      hidden.down = Math.max(hidden.down, by.top - seen.top, seen.bottom - by.bottom);
      if (seen.bottom <= by.top || seen.top >= by.bottom) return false;
    }
    return true;
  };
  for (const at of chainOf(element)) {
    const style = getComputedStyle(at);
    const box = at.getBoundingClientRect();
    if (at !== document.documentElement && at !== document.body && style.display !== 'inline') {
      const isEnded = style.textOverflow === 'ellipsis' || style.webkitLineClamp !== 'none';
      if (!isEnded && !cut(box, isClipped(style.overflowX), isClipped(style.overflowY))) return null;
      // What scrolls shows all of it in its own frame.
      if (isScrolled(style.overflowX)) moveInto(seen, box, 'left', 'right');
      if (isScrolled(style.overflowY)) moveInto(seen, box, 'top', 'bottom');
    }
    if (style.position === 'fixed' || at.matches(':modal')) {
      const sees = cut({ left: 0, top: 0, right: innerWidth, bottom: innerHeight }, true, true);
      return sees ? hidden : null;
    }
  }
  return hidden;
}

function moveInto(seen: Edges, box: DOMRectReadOnly, from: 'left' | 'top', to: 'right' | 'bottom'): void {
  seen[from] = Math.min(Math.max(seen[from], box[from]), box[to]);
  seen[to] = Math.max(Math.min(seen[to], box[to]), seen[from]);
}
