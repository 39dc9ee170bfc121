import type { ProductCard } from '~/core/catalogue';
import { ImportScreen } from '../import/import-screen';
import { useDraft } from '../shared/draft-store';
import { count, money } from '../shared/format';
import { Shell } from '../shared/shell';
import type { ShellData } from '../shared/studio-data';

interface Props {
  readonly shell: ShellData;
  readonly cards: readonly ProductCard[];
  readonly total: number;
  readonly page: number;
  readonly pages: number;
  readonly search: string;
}

export function Catalogue(props: Props) {
  return (
    <Shell data={props.shell} room="catalogue">
      <Products {...props} />
    </Shell>
  );
}

export function CatalogueImport({ shell }: { shell: ShellData }) {
  return (
    <Shell data={shell} room="catalogue">
      <ImportScreen />
    </Shell>
  );
}

function Products({ cards, total, page, pages, search }: Props) {
  const shop = useDraft((state) => state.live.lane.shop);
  const href = (to: number) => `?${new URLSearchParams({ q: search, page: String(to) })}`;
  return (
    <div className="px-[18px] py-4">
      <header className="mb-3 flex items-end justify-between gap-4">
        <div>
          <h1>Keep the catalogue up to date</h1>
          <p className="text-gravel">
            {count(total)} {total === 1 ? 'product' : 'products'}
            {search && ` found for “${search}”`}
          </p>
        </div>
        <div className="flex gap-2">
          <form className="flex gap-2">
            <input
              className="field w-56"
              name="q"
              defaultValue={search}
              placeholder="Name or SKU"
              aria-label="Search products"
              maxLength={100}
            />
            <button className="btn">Search</button>
          </form>
          <a className="btn btn-go" href="/studio/catalogue/import">
            Bring a file in
          </a>
        </div>
      </header>
      {cards.length === 0 ? (
        <p className="panel px-4 py-6 text-center">
          {search ? 'No product is called that.' : 'No products yet. Bring a CSV file in to begin.'}
        </p>
      ) : (
        <table className="tbl panel">
          <thead>
            <tr>
              <th className="w-14" />
              <th>Product</th>
              <th className="num">Price</th>
              <th>Stock</th>
              <th className="num">Rating</th>
              <th>Options</th>
            </tr>
          </thead>
          <tbody>
            {cards.map((card) => (
              <tr key={card.id}>
                <td>
                  {card.picture ? (
                    <img
                      src={card.picture.src}
                      alt=""
                      width={40}
                      height={40}
                      className="size-10 rounded-stone object-cover"
                    />
                  ) : (
                    <span className="help">none</span>
                  )}
                </td>
                <td>
                  <a href={`/shop/p/${card.slug}`} target="_blank">
                    {card.name}
                  </a>
                  <span className="help line-clamp-1">{card.shortText || 'No short text.'}</span>
                </td>
                <td className="num">
                  {money(card.fromMinor, shop)}
                  {card.toMinor > card.fromMinor && ` – ${money(card.toMinor, shop)}`}
                </td>
                <td className={card.inStock ? '' : 'text-brick'}>{card.inStock ? 'in stock' : 'sold out'}</td>
                <td className="num">{card.rating ? `${card.rating.stars} (${card.rating.count})` : '–'}</td>
                <td>
                  <a href={`/studio/catalogue/${card.slug}`}>
                    {card.hasOptions ? 'Change what is asked' : 'Ask for something'}
                  </a>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {pages > 1 && (
        <nav aria-label="Pages" className="mt-3 flex items-center gap-3">
          {page > 1 && <a href={href(page - 1)}>Back</a>}
          <span>
            Page {page} of {pages}
          </span>
          {page < pages && <a href={href(page + 1)}>Further</a>}
        </nav>
      )}
    </div>
  );
}
