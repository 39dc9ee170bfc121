/** What a browser gives a dialog that lies over the page: a copy runs no script to open one. */
const LIES_OVER = `dialog[data-over]{position:fixed;inset:0;margin:auto;overflow:auto;z-index:2147483647}`;

const rulesOf = (sheets: Iterable<CSSStyleSheet>): string =>
  [...sheets].map((sheet) => [...sheet.cssRules].map(({ cssText }) => cssText).join('\n')).join('\n');

/**
 * The page as it is drawn now, as HTML that stands by itself: with what shadow roots hold, what lies over the page, and
 * what was typed or scrolled to, and without scripts.
 */
export function copyPage(): string {
  const copy = document.implementation.createHTMLDocument();
  const html = copyElement(document.documentElement, copy);
  return `<!doctype html>${html.outerHTML}`;
}

function copyNode(node: Node, into: Document): Node | null {
  if (node.nodeType === Node.TEXT_NODE) return into.importNode(node, true);
  if (!(node instanceof Element) || node.matches('script,noscript,iframe,link[rel*=preload],template')) return null;
  return copyElement(node, into);
}

function copyElement(element: Element, into: Document): Element {
  const copy = into.importNode(element, false);
  for (const { name } of [...copy.attributes])
    if (name.startsWith('on') || name === 'autofocus') copy.removeAttribute(name);
  if (element instanceof HTMLInputElement) {
    copy.setAttribute('value', element.value);
    copy.toggleAttribute('checked', element.checked);
  }
  if (element instanceof HTMLDialogElement && element.matches(':modal')) copy.toggleAttribute('data-over', true);
  if (element.shadowRoot) copy.append(copyRoot(element.shadowRoot, into));
  for (const child of element.childNodes) copy.append(...copyAll([child], into));
  if (element instanceof HTMLHeadElement) copy.append(pageSheets(into));
  if (element instanceof HTMLBodyElement && scrollY > 0)
    copy.setAttribute('style', `${element.style.cssText};margin-top:-${scrollY}px`);
  return copy;
}

/** Sheets that a script put in. */
function pageSheets(into: Document): Element {
  const style = into.createElement('style');
  style.textContent = rulesOf(document.adoptedStyleSheets);
  return style;
}

/** A shadow root as HTML can say it. */
function copyRoot(root: ShadowRoot, into: Document): Element {
  const template = into.createElement('template');
  template.setAttribute('shadowrootmode', 'open');
  const before = into.createElement('style');
  before.textContent = LIES_OVER;
  const style = into.createElement('style');
  style.textContent = rulesOf(root.adoptedStyleSheets);
  template.content.append(before, ...shadesOf(root, into), ...copyAll(root.childNodes, into), style);
  return template;
}

/** What a dialog lays over the page behind it. */
function shadesOf(root: ShadowRoot, into: Document): Element[] {
  return [...root.querySelectorAll('dialog:modal')].map((dialog) => {
    const shade = into.createElement('div');
    const { backgroundColor } = getComputedStyle(dialog, '::backdrop');
    shade.setAttribute('style', `position:fixed;inset:0;z-index:2147483646;background:${backgroundColor}`);
    return shade;
  });
}

function copyAll(nodes: Iterable<Node>, into: Document): Node[] {
  return [...nodes].flatMap((node) => copyNode(node, into) ?? []);
}
