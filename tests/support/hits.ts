import type { Page } from '@playwright/test';

/** What cannot be pressed where it is seen, of every control of the page with its open shadow roots. */
export function controlsOutOfReach(page: Page): Promise<string[]> {
  return page.evaluate(async () => {
    const CONTROLS = 'a[href],button,input:not([type=hidden]),select,textarea,summary,[role=button],label:has(input)';
    const wrong: string[] = [];
    const frame = () => new Promise((drawn) => requestAnimationFrame(drawn));

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
      let boxes = [...control.getClientRects()];
      if (!boxes.some(({ width, height }) => width > 3 && height > 3)) continue;
      control.scrollIntoView({ block: 'center', inline: 'nearest', behavior: 'instant' });
      await frame();
      boxes = [...control.getClientRects()].filter(({ width, height }) => width > 3 && height > 3);
      // A link over several lines is hit on any of them.
      const reached = boxes.some((box) => {
        const found = hit(box.x + box.width / 2, box.y + box.height / 2);
        if (!found) return false;
        const up = chain(found);
        const labels = 'labels' in control ? [...((control as HTMLInputElement).labels ?? [])] : [];
        return up.includes(control) || labels.some((label) => up.includes(label));
      });
      if (reached) continue;
      const box = boxes[0];
      const found = box && hit(box.x + box.width / 2, box.y + box.height / 2);
      wrong.push(
        `${nameOf(control)} at ${Math.round(box?.x ?? -1)},${Math.round(box?.y ?? -1)}: ${found ? `under ${nameOf(found)} .${found.className}` : 'out of the window'}`,
      );
    }
    return wrong;
  });
}
