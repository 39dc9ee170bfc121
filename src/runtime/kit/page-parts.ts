/** The button a page is for, wherever it is drawn: in the page itself or in a piece that the page is made of. */
export function mainButton(): HTMLElement | null {
  const selector = '[data-pl-main]';
  const own = document.querySelector<HTMLElement>(selector);
  if (own) return own;
  for (const place of document.querySelectorAll('[data-pl-at]')) {
    const found = place.shadowRoot?.querySelector<HTMLElement>(selector);
    if (found) return found;
  }
  return null;
}

/** The product form of the page, if it has one. */
export function productForm(): HTMLFormElement | null {
  return document.querySelector<HTMLFormElement>('form[data-product-form]');
}

/** Keeps a strip of the window free for something fixed, and tells those who stand near. `px` 0 gives it back. */
export function claimEdge(edge: 'top' | 'bottom', px: number): void {
  const { style } = document.documentElement;
  const name = `--pl-edge-${edge}`;
  if (style.getPropertyValue(name) === `${px}px`) return;
  if (px > 0) style.setProperty(name, `${px}px`);
  else style.removeProperty(name);
  document.body.style[edge === 'bottom' ? 'paddingBlockEnd' : 'paddingBlockStart'] = px > 0 ? `${px}px` : '';
  dispatchEvent(new Event('pl-edges'));
}
