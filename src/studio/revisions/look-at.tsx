import { useState } from 'react';
import { useDraft } from '~/studio/data/draft-store';
import { Modal } from '~/studio/fields/modal';
import { Segmented } from '~/studio/fields/segmented';

const PAGES = { '/shop/': 'Front page', '/shop/all': 'Listing', '/shop/cart': 'Cart', '/shop/checkout': 'Checkout' };
const WIDTHS = { '390': 'Phone', '1100': 'Desktop' } as const;

/** Pages of the shop as they were under a revision; nothing is put back by looking. */
export function LookAt({ revision, onClose }: { readonly revision: number; readonly onClose: () => void }) {
  const token = useDraft((state) => state.token);
  const [page, setPage] = useState<keyof typeof PAGES>('/shop/all');
  const [width, setWidth] = useState<keyof typeof WIDTHS>('1100');
  return (
    <Modal
      title={`The shop as of revision ${revision}`}
      text="With today’s products and prices. Draft and live shop stay as they are."
      width={1160}
      onClose={onClose}
    >
      <div className="flex flex-col gap-3">
        <div className="flex flex-wrap gap-3">
          <Segmented label="Page" options={PAGES} value={page} onChange={setPage} />
          <Segmented label="Width" options={WIDTHS} value={width} onChange={setWidth} />
        </div>
        <iframe
          title={`The shop as of revision ${revision}`}
          src={`${page}?draft=${token}.r${revision}`}
          style={{ width: Number(width) }}
          className="mx-auto h-[56vh] max-w-full border border-mortar bg-white"
        />
      </div>
    </Modal>
  );
}
