import { observeWindowOffset, observeWindowRect, Virtualizer, windowScroll } from '@tanstack/virtual-core';

/** About how high a row is before it has been measured, in px. */
const ROW_PX = 60;
/** Rows kept drawn before and after those in sight. */
const OVERSCAN = 3;

/** The rows about those in sight, of a list in the page, and the room of those before and after them in px. */
export interface Windowed {
  readonly shown: () => {
    readonly indexes: readonly number[];
    readonly before: number;
    readonly after: number;
    readonly isMoving: boolean;
  };
  readonly measure: (element: Element | null) => void;
  readonly count: (count: number) => void;
  readonly end: () => void;
}

/** Follows the page as it scrolls; `onChange` whenever other rows are to be drawn. */
export function windowed(
  list: HTMLElement,
  first: number,
  keyOf: (index: number) => number,
  onChange: () => void,
): Windowed {
  const options = (count: number) => ({
    count,
    overscan: OVERSCAN,
    estimateSize: () => ROW_PX,
    getScrollElement: () => window,
    observeElementRect: observeWindowRect,
    observeElementOffset: observeWindowOffset,
    scrollToFn: windowScroll,
    getItemKey: keyOf,
    scrollMargin: Math.round(list.getBoundingClientRect().top + scrollY),
    initialRect: { width: innerWidth, height: innerHeight },
    initialOffset: scrollY,
    onChange,
  });
  const virtualizer = new Virtualizer<Window, Element>(options(first));
  const end = virtualizer._didMount();
  virtualizer._willUpdate();
  return {
    shown: () => {
      const items = virtualizer.getVirtualItems();
      const { scrollMargin } = virtualizer.options;
      const [head, tail] = [items[0], items.at(-1)];
      return {
        isMoving: virtualizer.isScrolling,
        indexes: items.map(({ index }) => index),
        before: head ? head.start - scrollMargin : 0,
        after: tail ? virtualizer.getTotalSize() - (tail.end - scrollMargin) : 0,
      };
    },
    measure: virtualizer.measureElement,
    count: (count) => {
      virtualizer.setOptions(options(count));
    },
    end,
  };
}
