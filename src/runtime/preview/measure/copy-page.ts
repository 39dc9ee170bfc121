import { allRoots, chainOf } from './drawn-tree';

/** What a browser gives a dialog that lies over the page: a copy runs no script to open one. */
const LIES_OVER = `dialog[data-over]{position:fixed;inset:0;margin:auto;overflow:auto;z-index:2147483647}`;

const rulesOf = (sheets: Iterable<CSSStyleSheet>): string =>
  [...sheets].map((sheet) => [...sheet.cssRules].map(({ cssText }) => cssText).join('\n')).join('\n');

/**
 * The page as it is drawn now, as HTML that stands by itself: with what shadow roots hold, what lies over the page, and
 * what was typed or scrolled to, and without scripts. What lies below the window is left out but for its room.
 */
export function copyPage(): string {
  const into = document.implementation.createHTMLDocument();
  const hosts = allRoots().flatMap((root) => (root instanceof ShadowRoot ? chainOf(root.host) : []));
  const html = copyElement(document.documentElement, { into, kept: new Set(hosts) });
  return `<!doctype html>${html.outerHTML}`;
}

interface Copying {
  readonly into: Document;
  /** What holds a piece, which may lie over the page wherever it stands in it. */
  readonly kept: ReadonlySet<Element>;
}

function copyNode(node: Node, copying: Copying): Node | null {
  if (node.nodeType === Node.TEXT_NODE) return copying.into.importNode(node, true);
  if (!(node instanceof Element) || node.matches('script,noscript,iframe,link[rel*=preload],template')) return null;
  return copyElement(node, copying);
}

function copyElement(element: Element, copying: Copying): Element {
  const { into } = copying;
  const copy = into.importNode(element, false);
  for (const { name } of [...copy.attributes])
    if (name.startsWith('on') || name === 'autofocus') copy.removeAttribute(name);
  const roomPx = copying.kept.has(element) ? 0 : roomBelow(element);
  if (roomPx > 0) {
    copy.setAttribute('style', `${copy.getAttribute('style') ?? ''};min-height:${roomPx}px`);
    return copy;
  }
  if (element instanceof HTMLInputElement) {
    copy.setAttribute('value', element.value);
    copy.toggleAttribute('checked', element.checked);
  }
  if (element instanceof HTMLDialogElement && element.matches(':modal')) copy.toggleAttribute('data-over', true);
  if (element.shadowRoot) copy.append(copyRoot(element.shadowRoot, copying));
  copy.append(...copyAll(element.childNodes, copying));
  if (element instanceof HTMLHeadElement) copy.append(pageSheets(into));
  if (element instanceof HTMLBodyElement && scrollY > 0)
    copy.setAttribute('style', `${element.style.cssText};margin-top:-${scrollY}px`);
  return copy;
}

/** The height of what lies below the window; 0 of what can be seen, or has no box. */
function roomBelow(element: Element): number {
  const { top, height } = element.getBoundingClientRect();
  return top > innerHeight && getComputedStyle(element).position !== 'fixed' ? height : 0;
}

/** Sheets that a script put in. */
function pageSheets(into: Document): Element {
  const style = into.createElement('style');
  style.textContent = rulesOf(document.adoptedStyleSheets);
  return style;
}

/** A shadow root as HTML can say it. */
function copyRoot(root: ShadowRoot, copying: Copying): Element {
  const { into } = copying;
  const template = into.createElement('template');
  template.setAttribute('shadowrootmode', 'open');
  const before = into.createElement('style');
  before.textContent = LIES_OVER;
  const style = into.createElement('style');
  style.textContent = rulesOf(root.adoptedStyleSheets);
  template.content.append(before, ...shadesOf(root, into), ...copyAll(root.childNodes, copying), style);
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

function copyAll(nodes: Iterable<Node>, copying: Copying): Node[] {
  return [...nodes].flatMap((node) => copyNode(node, copying) ?? []);
}
