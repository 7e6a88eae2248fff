import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import type { ReactNode } from 'react';
import { say } from '#contract/wording/say.ts';
import { dragAnnouncements, dragInstructions } from '../../../ui/drag-words.ts';

/** A list put in order by hand: at the handle by pointer, or by Space, arrows, Space. */
export function SortableList({
  ids,
  onOrder,
  render,
  label,
}: {
  ids: readonly string[];
  onOrder: (ids: string[]) => void;
  /** Draws one entry; the handle goes where the entry wants it. */
  render: (id: string, index: number, handle: ReactNode) => ReactNode;
  label: string;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    onOrder(arrayMove([...ids], ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{
        announcements: dragAnnouncements((id) => ids.indexOf(String(id)) + 1),
        screenReaderInstructions: dragInstructions(),
      }}
      onDragEnd={onDragEnd}
    >
      <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
        <ol aria-label={label}>
          {ids.map((id, index) => (
            <Entry key={id} id={id} label={`${label}, ${index + 1}`}>
              {(handle) => render(id, index, handle)}
            </Entry>
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

function Entry({ id, label, children }: { id: string; label: string; children: (handle: ReactNode) => ReactNode }) {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id,
  });
  const handle = (
    <button
      ref={setActivatorNodeRef}
      type="button"
      {...attributes}
      {...listeners}
      aria-label={say('Move {label}', { label })}
      className="flex size-11 shrink-0 cursor-grab touch-none items-center justify-center text-ink-2"
    >
      <GripVertical aria-hidden size={20} />
    </button>
  );
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={isDragging ? 'relative z-10 border-2 border-ink bg-sheet shadow-lg' : ''}
    >
      {children(handle)}
    </li>
  );
}
