import { pressed } from './after-press';
import { createShadow, type Shadow } from './shadow';

interface Saying {
  readonly isBad?: boolean;
  /** Of pages that are not the shop's own, which have none of its colours. */
  readonly themeCss?: string;
}

const CSS = `:host{position:fixed;inset:auto;margin:0;border:0;padding:0;background:none;overflow:visible;z-index:2147482500;display:block;pointer-events:none}
p{margin:0;width:max-content;max-width:min(22rem,100vw - 1.5rem);padding:.55rem .9rem;font:600 1rem/1.4 var(--pl-font);color:var(--pl-paper);background:var(--pl-ink);border-radius:8px;border-inline-start:4px solid var(--pl-accent);overflow-wrap:anywhere}
p.bad{border-color:var(--pl-sale)}p:empty{visibility:hidden}
@media(forced-colors:active){p{border:2px solid}}`;

const GAP = 8;
/** Good news is seen in passing; what is wrong stays until the next press. */
const GOOD_MS = 6000;

let line: { readonly shadow: Shadow; readonly text: HTMLElement } | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;
let by: Element | null = null;
/** Listens to the page while something is said. */
let heard = new AbortController();

/** What was pressed, or is being typed in. */
function asked(): Element | null {
  let active = document.activeElement;
  while (active?.shadowRoot?.activeElement) active = active.shadowRoot.activeElement;
  return active?.matches('input,select,textarea') ? active : pressed();
}

function build(): { readonly shadow: Shadow; readonly text: HTMLElement } {
  const shadow = createShadow('pl-said', 'said');
  const text = document.createElement('p');
  shadow.root.append(text);
  shadow.element.setAttribute('popover', 'manual');
  return { shadow, text };
}

function removeMessage(): void {
  if (!line?.text.textContent) return;
  heard.abort();
  clearTimeout(timer);
  line.text.textContent = '';
  if (line.shadow.element.isConnected) line.shadow.element.togglePopover?.(false);
}

/**
 * Says what came of a press beside what was pressed, over the page: in view wherever that is, and without moving anything.
 * An empty text takes away what was said.
 */
export function sayBeside(text: string, { isBad = false, themeCss = '' }: Saying = {}): void {
  removeMessage();
  if (!text) return;
  line ??= build();
  const { element, style } = line.shadow;
  by = asked();
  // What is outside of an open dialog is not read out.
  const dialog = by?.closest('dialog') ?? document.body;
  if (element.parentNode !== dialog) dialog.append(element);
  style(themeCss, CSS, '');
  element.dir = getComputedStyle(by ?? document.body).direction;
  element.togglePopover?.(true);
  line.text.classList.toggle('bad', isBad);
  line.text.setAttribute('role', isBad ? 'alert' : 'status');
  line.text.textContent = text;
  place();
  heard = new AbortController();
  const on = { capture: true, passive: true, signal: heard.signal };
  for (const press of ['pointerdown', 'keydown']) addEventListener(press, removeMessage, on);
  for (const move of ['scroll', 'resize']) addEventListener(move, place, on);
  if (!isBad) timer = setTimeout(removeMessage, GOOD_MS);
}

/** Below what was pressed, above it where that does not fit; where neither does, at the lower edge. */
function place(): void {
  if (!line?.text.textContent) return;
  const { element } = line.shadow;
  const box = by?.getBoundingClientRect();
  const { width, height } = element.getBoundingClientRect();
  const edges = getComputedStyle(document.documentElement);
  const edge = (name: string) => Number.parseFloat(edges.getPropertyValue(`--pl-edge-${name}`)) || 0;
  const [top, bottom] = [edge('top') + GAP, innerHeight - edge('bottom') - GAP - height];
  const isSeen = box !== undefined && box.width > 0 && box.bottom > 0 && box.top < innerHeight;
  const below = isSeen ? box.bottom + GAP : bottom;
  const above = isSeen ? box.top - GAP - height : bottom;
  const y = below <= bottom ? below : Math.max(top, above);
  const middle = isSeen ? box.left + box.width / 2 : innerWidth / 2;
  const x = Math.max(GAP, Math.min(innerWidth - width - GAP, middle - width / 2));
  element.style.insetBlockStart = `${Math.round(y)}px`;
  element.style.left = `${Math.round(x)}px`;
}
