/** The page that pieces stand on: the shop's own, or somebody else's. Pieces reach what is around them through it alone. */
export interface HostPage {
  /** Asks the shop; `path` begins with a slash. Rejects where there is no connection. */
  ask(path: string, init?: RequestInit): Promise<Response>;
  /** Tells the shop something that outlives the page; nobody waits for an answer. */
  tell(path: string, body: string): void;
  /** Leaves for a page of the shop. */
  go(path: string): void;
  /** Puts an element over the page. */
  layer(element: HTMLElement): void;
  /** What the address says is open under a name; null where it says nothing. */
  opened(name: string): string | null;
  /** The address with `value` said to be open under a name; null: with nothing. It can be handed on. */
  address(name: string, value: string | null): string;
  /** Puts an address in place of the present one, without a step in the history. */
  correct(address: string): void;
}

/** A page of the shop itself. `origin` is empty or the shop's own. */
export function ownPage(origin: string): HostPage {
  return {
    ask: (path, init) => fetch(origin + path, init),
    tell(path, body) {
      // Where a beacon is refused, a request that is kept alive does the same.
      if (!navigator.sendBeacon?.(origin + path, body))
        void fetch(origin + path, { method: 'POST', body, keepalive: true }).catch(() => undefined);
    },
    go: (path) => location.assign(path),
    layer: (element) => document.body.append(element),
    opened: (name) => new URLSearchParams(location.search).get(name),
    address(name, value) {
      const address = new URL(location.href);
      if (value === null) address.searchParams.delete(name);
      else address.searchParams.set(name, value);
      return address.href;
    },
    correct: (address) => history.replaceState(history.state, '', address),
  };
}
