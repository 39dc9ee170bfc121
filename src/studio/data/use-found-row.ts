import { useEffect } from 'react';

const FOCUSABLE = 'input:not([type=hidden]), select, textarea, button';

/** Puts the focus on the row that the address names (`find`), once it is there: whoever looked for a setting is at it. */
export function useFoundRow(): void {
  useEffect(() => {
    const label = new URLSearchParams(location.search).get('find');
    if (!label) return;
    const rows = [...document.querySelectorAll<HTMLElement>('[data-row]')];
    const row = rows.find((candidate) => candidate.dataset['row'] === label);
    row?.scrollIntoView({ block: 'center' });
    row?.querySelector<HTMLElement>(FOCUSABLE)?.focus();
  }, []);
}
