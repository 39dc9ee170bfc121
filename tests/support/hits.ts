import type { Page } from '@playwright/test';

/** What cannot be pressed where it is seen, of every control of the page with its open shadow roots. */
export function controlsOutOfReach(page: Page): Promise<string[]> {
  return page.evaluate(async () => {
    const CONTROLS = 'a[href],button,input:not([type=hidden]),select,textarea,summary,[role=button],label:has(input)';
    const wrong: string[] = [];

    /** The element itself and all it stands in, out of every shadow root. */
    function chain(element: Element): Element[] {
      const all: Element[] = [];
      for (let at: Element | null = element; at;) {
        all.push(at);
        const root: Node = at.getRootNode();
        at = at.assignedSlot ?? at.parentElement ?? (root instanceof ShadowRoot ? root.host : null);
      }
      return all;
    }

    /** The innermost element a pointer would hit. */
    function hit(x: number, y: number): Element | null {
      let found = document.elementFromPoint(x, y);
      while (found?.shadowRoot) {
        const deeper = found.shadowRoot.elementFromPoint(x, y);
        if (!deeper || deeper === found) break;
        found = deeper;
      }
      return found;
    }

    function nameOf(element: Element): string {
      const text = element.getAttribute('aria-label') ?? element.textContent ?? '';
      const name = text.trim().replace(/\s+/g, ' ').slice(0, 30) || element.getAttribute('name') || element.className;
      return `${element.tagName.toLowerCase()} “${name}”`;
    }

    /** Scrolls to it; null where a pointer hits it, else what is in the way. */
    function reach(control: HTMLElement): string | null {
      control.scrollIntoView({ block: 'center', inline: 'nearest', behavior: 'instant' });
      const labels = 'labels' in control ? [...((control as HTMLInputElement).labels ?? [])] : [];
      let why = 'has no room';
      // A link over several lines is hit on any of them.
      for (const { x, y, width, height } of control.getClientRects()) {
        if (width < 4 || height < 4) continue;
        const [left, top] = [x + width / 2, y + height / 2];
        const found = hit(left, top);
        const up = found ? chain(found) : [];
        if (up.includes(control) || labels.some((label) => up.includes(label))) return null;
        why = `at ${Math.round(left)}, ${Math.round(top)} ${found ? `is under ${nameOf(found)}` : 'is out of the window'}`;
      }
      return why;
    }

    const controls: HTMLElement[] = [];
    const collect = (root: Document | ShadowRoot) => {
      for (const element of root.querySelectorAll<HTMLElement>('*')) {
        if (element.matches(CONTROLS)) controls.push(element);
        if (element.shadowRoot) collect(element.shadowRoot);
      }
    };
    collect(document);
    const modal = controls.map((element) => chain(element).find((at) => at.matches('dialog:modal'))).find(Boolean);
    for (const control of controls) {
      const around = chain(control);
      if (modal && !around.includes(modal)) continue;
      if (around.some((at) => at.matches('[inert],[aria-hidden=true],:disabled'))) continue;
      if (!control.checkVisibility({ visibilityProperty: true, opacityProperty: true })) continue;
      const style = getComputedStyle(control);
      // What is pressed through its label, and what is only for keys.
      if (style.clipPath !== 'none' || style.pointerEvents === 'none' || style.opacity === '0') continue;
      const boxes = [...control.getClientRects()];
      if (!boxes.some(({ width, height }) => width > 3 && height > 3)) continue;
      // Off the page until it has the focus.
      if (boxes.every(({ bottom }) => bottom + scrollY <= 0)) continue;
      let found = reach(control);
      // What came with scrolling makes room, and is scrolled once more.
      if (found !== null) {
        await new Promise((later) => setTimeout(later, 150));
        found = reach(control);
      }
      if (found !== null) wrong.push(`${nameOf(control)} ${found}`);
    }
    return wrong;
  });
}
