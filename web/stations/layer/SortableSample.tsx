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
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { GripVertical } from 'lucide-react';
import type { ComponentProps } from 'react';
import { CoreSample, SampleRow, type SampleRowProps } from '../../core-sample/CoreSample';

interface Props extends Omit<ComponentProps<typeof CoreSample>, 'layerRow'> {
  /** Layers that stay where they are: laid already. */
  readonly fixed: ReadonlySet<string>;
  /** Places count from the bottom. */
  readonly onDrop: (from: number, to: number) => void;
  /** Why the last drop was refused, shown in the row it was dropped on. */
  readonly refused?: { readonly at: number; readonly why: string } | undefined;
}

/** Pixels before a press becomes a drag. */
const PRESS_PX = 5;

/** The core sample whose layers are dragged to another place, with a pointer or by key. */
export function SortableSample({ fixed, onDrop, refused, ...sample }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: PRESS_PX } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const keys = sample.layers.map(({ key }) => key);
  const names = new Map(sample.layers.map(({ key, name }) => [key, name]));
  const place = (key: unknown) => keys.indexOf(String(key));
  const told = (key: unknown) => names.get(String(key)) ?? '';
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id || fixed.has(String(over.id))) return;
    onDrop(place(active.id), place(over.id));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
      accessibility={{
        announcements: {
          onDragStart: ({ active }) => `${told(active.id)} picked up.`,
          onDragOver: ({ active, over }) =>
            over && over.id !== active.id
              ? `${told(active.id)} at the place of ${told(over.id)}.`
              : `${told(active.id)} at its own place.`,
          onDragEnd: ({ active }) => `${told(active.id)} let go.`,
          onDragCancel: ({ active }) => `${told(active.id)} stays where it was.`,
        },
      }}
    >
      <SortableContext items={[...keys].reverse()} strategy={verticalListSortingStrategy}>
        <CoreSample
          {...sample}
          layerRow={(key, row) => (
            <LayerRow
              key={key}
              id={key}
              row={row}
              fixed={fixed.has(key)}
              refused={refused && keys[refused.at] === key ? refused.why : undefined}
            />
          )}
        />
      </SortableContext>
    </DndContext>
  );
}

interface LayerRowProps {
  readonly id: string;
  readonly row: SampleRowProps;
  readonly fixed: boolean;
  readonly refused: string | undefined;
}

function LayerRow({ id, row, fixed, refused }: LayerRowProps) {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id,
    disabled: fixed,
  });
  return (
    <SampleRow
      {...row}
      ref={setNodeRef}
      style={{
        // Layers move up and down only.
        transform: transform ? `translateY(${transform.y}px)` : undefined,
        transition,
        ...(isDragging && { position: 'relative', zIndex: 1, boxShadow: '0 0 0 2px var(--over)' }),
      }}
      actions={
        <span className="flex items-center">
          {!fixed && (
            <button
              ref={setActivatorNodeRef}
              type="button"
              {...attributes}
              {...listeners}
              aria-label={`Drag ${row.name}`}
              className="-my-1 flex size-8 cursor-grab touch-none items-center justify-center rounded text-ink-3 hover:bg-tint-2"
            >
              <GripVertical size={16} />
            </button>
          )}
          {row.actions}
        </span>
      }
    >
      {refused && (
        <p role="alert" className="my-1 border-l-4 border-stop bg-stop-soft px-2 py-1 text-[14px]">
          Not here: {refused}.
        </p>
      )}
      {row.children}
    </SampleRow>
  );
}
