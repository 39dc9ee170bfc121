import type { FormColumn } from './columns';
import { findRows, sortRows, type FormRow } from './rows';

export interface Arranged {
  /** What is found, in the order asked for. */
  rows(quantityOf: (row: FormRow) => number, language: string): readonly FormRow[];
  type(text: string): void;
  filter(key: string, value: string): void;
  /** Sorts by the column of a heading; a second time reverses the order. */
  sortBy(heading: HTMLElement): void;
}

/** The rows of a form as a shopper finds and sorts them. */
export function createArranged(
  form: HTMLFormElement,
  all: readonly FormRow[],
  columns: readonly FormColumn[],
): Arranged {
  const filters = new Map<string, string>();
  let typed = '';
  let sorted: Parameters<typeof sortRows>[1] | null = null;
  return {
    rows(quantityOf, language) {
      const found = findRows(all, columns, { typed, filters, language });
      return sorted ? sortRows(found, sorted, quantityOf, language) : found;
    },
    type(text) {
      typed = text;
    },
    filter: (key, value) => void filters.set(key, value),
    sortBy(heading) {
      const head = heading.closest('th')!;
      const isDown = head.getAttribute('aria-sort') === 'ascending';
      for (const other of form.querySelectorAll('th[aria-sort]')) other.removeAttribute('aria-sort');
      head.setAttribute('aria-sort', isDown ? 'descending' : 'ascending');
      const column = columns.find(({ key }) => key === heading.dataset['sort']);
      if (column) sorted = { column, isDown };
    },
  };
}
