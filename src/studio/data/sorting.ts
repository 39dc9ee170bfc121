import { KeyboardSensor, PointerSensor, useSensor, useSensors, type Announcements } from '@dnd-kit/core';
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable';

/** How things are moved: dragged a little way, or with Space and the arrows on their handle. */
export function useSortSensors() {
  return useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
}

/** What screen readers are told while something is moved; `label` names it. */
export function tellMoves(label: (id: unknown) => string): Announcements {
  return {
    onDragStart: ({ active }) => `${label(active.id)} is picked up.`,
    onDragOver: ({ active, over }) => (over ? `${label(active.id)} is over ${label(over.id)}.` : undefined),
    onDragEnd: ({ active, over }) =>
      `${label(active.id)} is put down${over ? ` at the place of ${label(over.id)}` : ''}.`,
    onDragCancel: ({ active }) => `${label(active.id)} stays where it was.`,
  };
}
