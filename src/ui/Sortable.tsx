import {
  closestCenter,
  DndContext,
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
import type { CSSProperties } from 'react';
import { ICONS } from './icons';
import { useTheme } from './theme';
import { space, TARGET } from './tokens';
import { Txt } from './Txt';

interface Item {
  id: string;
  label: string;
  note?: string;
}

/** A list that is put in order by dragging, or by keys: space takes hold, arrows move, space lets go. */
export function Sortable({
  items,
  onOrder,
}: {
  items: readonly Item[];
  /** The ids in their new order. */
  onOrder: (ids: string[]) => void;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates, scrollBehavior: 'auto' }),
  );
  const ids = items.map((i) => i.id);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        if (!over || active.id === over.id) return;
        onOrder(arrayMove(ids, ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        {items.map((item) => (
          <SortableRow key={item.id} item={item} />
        ))}
      </SortableContext>
    </DndContext>
  );
}

function SortableRow({ item }: { item: Item }) {
  const { roles } = useTheme();
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: item.id,
  });
  const Grip = ICONS.drag;
  const style: CSSProperties = {
    transform: CSS.Translate.toString(transform),
    transition: transition ?? undefined,
    display: 'flex',
    alignItems: 'center',
    gap: space(3),
    minHeight: TARGET,
    borderBottom: `1px solid ${roles.hairline}`,
    background: isDragging ? roles.sand : undefined,
    cursor: 'grab',
    touchAction: 'none',
  };
  return (
    <div ref={setNodeRef} style={style} {...attributes} {...listeners} aria-label={`${item.label}: move`}>
      <Grip size={18} color={roles.second} aria-hidden />
      <Txt style={{ flexShrink: 1 }}>{item.label}</Txt>
      {item.note ? (
        <Txt kind="small" tone="second">
          {item.note}
        </Txt>
      ) : null}
    </div>
  );
}
