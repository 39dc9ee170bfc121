import { useState } from 'react';
import { useDraft } from '~/studio/data/draft-store';
import { Segmented } from '~/studio/fields/segmented';

const PAGES: Readonly<Record<string, string>> = { '/shop/': 'Front page', '/shop/all': 'Listing' };

interface Props {
  readonly product: string | null;
  /** The page to show; null: the one chosen here. */
  readonly path: string | null;
}

/** A page of the real shop as the draft would have it; drawn anew with every change that is kept. */
export function SamplePage({ product, path: given }: Props) {
  const { token, edit, lane } = useDraft();
  const [page, setPage] = useState('/shop/');
  const path = given ?? (page === 'product' ? `/shop/p/${product}` : page);
  return (
    <aside
      aria-label="How the shop would look"
      className="sticky top-0 flex h-[calc(100vh-66px)] flex-col border-s border-mortar bg-slab"
    >
      <div className="flex items-center gap-3 px-4 py-2">
        <h2 className="me-auto">How it would look</h2>
        {given === null && (
          <Segmented
            label="Page"
            options={product ? { ...PAGES, product: 'Product' } : PAGES}
            value={page}
            onChange={setPage}
          />
        )}
      </div>
      <iframe
        key={`${path} ${edit}`}
        title="The shop with the draft"
        src={`${path}?draft=${token}&lang=${lane.shop.languages[0]!}&edit=${edit}`}
        className="min-h-0 w-full flex-1 border-0 bg-white"
      />
    </aside>
  );
}
