import type { ListedProduct } from '~/core/catalogue';
import type { FILTERS } from './products-head';
import { ProductsHead } from './products-head';
import { useState } from 'react';
import { ImportScreen } from '../import/import-screen';
import { ask } from '~/studio/data/api';
import { useShop } from '~/studio/data/sums';
import { money, plural } from '~/studio/data/format';
import { Modal } from '~/studio/fields/modal';
import { Pages } from '~/studio/fields/list-bar';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import { BulkDialog } from './bulk-dialog';
import { QuickCell } from './quick-cell';

interface Props {
  readonly shell: ShellData;
  readonly products: readonly ListedProduct[];
  readonly total: number;
  readonly page: number;
  readonly pages: number;
  readonly q: string;
  readonly filter: keyof typeof FILTERS;
  readonly categories: readonly { readonly slug: string; readonly name: string }[];
  /** Slug; empty: any. */
  readonly category: string;
  /** Whether texts were looked through, too. */
  readonly texts: '' | '1';
  readonly examples: number;
}

export function Catalogue(props: Props) {
  return (
    <Shell data={props.shell} room="/studio/catalogue">
      <Products {...props} />
    </Shell>
  );
}

export function CatalogueImport({ shell, isEmpty }: { shell: ShellData; isEmpty: boolean }) {
  return (
    <Shell data={shell} room="/studio/catalogue">
      <ImportScreen isEmpty={isEmpty} />
    </Shell>
  );
}

function Products({ products, total, page, pages, q, filter, categories, category, texts, examples }: Props) {
  const shop = useShop();
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const slugs = products.map(({ slug }) => slug);
  const changed = ticked.length || total;
  const [isMaking, setMaking] = useState(false);
  const [isChanging, setChanging] = useState(false);
  return (
    <div className="flex flex-col gap-3 px-[18px] py-4">
      <ProductsHead
        total={total}
        q={q}
        filter={filter}
        category={category}
        categories={categories}
        texts={texts}
        setChanging={setChanging}
        ticked={ticked}
        setMaking={setMaking}
      />
      {examples > 0 && <Examples count={examples} />}
      {products.length === 0 ? (
        <p className="panel px-4 py-6 text-center">
          {q || filter !== 'all' || category
            ? 'No products found. Try a shorter word, or all products.'
            : 'No products yet. Import a CSV file to begin, or make the first by hand.'}
        </p>
      ) : (
        <table className="tbl panel">
          <thead>
            <tr>
              <th className="w-8">
                <input
                  type="checkbox"
                  aria-label="All on this page"
                  checked={ticked.length === slugs.length}
                  onChange={(event) => setTicked(event.target.checked ? slugs : [])}
                />
              </th>
              <th className="w-14">
                <span className="sr-only">Picture</span>
              </th>
              <th>Product</th>
              <th className="num">Price</th>
              <th className="num">Stock</th>
              <th>Options</th>
            </tr>
          </thead>
          <tbody>
            {products.map((product) => (
              <tr key={product.slug}>
                <td>
                  <input
                    type="checkbox"
                    aria-label={product.name}
                    checked={ticked.includes(product.slug)}
                    onChange={(event) =>
                      setTicked(
                        event.target.checked
                          ? [...ticked, product.slug]
                          : ticked.filter((slug) => slug !== product.slug),
                      )
                    }
                  />
                </td>
                <td>
                  {product.picture ? (
                    <img
                      src={product.picture}
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
                  <a href={`/studio/catalogue/${product.slug}`}>{product.name}</a>
                  {!product.isShown && <span className="ms-2 text-[12.5px] text-brick">not shown</span>}
                  <span className="help line-clamp-1">{product.shortText || 'No short text.'}</span>
                </td>
                <td className="num">
                  {product.variants === 1 ? (
                    <QuickCell slug={product.slug} field="priceMinor" value={product.fromMinor} shop={shop} />
                  ) : (
                    <a href={`/studio/catalogue/${product.slug}`}>
                      {money(product.fromMinor, shop)}
                      {product.toMinor > product.fromMinor && ` – ${money(product.toMinor, shop)}`}
                    </a>
                  )}
                </td>
                <td className="num">
                  {product.variants === 1 ? (
                    <QuickCell slug={product.slug} field="stock" value={product.stock} shop={shop} />
                  ) : (
                    <a href={`/studio/catalogue/${product.slug}`}>
                      {product.stock === null ? 'not counted' : product.stock}{' '}
                      <span className="text-gravel">in {plural(product.variants, 'variant', 'variants')}</span>
                    </a>
                  )}
                </td>
                <td>
                  <a href={`/studio/catalogue/${product.slug}/options`}>
                    {product.hasOptions ? 'Edit options' : 'Add options'}
                  </a>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Pages page={page} pages={pages} q={q} filter={filter} more={{ category, texts }} />
      {isChanging && (
        <BulkDialog
          list={{ q, filter, category, texts }}
          slugs={ticked}
          total={changed}
          onClose={() => setChanging(false)}
        />
      )}
      {isMaking && <NewProduct onClose={() => setMaking(false)} />}
    </div>
  );
}

/** The examples a new shop began with go with one press. */
function Examples({ count }: { count: number }) {
  const [problem, setProblem] = useState<string | null>(null);
  async function remove(): Promise<void> {
    try {
      await ask('DELETE /api/studio/examples');
      location.reload();
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  return (
    <div className="flex flex-wrap items-center gap-3 border-s-4 border-paint bg-slab px-3 py-2">
      <p className="me-auto">{plural(count, 'product is', 'products are')} only an example.</p>
      <button className="btn" onClick={() => void remove()}>
        Delete the {count === 1 ? 'example' : 'examples'}
      </button>
      {problem && (
        <p role="alert" className="w-full text-brick">
          {problem}
        </p>
      )}
    </div>
  );
}

function NewProduct({ onClose }: { onClose: () => void }) {
  const [name, setName] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  async function make(): Promise<void> {
    try {
      const { slug } = await ask('POST /api/studio/products', { body: { name } });
      location.assign(`/studio/catalogue/${slug}`);
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  return (
    <Modal title="New product" text="It is not shown in the shop until you say so." onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <label className="flex flex-col gap-1">
          Name
          <input
            autoFocus
            className="field"
            required
            maxLength={200}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        {problem && (
          <p role="alert" className="text-brick">
            {problem}
          </p>
        )}
        <div className="flex justify-end gap-2">
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button className="btn btn-go" disabled={name.trim() === ''}>
            Make it
          </button>
        </div>
      </form>
    </Modal>
  );
}
