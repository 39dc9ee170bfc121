import type { Dispatch, SetStateAction } from 'react';
import { plural } from '~/studio/data/format';
import { ListSearch } from '~/studio/fields/list-bar';
import { PastChanges } from './past-changes';

export const FILTERS = {
  all: 'All products',
  shown: 'Shown',
  hidden: 'Not shown',
  'in-stock': 'In stock',
  'sold-out': 'Sold out',
} as const;

export function ProductsHead({
  total,
  q,
  filter,
  category,
  categories,
  texts,
  setChanging,
  ticked,
  setMaking,
}: {
  total: number;
  q: string;
  filter: 'hidden' | 'all' | 'shown' | 'in-stock' | 'sold-out';
  category: string;
  categories: readonly { readonly slug: string; readonly name: string }[];
  texts: '' | '1';
  setChanging: Dispatch<SetStateAction<boolean>>;
  ticked: readonly string[];
  setMaking: Dispatch<SetStateAction<boolean>>;
}) {
  return (
    <header className="flex flex-wrap items-end justify-between gap-4">
      <div>
        <h1>Keep the catalogue up to date</h1>
        <p className="text-gravel">
          {plural(total, 'product', 'products')}
          {q && ` found for “${q}”`}
        </p>
      </div>
      <div className="flex flex-wrap gap-2">
        <ListSearch
          q={q}
          filter={filter}
          hint="Name or SKU"
          label="Search products"
          filterLabel="Which products"
          filters={FILTERS}
        >
          <select className="field" name="category" aria-label="Category" defaultValue={category}>
            <option value="">Any category</option>
            {categories.map((one) => (
              <option key={one.slug} value={one.slug}>
                {one.name}
              </option>
            ))}
          </select>
          <label className="flex items-center gap-1.5">
            <input type="checkbox" name="texts" value="1" defaultChecked={texts === '1'} /> Texts, too
          </label>
        </ListSearch>
        <a className="btn" href="/studio/catalogue/searches">
          Searches
        </a>
        <a className="btn" href="/studio/catalogue/categories">
          Categories
        </a>
        {total > 0 && (
          <button className="btn" onClick={() => setChanging(true)}>
            {ticked.length > 0 ? `Change ${ticked.length} ticked …` : `Change all ${total} …`}
          </button>
        )}
        <PastChanges />
        <button className="btn" onClick={() => setMaking(true)}>
          New product …
        </button>
        <a className="btn btn-go" href="/studio/catalogue/import">
          Import a file
        </a>
      </div>
    </header>
  );
}
