import { thePage as host } from './page';

/** How long snippets that come later are waited for, to be told together. */
const SOON_MS = 1500;

/** Tells the shop which of its links stand on this page, and how often its script failed here: now, and as either changes. */
export function tellSeen(buy: string, countErrors: () => number): void {
  /** Ids of the snippets told of; '' stands for those without one. */
  const told = new Set<string>();
  let errorsTold = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  function tell(): void {
    timer = undefined;
    const links = [
      ...[...document.querySelectorAll<HTMLInputElement>('form[action] input[name=link]')]
        .filter(({ form }) => form?.getAttribute('action') === buy)
        .map(({ value }) => value),
      ...[...document.querySelectorAll('a[href]')].flatMap((link) => {
        const href = link.getAttribute('href')!;
        return href.startsWith(`${buy}?`) ? [new URL(href).searchParams.get('link') ?? ''] : [];
      }),
    ].filter((id) => !told.has(id));
    for (const id of links) told.add(id);
    const errors = countErrors() - errorsTold;
    errorsTold += errors;
    if (links.length === 0 && errors === 0) return;
    host.tell(
      '/api/seen',
      JSON.stringify({ path: location.pathname.slice(0, 200), links: links.slice(0, 100), errors }),
    );
  }
  const soon = () => (timer ||= setTimeout(tell, SOON_MS));
  new MutationObserver(soon).observe(document.documentElement, { childList: true, subtree: true });
  addEventListener('error', soon);
  tell();
}
