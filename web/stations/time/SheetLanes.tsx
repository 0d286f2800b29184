import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { DateTime } from 'luxon';
import type { ReactNode } from 'react';
import { patchKey } from '#core/lay/run';
import { coatKey } from '#core/plan/job';
import { coatName } from '#core/plan/job';
import type { SheetAction } from '#core/lay/run-sheet';
import { moveCoat } from '#job/edit';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { Segmented } from '../../ui/Segmented';
import { clock, moment, span } from '../../ui/moments';
import { percent } from '../../ui/numbers';
import { inUnit } from '../../material/product-words';

interface Props {
  /** Share of days each patch is late, by its key; empty until it is known. */
  readonly late: ReadonlyMap<string, number>;
  readonly across: 'all' | '2' | '1';
  readonly onAcross: (across: 'all' | '2' | '1') => void;
}

const ACROSS = [
  ['all', 'Whole'],
  ['2', '2 h'],
  ['1', '1 h'],
] as const;
/** Somebody is away for longer than this, minutes: the lanes are cut there. */
const GAP_MIN = 90;
/** From so often late on it is marked. */
const RISKY = 0.05;
const LANE_PX = 92;
/** Pixels before a press becomes a drag. */
const PRESS_PX = 5;
/** A name stands on what takes at least this share of what is shown. */
const NAMED_FROM = 0.045;

interface Stretch {
  readonly fromMin: number;
  readonly toMin: number;
}

/** A lane a person: what is laid above, what is levelled below, each patch in the colour of its product. */
export function SheetLanes({ late, across, onAcross }: Props) {
  const job = useJob('at', 'document', 'edit', 'productName', 'sheet');
  const { actions, people } = job.sheet.out;
  const stretches = stretchesOf(actions);
  const wholeMin = stretches.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
  const visibleMin = across === 'all' ? wholeMin : Math.min(wholeMin, Number(across) * 60);
  const products = [...new Set(actions.map(({ coat }) => coat.product.id))];
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: PRESS_PX } }));
  const moved = new Set(job.document.moves?.map(coatKey));
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="flex flex-wrap items-center gap-4 px-4 py-2">
        <Segmented
          label="Shown across"
          value={across}
          options={ACROSS}
          onChange={(value) => value && onAcross(value)}
        />
        <ul className="flex flex-wrap gap-x-4 text-[13px]">
          {products.map((id, index) => (
            <li key={id} className="flex items-center gap-1.5">
              <span aria-hidden className={`inline-block size-3.5 border border-ink ${FILLS[index % FILLS.length]}`} />
              {job.productName(id)}
            </li>
          ))}
          <li className="text-ink-2">
            Above: laid, to be dragged; thick edge: moved by hand. Below: levelled. ! late on more than one day in
            twenty.
          </li>
        </ul>
      </div>
      <div
        className="min-h-0 flex-1 overflow-auto px-4 pb-4"
        role="region"
        aria-label="Run sheet by person"
        tabIndex={0}
      >
        <DndContext sensors={sensors} onDragEnd={(event) => dropped(job, event)}>
          <div className="flex gap-3" style={{ width: `${(100 * wholeMin) / visibleMin}%`, minWidth: '100%' }}>
            {stretches.map((stretch) => (
              <div
                key={stretch.fromMin}
                className="min-w-0"
                style={{ flexGrow: stretch.toMin - stretch.fromMin, flexBasis: 0 }}
              >
                <p className="truncate border-b pb-1 text-[13px] font-semibold">{moment(job.at(stretch.fromMin))}</p>
                {people.map((person, who) => (
                  <div key={person.id} className="border-b py-2">
                    <p className="truncate text-[13px] text-ink-2">
                      {people.length > 1 || person.id !== '1' ? person.id : 'One person'}
                    </p>
                    <Lane of={{ stretch, who }}>
                      <Ticks stretch={stretch} />
                      {actions
                        .filter((action) => action.who === who && isIn(stretch, action))
                        .map((action) => (
                          <Block
                            key={`${blockKey(action)} ${action.does}`}
                            action={action}
                            stretch={stretch}
                            fill={FILLS[products.indexOf(action.coat.product.id) % FILLS.length]!}
                            isMoved={moved.has(coatKey(coatName(action.coat)))}
                            late={late.get(blockKey(action)) ?? 0}
                            isNamed={action.endMin - action.startMin >= NAMED_FROM * visibleMin}
                          />
                        ))}
                    </Lane>
                  </div>
                ))}
              </div>
            ))}
          </div>
        </DndContext>
        <OrderOfWork late={late} />
      </div>
    </div>
  );
}

