import { closestCenter, DndContext, type DragEndEvent } from '@dnd-kit/core';
import { arrayMove, SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import GripVertical from 'lucide-react/icons/grip-vertical';
import { useState } from 'react';
import { useAnswer, useSending } from '~/studio/data/query';
import { Modal } from '~/studio/fields/modal';
import { tellMoves, useSortSensors } from '~/studio/data/sorting';

interface Product {
  readonly slug: string;
  readonly name: string;
  readonly picture: string | null;
}

interface Props {
  readonly category: { readonly slug: string; readonly name: string };
  readonly onClose: () => void;
}

/** The products of a category in an order of the owner's own, by dragging or by keys. Kept at once when saved. */
export function ArrangeProducts({ category, onClose }: Props) {
  const params = { slug: category.slug };
  const { answer: stored, problem: unread } = useAnswer('GET /api/studio/categories/[slug]', { params });
  const keeping = useSending('PUT /api/studio/categories/[slug]', onClose);
  /** As moved; null: as it is kept. */
  const [moved, setMoved] = useState<readonly Product[] | null>(null);
  const products = moved ?? stored?.products ?? [];
  const problem = keeping.problem ?? unread;
  const sensors = useSortSensors();

  const name = (slug: unknown) => products.find((product) => product.slug === slug)?.name ?? '';
  const at = (slug: unknown) => products.findIndex((product) => product.slug === slug);
  const drop = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) setMoved(arrayMove([...products], at(active.id), at(over.id)));
  };
  const save = (slugs: readonly string[]) => keeping.send({ params, body: { slugs } });

  return (
    <Modal
      title={`Order of ${category.name}`}
      text="Shoppers see this order first; they can still sort. Drag, or press Space on a handle and use the arrows."
      onClose={onClose}
    >
      {problem && (
        <p role="alert" className="mb-3 border-s-4 border-brick ps-3 text-brick">
          {problem}
        </p>
      )}
      {stored?.products.length === 0 && <p>No products stand in this category yet.</p>}
      <DndContext
        id="arrange-products"
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={drop}
        accessibility={{ announcements: tellMoves(name) }}
      >
        <SortableContext items={products.map(({ slug }) => slug)} strategy={verticalListSortingStrategy}>
          <ol aria-label={`Products of ${category.name}`}>
            {products.map((product) => (
              <Item key={product.slug} product={product} />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <div className="mt-4 flex justify-end gap-2">
        {stored?.isArranged && (
          <button className="btn me-auto" onClick={() => save([])}>
            Back to the usual order
          </button>
        )}
        <button className="btn" onClick={onClose}>
          Cancel
        </button>
        <button
          className="btn btn-go"
          disabled={products.length === 0}
          onClick={() => save(products.map(({ slug }) => slug))}
        >
          Save this order
        </button>
      </div>
    </Modal>
  );
}

function Item({ product }: { product: Product }) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: product.slug });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className="flex items-center gap-2 border-b border-slab bg-white py-1 pe-3"
    >
      <button className="plain size-7 cursor-grab" {...attributes} {...listeners} aria-label={`Move ${product.name}`}>
        <GripVertical size={16} className="mx-auto text-gravel" />
      </button>
      {product.picture && <img src={product.picture} alt="" width="28" height="28" className="size-7 object-cover" />}
      <span>{product.name}</span>
    </li>
  );
}
