import type { EditedCategory } from '~/core/catalogue';
import { type Row, inTreeOrder } from './category-form';
import { CategoryForm } from './category-form';
import { closestCenter, DndContext, type DragEndEvent } from '@dnd-kit/core';
import { arrayMove, SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import isEqual from 'fast-deep-equal';
import GripVertical from 'lucide-react/icons/grip-vertical';
import { useState } from 'react';
import { ask } from '~/studio/data/api';
import { plural } from '~/studio/data/format';
import { Modal } from '~/studio/fields/modal';
import { Shell } from '~/studio/shell/shell';
import { tellMoves, useSortSensors } from '~/studio/data/sorting';
import type { ShellData } from '~/studio/data/studio-data';
import { useUnsaved } from '~/studio/data/use-unsaved';
import { ArrangeProducts } from './arrange-products';
import { useDraft } from '~/studio/data/draft-store';

interface Props {
  readonly shell: ShellData;
  readonly categories: readonly EditedCategory[];
}

export function Categories(props: Props) {
  return (
    <Shell data={props.shell} room="/studio/catalogue">
      <Screen categories={props.categories} />
    </Shell>
  );
}

const toRows = (categories: readonly EditedCategory[]): Row[] =>
  categories.map((category) => ({ ...category, key: category.slug }));

/** Categories in the order shoppers see them; those within another stand below it. */
function Screen({ categories }: { categories: readonly EditedCategory[] }) {
  const lane = useDraft((state) => state.lane);
  const [stored, setStored] = useState(() => toRows(categories));
  const [rows, setRows] = useState(stored);
  const [chosen, choose] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [arranged, setArranged] = useState<Row | null>(null);
  const [gone, setGone] = useState<Row | null>(null);
  const isChanged = !isEqual(rows, stored);
  const sensors = useSortSensors();
  const current = rows.find((row) => row.key === chosen);
  const name = (key: unknown) => rows.find((row) => row.key === key)?.name ?? '';
  const change = (part: Partial<Row>) => {
    setRows(rows.map((row) => (row.key === chosen ? { ...row, ...part } : row)));
    setSaid(null);
  };

  useUnsaved(isChanged);

  function drop({ active, over }: DragEndEvent): void {
    if (!over || active.id === over.id) return;
    const at = (key: unknown) => rows.findIndex((row) => row.key === key);
    setRows(inTreeOrder(arrayMove(rows, at(active.id), at(over.id))));
  }

  function add(): void {
    const key = `new-${Date.now()}`;
    setRows([...rows, { key, slug: '', name: 'New category', text: '', picture: null, parent: null, products: 0 }]);
    choose(key);
  }

  async function save(): Promise<void> {
    setBusy(true);
    setProblem(null);
    try {
      const sent = rows.map(({ slug, name: called, text, picture, parent }) => ({
        slug,
        name: called,
        text,
        picture,
        parent,
      }));
      const next = toRows(await ask('PUT /api/studio/categories', { body: { categories: sent } }));
      setStored(next);
      setRows(next);
      choose(null);
      setSaid('Saved. The open shop shows it already.');
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  }

  return (
    <div className="flex flex-col gap-4 px-[18px] py-4">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <p className="help">
            <a href="/studio/catalogue">Catalogue</a>
          </p>
          <h1>Arrange categories</h1>
          <p className="text-gravel">
            In the order shoppers see them. Drag, or press Space on a handle and use the arrows.
          </p>
        </div>
        <div className="flex items-center gap-2">
          {said && (
            <p role="status" className="text-moss">
              {said}
            </p>
          )}
          <button className="btn" onClick={add}>
            New category
          </button>
          <button className="btn" disabled={!isChanged || busy} onClick={() => setRows(stored)}>
            Discard changes
          </button>
          <button className="btn btn-go" disabled={!isChanged || busy} onClick={() => void save()}>
            Save changes
          </button>
        </div>
      </header>
      {problem && (
        <p role="alert" className="border-s-4 border-brick ps-3 text-brick">
          {problem}
        </p>
      )}
      <div className="grid grid-cols-[minmax(260px,460px)_minmax(0,1fr)] gap-5">
        <DndContext
          id="categories"
          sensors={sensors}
          collisionDetection={closestCenter}
          onDragEnd={drop}
          accessibility={{ announcements: tellMoves(name) }}
        >
          <SortableContext items={rows.map((row) => row.key)} strategy={verticalListSortingStrategy}>
            <ul className="panel">
              {rows.map((row) => (
                <Item key={row.key} row={row} isChosen={row.key === chosen} onChoose={() => choose(row.key)} />
              ))}
              {rows.length === 0 && (
                <li className="px-4 py-6 text-center">No categories yet. An import makes them, too.</li>
              )}
            </ul>
          </SortableContext>
        </DndContext>
        {current ? (
          <CategoryForm
            current={current}
            change={change}
            lane={lane}
            rows={rows}
            setRows={setRows}
            chosen={chosen}
            setArranged={setArranged}
            setGone={setGone}
          />
        ) : (
          <p className="help">Choose a category to change its name, text and picture.</p>
        )}
      </div>
      {arranged && <ArrangeProducts category={arranged} onClose={() => setArranged(null)} />}
      {gone && <ConfirmDelete gone={gone} setGone={setGone} setRows={setRows} rows={rows} choose={choose} />}
    </div>
  );
}

function ConfirmDelete({
  gone,
  setGone,
  setRows,
  rows,
  choose,
}: {
  gone: Row;
  setGone: (next: Row | null) => void;
  setRows: (next: Row[]) => void;
  rows: Row[];
  choose: (next: string | null) => void;
}) {
  return (
    <Modal title={`Delete ${gone.name}?`} onClose={() => setGone(null)}>
      <p className="mb-4">
        Its {plural(gone.products, 'product stays', 'products stay')} in the catalogue. Categories within it move to the
        top. Nothing happens before you save.
      </p>
      <div className="flex justify-end gap-2">
        <button className="btn" onClick={() => setGone(null)}>
          Cancel
        </button>
        <button
          className="btn btn-stop"
          onClick={() => {
            setRows(
              inTreeOrder(
                rows
                  .filter((row) => row.key !== gone.key)
                  .map((row) => (row.parent === gone.slug && gone.slug !== '' ? { ...row, parent: null } : row)),
              ),
            );
            choose(null);
            setGone(null);
          }}
        >
          Delete it
        </button>
      </div>
    </Modal>
  );
}

export function Item({ row, isChosen, onChoose }: { row: Row; isChosen: boolean; onChoose: () => void }) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: row.key });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`flex items-center gap-2 border-b border-slab bg-white py-1 pe-3 ${row.parent === null ? 'ps-1' : 'ps-8'}`}
    >
      <button className="plain size-7 cursor-grab" {...attributes} {...listeners} aria-label={`Move ${row.name}`}>
        <GripVertical size={16} className="mx-auto text-gravel" />
      </button>
      <button
        aria-pressed={isChosen}
        className="plain min-w-0 flex-1 truncate py-1 text-start aria-pressed:font-semibold"
        onClick={onChoose}
      >
        {row.name}
      </button>
      <span className="help">{plural(row.products, 'product', 'products')}</span>
    </li>
  );
}