/** The same as a list, from the first stroke to the last. */
function OrderOfWork({ late }: Pick<Props, 'late'>) {
  const job = useJob('at', 'chosen', 'document', 'nameOf', 'productName', 'sheet');
  const { actions, people } = job.sheet.out;
  const units = new Map(job.document.products.map((product) => [product.id, product]));
  return (
    <table aria-label="Order of work" className="mt-4 w-full text-[14px]">
      <thead>
        <tr className="label border-b text-left">
          {['At', 'For', ...(people.length > 1 ? ['Who'] : []), 'What', 'Product', 'Takes'].map((name) => (
            <th key={name} scope="col" className="py-1 pr-4 font-normal">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {actions.map((action, index) => {
          const { does, coat, section, sections, startMin, endMin, amount, who } = action;
          const before = actions[index - 1];
          const isNewDay = before === undefined || startMin - before.endMin > GAP_MIN;
          const risk = does === 'level' ? (late.get(blockKey(action)) ?? 0) : 0;
          return (
            <tr
              key={`${blockKey(action)} ${does}`}
              className={`${isNewDay ? 'border-t-2 border-t-line-strong' : ''} border-b ${job.chosen?.id === coat.surface.id ? 'bg-over-soft' : ''}`}
            >
              <td className="whitespace-nowrap py-1 pr-4 tabular-nums">
                {isNewDay ? moment(job.at(startMin)) : clock(job.at(startMin))}
              </td>
              <td className="whitespace-nowrap pr-4 tabular-nums">{span(endMin - startMin)}</td>
              {people.length > 1 && <td className="pr-4">{people[who]!.id}</td>}
              <td className="pr-4">
                {does === 'lay' ? 'Lay' : 'Level'} {job.nameOf(coat.surface.id)}
                {sections > 1 && `, ${section} of ${sections}`}
                {risk >= RISKY && <strong className="text-stop"> ! late on {percent(risk)} of days</strong>}
              </td>
              <td className="pr-4 text-ink-2">{job.productName(coat.product.id)}</td>
              <td className="whitespace-nowrap pr-2 tabular-nums">
                {amount !== undefined && inUnit(units.get(coat.product.id)!, amount)}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
const FILLS = ['bg-tint-3', 'bg-tint-1', 'bg-tint-4', 'bg-tint-2'];

const blockKey = ({ coat, copy, section }: SheetAction) =>
  patchKey({ surface: coat.surface.id, layer: coat.layer, coat: coat.coat, copy, section });

const isIn = ({ fromMin, toMin }: Stretch, { startMin }: SheetAction) => startMin >= fromMin && startMin <= toMin;

/** What is done without a long break between. */
function stretchesOf(actions: readonly SheetAction[]): Stretch[] {
  const stretches: { fromMin: number; toMin: number }[] = [];
  for (const { startMin, endMin } of actions) {
    const last = stretches.at(-1);
    if (last && startMin - last.toMin <= GAP_MIN) last.toMin = Math.max(last.toMin, endMin);
    else stretches.push({ fromMin: startMin, toMin: endMin });
  }
  return stretches;
}

const share = ({ fromMin, toMin }: Stretch, tMin: number) => (100 * (tMin - fromMin)) / Math.max(1, toMin - fromMin);

function Ticks({ stretch }: { readonly stretch: Stretch }) {
  const job = useJob('at');
  const whole = stretch.toMin - stretch.fromMin;
  const everyMin = whole > 360 ? 120 : whole > 120 ? 60 : 30;
  const first = DateTime.fromISO(job.at(stretch.fromMin), { setZone: true });
  const offset = everyMin - ((first.hour * 60 + first.minute) % everyMin);
  const ticks = [];
  for (let tMin = stretch.fromMin + offset; tMin < stretch.toMin; tMin += everyMin) ticks.push(tMin);
  return ticks.map((tMin) => (
    <span
      key={tMin}
      aria-hidden
      className="absolute inset-y-0 border-l text-[11px] text-ink-3"
      style={{ left: `${share(stretch, tMin)}%` }}
    >
      <span className="absolute bottom-0 pl-0.5">{clock(job.at(tMin))}</span>
    </span>
  ));
}

/** Where a block is let go: somebody's lane, and what stretch of time it shows. */
interface LaneOf {
  readonly stretch: Stretch;
  readonly who: number;
}

function Lane({ of, children }: { readonly of: LaneOf; readonly children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id: `${of.stretch.fromMin} ${of.who}`, data: of });
  return (
    <div ref={setNodeRef} className={`relative ${isOver ? 'bg-over-soft' : 'bg-tint-0'}`} style={{ height: LANE_PX }}>
      {children}
    </div>
  );
}

/** A coat is laid after what began before the place its block was let go at, and by whoever's lane it was. */
function dropped(job: Pick<JobView, 'document' | 'edit' | 'sheet'>, { active, over }: DragEndEvent): void {
  const at = active.rect.current.translated;
  if (!over || !at) return;
  const action = active.data.current as SheetAction;
  const { stretch, who } = over.data.current as LaneOf;
  const share = (at.left - over.rect.left) / over.rect.width;
  const tMin = stretch.fromMin + share * (stretch.toMin - stretch.fromMin);
  const own = coatKey(coatName(action.coat));
  const { actions, people } = job.sheet.out;
  const before = actions.findLast(
    (other) => other.does === 'lay' && other.startMin < tMin && coatKey(coatName(other.coat)) !== own,
  );
  const known = job.document.moves?.find((move) => coatKey(move) === own)?.by;
  const by = who === action.who ? known : people[who]!.id;
  job.edit(moveCoat(job.document, { ...coatName(action.coat), after: before ? coatName(before.coat) : null, by }));
}

function Block({
  action,
  stretch,
  fill,
  late,
  isMoved,
  isNamed,
}: {
  readonly action: SheetAction;
  readonly stretch: Stretch;
  readonly fill: string;
  readonly late: number;
  readonly isMoved: boolean;
  readonly isNamed: boolean;
}) {
  const job = useJob('at', 'choose', 'chosen', 'nameOf');
  const isLaying = action.does === 'lay';
  const { setNodeRef, attributes, listeners, transform, isDragging } = useDraggable({
    id: `${blockKey(action)} ${action.does}`,
    data: action,
    disabled: !isLaying,
  });
  const { does, coat, section, sections, startMin, endMin } = action;
  const name = job.nameOf(coat.surface.id);
  const isChosen = job.chosen?.id === coat.surface.id;
  const part = sections > 1 ? `, section ${section} of ${sections}` : '';
  const words = `${does === 'lay' ? 'Lay' : 'Level'} ${name}${part}, ${clock(job.at(startMin))} for ${span(endMin - startMin)}${late > 0 ? `, late on ${percent(late)} of days` : ''}`;
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...(isLaying && { ...attributes, ...listeners })}
      title={words}
      aria-label={words}
      onClick={() => job.choose(coat.surface.id)}
      className={`absolute overflow-hidden whitespace-nowrap border text-left text-[12px] leading-tight ${does === 'lay' ? `top-1 ${fill}` : 'top-10 bg-sheet'} ${isChosen ? 'border-2 border-over' : 'border-ink-3'} ${isLaying ? 'cursor-grab' : ''} ${isMoved && isLaying ? 'border-b-4 border-b-over' : ''} ${isDragging ? 'z-10 opacity-80' : ''}`}
      style={{
        left: `${share(stretch, startMin)}%`,
        width: `${Math.max(0.15, share(stretch, endMin) - share(stretch, startMin))}%`,
        height: 34,
        ...(transform && { transform: `translate(${transform.x}px, ${transform.y}px)` }),
      }}
    >
      {late >= RISKY && <strong className="text-stop">!</strong>}
      {isNamed && <span className="px-1">{name}</span>}
    </button>
  );
}
