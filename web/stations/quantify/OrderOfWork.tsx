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
import { GripVertical } from 'lucide-react';
import type { WorkPatch } from '#core/plan/section-map';
import { useJob } from '../../job/job-context';
import { m2 } from '../../ui/measures';

interface Props {
  readonly patches: readonly WorkPatch[];
  readonly said: (amount: number) => string;
  /** Surfaces in their new order. */
  readonly onMove: (ids: readonly string[]) => void;
}

/** Pixels before a press becomes a drag. */
const PRESS_PX = 5;

/** Panels in the order they are worked, dragged to another place by pointer or by key. */
export function OrderOfWork({ patches, said, onMove }: Props) {
  const job = useJob('choose', 'document', 'nameOf');
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: PRESS_PX } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const panels = panelsOf(patches);
  const ids = panels.map(({ id }) => id);
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    onMove(
      moved(
        job.document.surfaces.map(({ id }) => id),
        ids,
        String(active.id),
        String(over.id),
      ),
    );
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol aria-label="Order of work" className="divide-y border-y bg-sheet text-[14px]">
          {panels.map((panel) => (
            <Row
              key={panel.id}
              panel={panel}
              name={job.nameOf(panel.id)}
              said={said}
              onChoose={() => job.choose(panel.id)}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

/** Everything else keeps its place: what is moved goes before or behind where it was let go. */
function moved(all: readonly string[], shown: readonly string[], from: string, to: string): string[] {
  const next = arrayMove([...shown], shown.indexOf(from), shown.indexOf(to));
  const inList = new Set(shown);
  let at = 0;
  return all.map((id) => (inList.has(id) ? next[at++]! : id));
}

interface PanelInOrder {
  readonly id: string;
  readonly numbers: readonly number[];
  readonly areaM2: number;
  readonly amount: number;
}

function panelsOf(patches: readonly WorkPatch[]): PanelInOrder[] {
  const panels = new Map<string, PanelInOrder>();
  for (const { number, pieces } of patches) {
    for (const { surface: id, areaM2, amount } of pieces) {
      const known = panels.get(id);
      panels.set(id, {
        id,
        numbers: [...(known?.numbers ?? []), number],
        areaM2: (known?.areaM2 ?? 0) + areaM2,
        amount: (known?.amount ?? 0) + amount,
      });
    }
  }
  return [...panels.values()];
}

interface RowProps {
  readonly panel: PanelInOrder;
  readonly name: string;
  readonly said: (amount: number) => string;
  readonly onChoose: () => void;
}

function Row({ panel: { id, numbers, areaM2, amount }, name, said, onChoose }: RowProps) {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition } = useSortable({ id });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
      className="flex items-center gap-2 bg-sheet py-1"
    >
      <button
        ref={setActivatorNodeRef}
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Drag ${name}`}
        className="flex size-8 shrink-0 cursor-grab touch-none items-center justify-center rounded text-ink-3 hover:bg-tint-2"
      >
        <GripVertical size={16} />
      </button>
      <span className="figure w-14 shrink-0 text-over">
        {numbers.length > 2 ? `${numbers[0]}–${numbers.at(-1)}` : numbers.join(', ')}
      </span>
      <button type="button" className="min-w-0 flex-1 truncate text-left hover:underline" onClick={onChoose}>
        {name}
      </button>
      <span className="whitespace-nowrap pr-2 text-ink-2">
        {m2(areaM2)}, {said(amount)}
      </span>
    </li>
  );
}
