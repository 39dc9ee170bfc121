import { JSDOM, VirtualConsole, type DOMWindow } from 'jsdom';

/** What Node has of its own and a page needs its own of: events must be of the page that hears them. */
const OWN = ['Event', 'CustomEvent', 'EventTarget', 'MessageEvent', 'FormData', 'navigator', 'addEventListener'];
const MORE = [
  'AbortController',
  'removeEventListener',
  'dispatchEvent',
  'localStorage',
  'sessionStorage',
  'File',
  'Blob',
];

/** What jsdom does not have, as little of it as the runtime uses. */
function complete(window: DOMWindow): void {
  const dialog = window.HTMLDialogElement.prototype;
  dialog.show = dialog.showModal = function show() {
    this.setAttribute('open', '');
  };
  dialog.close = function close() {
    this.removeAttribute('open');
    this.dispatchEvent(new window.Event('close'));
  };
  window.Element.prototype.scrollIntoView = () => undefined;
  window.Document.prototype.elementsFromPoint = () => [];
  Object.assign(window.Range.prototype, {
    getClientRects: () => [],
    getBoundingClientRect: () => new window.DOMRect(),
  });
  window.HTMLElement.prototype.getClientRects = () => [] as unknown as DOMRectList;
  // By these a library finds out how an event is called.
  for (const event of ['enter', 'leave', 'down', 'move', 'up'])
    Object.assign(window.HTMLElement.prototype, { [`onpointer${event}`]: null });
  // Laid out is what is not hidden: nothing has a size here.
  Object.defineProperty(window.HTMLElement.prototype, 'offsetParent', {
    get(this: HTMLElement) {
      return this.closest('[hidden]') ? null : this.parentNode;
    },
  });
  Object.assign(window.CSSStyleSheet.prototype, {
    replaceSync(this: { text: string }, text: string) {
      this.text = text;
    },
  });
  class Observer {
    observe(): void {}
    unobserve(): void {}
    disconnect(): void {}
  }
  Object.assign(window, {
    IntersectionObserver: Observer,
    ResizeObserver: Observer,
    PointerEvent: window.MouseEvent,
    matchMedia: () => ({ matches: false, addEventListener: () => undefined, removeEventListener: () => undefined }),
    requestAnimationFrame: (work: () => void) => setTimeout(work, 0),
    cancelAnimationFrame: clearTimeout,
    // One clock for the page and for whoever waits for it.
    setTimeout,
    clearTimeout,
    setInterval,
    clearInterval,
  });
  for (const root of [window.Document, window.ShadowRoot]) (root.prototype as Document).adoptedStyleSheets = [];
}

/**
 * Gives the tests of a `describe` a page of their own, as globals; each test gets a fresh one. Answers how to open it at
 * another address or with other content.
 */
export function withPage(address = 'https://shop.example/'): { open(html?: string, url?: string): DOMWindow } {
  const before = new Map<string, PropertyDescriptor | undefined>();

  function restore(): void {
    for (const [name, descriptor] of before)
      if (descriptor) Object.defineProperty(globalThis, name, descriptor);
      else Reflect.deleteProperty(globalThis, name);
  }

  function open(html = '', url = address): DOMWindow {
    restore();
    // A console that is not passed on: going to another address, which jsdom cannot, is no fault.
    const virtualConsole = new VirtualConsole();
    const { window } = new JSDOM(`<!doctype html><html><body>${html}</body></html>`, { url, virtualConsole });
    complete(window);
    const names = Object.getOwnPropertyNames(window).filter(
      (name) => !(name in globalThis) || OWN.includes(name) || MORE.includes(name),
    );
    for (const name of [...names, ...OWN, ...MORE]) {
      if (!before.has(name)) before.set(name, Object.getOwnPropertyDescriptor(globalThis, name));
      const value = (window as unknown as Record<string, unknown>)[name];
      const isMethod = ['addEventListener', 'removeEventListener', 'dispatchEvent', 'getComputedStyle'].includes(name);
      Object.defineProperty(globalThis, name, {
        value: isMethod ? (value as () => void).bind(window) : value,
        configurable: true,
        writable: true,
      });
    }
    return window;
  }

  beforeEach(() => void open());
  after(async () => {
    // What the page still had under way finds its window.
    await settled();
    restore();
  });
  return { open };
}

const turn = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/** Lets what was promised happen, and what comes of it: on a busy machine timers come late, and those behind them later. */
export async function settled(ms = 0): Promise<void> {
  await turn(ms);
  for (let i = 0; i < 4; i += 1) await turn(0);
}

/** Answers requests in place of the server, and remembers what was asked. Put back with `restore`. */
export function fakeServer() {
  const { fetch: real } = globalThis;
  const asked: { readonly url: string; readonly init: RequestInit }[] = [];
  let answer: (url: string, init: RequestInit) => Response | Promise<Response> = () => Response.json({});
  globalThis.fetch = (url, init = {}) => {
    asked.push({ url: String(url), init });
    return Promise.resolve().then(() => answer(String(url), init));
  };
  return {
    asked,
    answers(next: typeof answer) {
      answer = next;
    },
    restore() {
      globalThis.fetch = real;
    },
  };
}

/** Waits until something holds, two seconds at most; what does not hold by then is for the test to say. */
export async function until(holds: () => boolean): Promise<void> {
  for (let i = 0; i < 400 && !holds(); i += 1) await turn(5);
}

/** What is said beside what was pressed; null where nothing is. */
export async function saidBeside(): Promise<string | null> {
  await import('~/runtime/kit/say-beside');
  await settled();
  return (
    document.querySelector('pl-said')?.shadowRoot?.querySelector(':is([role=status], [role=alert])')?.textContent ||
    null
  );
}
