/** What is kept with the site the page belongs to; where the browser keeps nothing for it, as long as the page is there. */
export function kept(
  name: string,
  where: 'localStorage' | 'sessionStorage',
): { read(): string; write(value: string): void } {
  let here = '';
  return {
    read() {
      try {
        return globalThis[where].getItem(name) ?? here;
      } catch {
        return here;
      }
    },
    write(value) {
      here = value;
      try {
        globalThis[where].setItem(name, value);
      } catch {
        // Storage is off, or full: the page remembers.
      }
    },
  };
}
