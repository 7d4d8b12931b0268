import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { IconGripVertical } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import { texts } from '../words/index.ts';
import classes from './SortableList.module.css';

interface SortableListProps {
  /** of the rows, in their order */
  ids: readonly string[];
  /** what a row is called, for those who do not see it move */
  nameOf: (id: string) => string;
  onMove: (id: string, to: number) => void;
  children: ReactNode;
}

/** Pulled by so many pixels a press becomes a drag. */
const PULLED = 4;

/** Rows that are moved by their grips: pulled, or picked up with the space bar and moved with the arrow keys. */
export function SortableList({ ids, nameOf, onMove, children }: SortableListProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: PULLED } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const end = ({ active, over }: DragEndEvent): void => {
    if (over && over.id !== active.id) onMove(String(active.id), ids.indexOf(String(over.id)));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={end}
      accessibility={{ announcements: told(ids, nameOf), screenReaderInstructions: { draggable: texts.sorting.how } }}
    >
      <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

function told(ids: readonly string[], nameOf: (id: string) => string): Announcements {
  const t = texts.sorting;
  const name = (id: UniqueIdentifier): string => nameOf(String(id));
  const place = (id: UniqueIdentifier | undefined): number => ids.indexOf(String(id)) + 1;
  return {
    onDragStart: ({ active }) => t.picked(name(active.id), place(active.id), ids.length),
    onDragOver: ({ active, over }) => (over ? t.over(name(active.id), place(over.id), ids.length) : undefined),
    onDragEnd: ({ active, over }) => t.put(name(active.id), place(over?.id ?? active.id), ids.length),
    onDragCancel: ({ active }) => t.cancelled(name(active.id)),
  };
}

/** What a row that is moved has to be told, and the grip that it is moved by. */
export function useSortableRow(id: string, name: string): { row: object; grip: ReactNode } {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  const style = { transform: CSS.Translate.toString(transform), transition };
  return {
    row: { ref: setNodeRef, style, 'data-dragged': isDragging || undefined },
    grip: (
      <button
        type="button"
        ref={setActivatorNodeRef}
        className={classes.grip}
        {...attributes}
        {...listeners}
        aria-label={texts.sorting.grip(name)}
      >
        <IconGripVertical size={13} aria-hidden />
      </button>
    ),
  };
}
