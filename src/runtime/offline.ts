import { fill } from '~/core/words/fill';
import type { HostPage } from './host-page';
import { createShadow, directionOf } from './kit/shadow';

// What is said without a connection cannot be fetched then.
import './kit/say-beside';

interface Told {
  readonly themeCss: string;
  readonly language: string;
  /** `{count}` changes of the cart wait. */
  readonly text: string;
}

const CSS = `:host{position:fixed;inset:auto 0 var(--pl-edge-bottom,0px);width:auto;margin:0;border:0;padding:0;background:none;z-index:2147482000;display:block}
p{margin:0;padding:.7rem 1rem;font:1rem/1.4 var(--pl-font);text-align:center;color:var(--pl-paper);background:var(--pl-ink);border-block-start:3px solid var(--pl-sale)}
p:empty{display:none}p:focus{outline:3px solid var(--pl-sale);outline-offset:-3px}`;

function active(): Element | null {
  let element = document.activeElement;
  while (element?.shadowRoot?.activeElement) element = element.shadowRoot.activeElement;
  return element;
}

/**
 * Says on the page that there is no connection and what waits, and keeps links from leading to the browser's error page. What
 * may have changed while the tab was not looked at is asked for anew.
 */
export function watchConnection(page: HostPage, told: () => Told, askAnew: () => void): void {
  const shadow = createShadow('pl-offline', 'offline');
  const line = document.createElement('p');
  line.setAttribute('role', 'status');
  line.tabIndex = -1;
  shadow.root.append(line);
  page.layer(shadow.element);
  shadow.element.setAttribute('popover', 'manual');
  let isCut = !navigator.onLine;
  let waiting = 0;

  function draw(): void {
    const { themeCss, language, text } = told();
    shadow.style(themeCss, CSS, '');
    line.dir = directionOf(language);
    line.textContent = isCut ? fill(text, { count: waiting }, language) : '';
    lift();
  }

  /** What is open lies over the page, and what is outside of it is not read out: the line stands in it. */
  function lift(): void {
    const { element } = shadow;
    const dialog = active()?.closest('dialog');
    if (dialog && element.parentNode !== dialog) dialog.append(element);
    else if (!dialog && element.closest('dialog')) page.layer(element);
    element.togglePopover?.(isCut);
  }

  function set(next: boolean): void {
    isCut = next;
    draw();
  }

  addEventListener('offline', () => set(true));
  addEventListener('online', () => set(false));
  addEventListener('pl-offline', (event) => {
    const { isOffline, waiting: count } = (event as CustomEvent<{ isOffline: boolean; waiting: number }>).detail;
    waiting = count;
    set(isOffline || !navigator.onLine);
  });
  /** Whatever would load another page is kept from it, and the line is shown instead. */
  function keep(event: Event): void {
    if (navigator.onLine || event.defaultPrevented) return;
    event.preventDefault();
    set(true);
    line.focus();
  }
  addEventListener('click', (event) => {
    const link = event.composedPath().find((target) => target instanceof HTMLAnchorElement);
    if (link instanceof HTMLAnchorElement && link.href && link.target !== '_blank') keep(event);
  });
  // What opens takes the focus, and what closes gives it back.
  addEventListener('focusin', () => isCut && setTimeout(lift));
  addEventListener('submit', keep);
  // Another tab may have ordered the cart, another device changed it.
  document.addEventListener('visibilitychange', () => document.hidden || askAnew());
  draw();
}
