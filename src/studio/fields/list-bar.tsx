import type { ReactNode } from 'react';

interface SearchProps {
  readonly q: string;
  readonly hint: string;
  readonly label: string;
  readonly filter: string;
  readonly filterLabel: string;
  readonly filters: Readonly<Record<string, string>>;
  /** Fields of a list's own. */
  readonly children?: ReactNode;
}

/** Narrows a list by words and by kind; the address says how, so that it can be kept. */
export function ListSearch({ q, hint, label, filter, filterLabel, filters, children }: SearchProps) {
  return (
    <form className="flex flex-wrap gap-2">
      <input className="field w-56" name="q" defaultValue={q} placeholder={hint} aria-label={label} maxLength={100} />
      <select className="field" name="filter" aria-label={filterLabel} defaultValue={filter}>
        {Object.entries(filters).map(([key, name]) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
      </select>
      {children}
      <button className="btn">Search</button>
    </form>
  );
}

interface PagesProps {
  readonly page: number;
  readonly pages: number;
  readonly q: string;
  readonly filter: string;
  /** What else narrows the list. */
  readonly more?: Readonly<Record<string, string>>;
}

/** The way to the pages before and after; nothing where there is one. */
export function Pages({ page, pages, q, filter, more = {} }: PagesProps) {
  if (pages < 2) return null;
  const href = (to: number) => `?${new URLSearchParams({ q, filter, ...more, page: String(to) })}`;
  return (
    <nav aria-label="Pages" className="flex items-center gap-3">
      {page > 1 && <a href={href(page - 1)}>Back</a>}
      <span>
        Page {page} of {pages}
      </span>
      {page < pages && <a href={href(page + 1)}>Next</a>}
    </nav>
  );
}
