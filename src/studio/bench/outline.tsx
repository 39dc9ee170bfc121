import { closestCenter, DndContext, type DragEndEvent } from '@dnd-kit/core';
import { arrayMove, SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import Eye from 'lucide-react/icons/eye';
import EyeOff from 'lucide-react/icons/eye-off';
import GripVertical from 'lucide-react/icons/grip-vertical';
import type { Piece } from '~/core/lane';
import { tellMoves, useSortSensors } from '~/studio/data/sorting';
import type { PanelProps } from './panel';

interface Props extends PanelProps {
  readonly onSelect: (part: string | null) => void;
}

/** The parts as shoppers meet them, to be chosen, hidden and put in order, with the pointer or the keyboard. */
export function Outline({ piece, definition, part, onSelect, edit }: Props) {
  const sensors = useSortSensors();
  const keys = piece.parts.map((item) => item.key);
  const label = (key: unknown) => definition.parts[String(key)]?.label ?? String(key);
  function drop({ active, over }: DragEndEvent): void {
    if (!over || active.id === over.id) return;
    const [from, to] = [keys.indexOf(String(active.id)), keys.indexOf(String(over.id))];
    edit((draft) => void (draft.parts = arrayMove(draft.parts, from, to)));
  }
  return (
    <section
      aria-label="Parts"
      className="col-start-1 row-span-2 row-start-2 min-h-0 overflow-auto border-e border-mortar px-2.5 py-3"
    >
      <p className="help px-1.5 pb-1.5">
        Top to bottom, as shoppers see it. Drag, or press Space on a handle and use the arrows.
      </p>
      <button
        aria-pressed={part === null}
        onClick={() => onSelect(null)}
        className="plain mb-1 w-full rounded-stone border-2 border-transparent px-2 py-1.5 text-start font-semibold aria-pressed:border-paint aria-pressed:bg-white"
      >
        The whole {definition.name.toLowerCase()}
      </button>
      <DndContext
        id="outline"
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={drop}
        accessibility={{ announcements: tellMoves(label) }}
      >
        <SortableContext items={keys} strategy={verticalListSortingStrategy}>
          <ul>
            {piece.parts.map((item) => (
              <Item
                key={item.key}
                item={item}
                label={label(item.key)}
                isChosen={part === item.key}
                onSelect={() => onSelect(item.key)}
                onToggle={() =>
                  edit((draft) => void (draft.parts.find((other) => other.key === item.key)!.on = !item.on))
                }
              />
            ))}
          </ul>
        </SortableContext>
      </DndContext>
    </section>
  );
}

interface ItemProps {
  readonly item: Piece['parts'][number];
  readonly label: string;
  readonly isChosen: boolean;
  readonly onSelect: () => void;
  readonly onToggle: () => void;
}

function Item({ item, label, isChosen, onSelect, onToggle }: ItemProps) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: item.key });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      className={`flex items-center rounded-stone border-2 ${isChosen ? 'border-paint bg-white' : 'border-transparent'} ${isDragging ? 'relative z-10 bg-slab' : ''}`}
      data-testid={`part-${item.key}`}
    >
      <button
        {...attributes}
        {...listeners}
        aria-label={`Move ${label}`}
        className="plain cursor-grab touch-none px-1.5 py-1.5 text-gravel"
      >
        <GripVertical size={15} strokeWidth={1.75} />
      </button>
      <button
        onClick={onSelect}
        aria-pressed={isChosen}
        className={`plain min-w-0 flex-1 truncate py-1.5 text-start ${item.on ? '' : 'text-gravel line-through decoration-mortar'}`}
      >
        {label}
      </button>
      {item.hideOn.length > 0 && <span className="text-[11px] text-gravel">not {item.hideOn.join(', ')}</span>}
      <button
        onClick={onToggle}
        aria-label={`${item.on ? 'Hide' : 'Show'} ${label}`}
        className="plain px-1.5 py-1.5 text-gravel hover:text-basalt"
      >
        {item.on ? <Eye size={16} strokeWidth={1.75} /> : <EyeOff size={16} strokeWidth={1.75} />}
      </button>
    </li>
  );
}
