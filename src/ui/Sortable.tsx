import {
  closestCenter,
  DndContext,
  KeyboardCode,
  type KeyboardCoordinateGetter,
  KeyboardSensor,
  type KeyboardSensorProps,
  PointerSensor,
  type UniqueIdentifier,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { arrayMove, SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { CSSProperties } from 'react';
import { ICONS } from './icons';
import { useTheme } from './theme';
import { space, TARGET } from './tokens';
import { Txt } from './Txt';

interface Item {
  id: string;
  label: string;
  /** Its place, where it has one: not said while it moves, as it is the one it comes from. */
  rank?: number;
  note?: string;
}

/** Keys that leave scrolling to us: a screen's scrolled part has a scrollTo of its own, which takes other words than the browser's and would go
 *  back to the top. */
class Keys extends KeyboardSensor {
  constructor(props: KeyboardSensorProps) {
    const { context } = props;
    super({
      ...props,
      context: {
        get current() {
          return { ...context.current, scrollableAncestors: [] };
        },
      },
    });
  }
}

/** One place up or down, in view. */
const toNeighbour =
  (ids: readonly string[]): KeyboardCoordinateGetter =>
  (event, { active, context: { over, droppableContainers, droppableRects } }) => {
    const by =
      event.code === KeyboardCode.Up.valueOf() ? -1 : event.code === KeyboardCode.Down.valueOf() ? 1 : 0;
    const next = ids[ids.indexOf(String(over?.id ?? active)) + by];
    if (by === 0 || next === undefined) return undefined;
    event.preventDefault();
    droppableContainers.get(next)?.node.current?.scrollIntoView({ block: 'center' });
    const rect = droppableRects.get(next);
    return rect ? { x: rect.left, y: rect.top } : undefined;
  };

/** What is said aloud of a row that is moved. */
const spoken = (items: readonly Item[]) => {
  const nameOf = (id: UniqueIdentifier) => items.find((i) => i.id === id)?.label ?? '';
  const at = (id: UniqueIdentifier) => `place ${items.findIndex((i) => i.id === id) + 1} of ${items.length}`;
  type Moved = { active: { id: UniqueIdentifier }; over: { id: UniqueIdentifier } | null };
  const where = ({ active, over }: Moved) => `${nameOf(active.id)}: ${at(over?.id ?? active.id)}.`;
  return {
    screenReaderInstructions: {
      draggable: 'Space takes hold, the arrows move, space lets go, escape puts it back.',
    },
    announcements: {
      onDragStart: ({ active }: Pick<Moved, 'active'>) => `${nameOf(active.id)} held, ${at(active.id)}.`,
      onDragOver: where,
      onDragEnd: where,
      onDragCancel: ({ active }: Pick<Moved, 'active'>) => `${nameOf(active.id)} put back.`,
    },
  };
};

/** A list that is put in order by dragging, or by keys: space takes hold, arrows move, space lets go. */
export function Sortable({
  items,
  onOrder,
}: {
  items: readonly Item[];
  /** The ids in their new order. */
  onOrder: (ids: string[]) => void;
}) {
  const ids = items.map((i) => i.id);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(Keys, { coordinateGetter: toNeighbour(ids) }),
  );
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={spoken(items)}
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
  const name = item.rank === undefined ? item.label : `${item.rank}. ${item.label}`;
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
    <div ref={setNodeRef} style={style} {...attributes} {...listeners} aria-label={`${name}: move`}>
      <Grip size={18} color={roles.second} aria-hidden />
      <Txt style={{ flexShrink: 1 }}>{name}</Txt>
      {item.note ? (
        <Txt kind="small" tone="second">
          {item.note}
        </Txt>
      ) : null}
    </div>
  );
}
