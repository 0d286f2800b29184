import {
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { type KeyboardEvent, useRef } from 'react';
import { NINE_IN_TEN, type PlacedTask } from '#core/schedule/calendar';
import { Link } from 'react-router';
import type { CalendarJob } from '#formats/schedule';
import { bayOf, dueAt, type JobRisk, lastTask, openOf, personOf, stepName } from '#job/calendar';
import { minutesBetween } from '#formats/values';
import { clock, moment, span } from '../../ui/moments';
import type { Trial } from './useTrial';
import type { ShopCalendarView } from './useShopCalendar';
import { DAYS, type WeekAxis } from './week-axis';

export type LanesBy = 'bay' | 'person';

interface Props {
  readonly shop: ShopCalendarView;
  readonly axis: WeekAxis;
  readonly by: LanesBy;
  readonly bays: readonly { readonly id: string; readonly name: string }[];
  readonly trial: Trial;
  /** How surely each job goes out when it is due; empty while that is worked out. */
  readonly risks: ReadonlyMap<string, JobRisk>;
}

interface LaneOf {
  readonly key: string;
  readonly name: string;
  readonly holds: (task: PlacedTask) => boolean;
  readonly bay?: string;
}

/** Pixels before a press becomes a drag. */
const PRESS_PX = 5;
const STEP_MIN = 15;
/** A name stands on what takes at least this share of the week. */
const NAMED_FROM = 0.02;
const FILLS = ['bg-tint-2', 'bg-buff', 'bg-tint-4', 'bg-over-soft', 'bg-ok-soft', 'bg-tint-3', 'bg-warn-soft'];

/** The week, a lane a bay or a person. */
export function Lanes({ shop, axis, by, bays, trial, risks }: Props) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: PRESS_PX } }));
  const board = useRef<HTMLDivElement>(null);
  const jobs = shop.view.jobs.map(({ id }) => id);
  const lanes: LaneOf[] =
    by === 'bay'
      ? bays.map(({ id, name }) => ({
          key: bayOf(id),
          name,
          bay: id,
          holds: ({ uses }) => uses.includes(bayOf(id)) || uses.includes(openOf(id)),
        }))
      : shop.calendar.people.map(({ id, name }) => ({
          key: personOf(id),
          name,
          holds: ({ uses }) => uses.includes(personOf(id)),
        }));
  const movedTo = ({ active, delta }: DragMoveEvent | DragEndEvent): number | undefined => {
    const width = board.current?.clientWidth;
    const task = active.data.current as PlacedTask | undefined;
    if (!width || !task) return undefined;
    const instant = axis.instantAt(axis.at(shop.at(task.fromMin)) + delta.x / width);
    return Math.max(0, Math.round(minutesBetween(shop.shop.startAt, instant)));
  };
  return (
    <DndContext
      sensors={sensors}
      onDragMove={(event) => {
        const min = movedTo(event);
        if (min !== undefined) trial.look(String(event.active.id), min);
      }}
      onDragEnd={(event) => {
        const min = movedTo(event);
        if (min !== undefined) trial.put(String(event.active.id), min);
      }}
      onDragCancel={trial.end}
    >
      <div className="grid grid-cols-[8.5rem_1fr] border bg-sheet max-sm:grid-cols-[5rem_1fr]">
        <span className="border-b" />
        <div className="relative grid border-b" style={{ gridTemplateColumns: `repeat(${DAYS}, 1fr)` }}>
          {axis.days.map((day) => (
            <p key={day.toISODate()} className="truncate border-l px-1.5 py-1 text-[13px] font-semibold">
              {day.toFormat('ccc d LLL')}
            </p>
          ))}
        </div>
        {lanes.map((lane, nth) => (
          <div key={lane.key} className="contents">
            <p className="truncate border-b px-2 py-2 text-[14px] font-semibold" title={lane.name}>
              {lane.name}
            </p>
            <div
              ref={nth === 0 ? board : undefined}
              role="group"
              aria-label={lane.name}
              className={`relative border-b ${by === 'bay' ? 'h-24' : 'h-14'}`}
            >
              <DayLines shop={shop} axis={axis} of={lane.key} />
              {shop.drawn.tasks
                .filter((task) => shop.shop.steps.has(task.id) && lane.holds(task))
                .map((task) => (
                  <Step
                    key={task.id}
                    shop={shop}
                    axis={axis}
                    task={task}
                    fill={FILLS[jobs.indexOf(shop.shop.steps.get(task.id)!.job.id) % FILLS.length]!}
                    trial={trial}
                    isByPerson={by === 'person'}
                  />
                ))}
              {lane.bay !== undefined && <Stays shop={shop} axis={axis} lane={lane} />}
              {lane.bay !== undefined && <Promises shop={shop} axis={axis} bay={lane.bay} risks={risks} />}
            </div>
          </div>
        ))}
      </div>
    </DndContext>
  );
}

/** Whose item stands there, over all its steps. */
function Stays({
  shop,
  axis,
  lane,
}: {
  readonly shop: ShopCalendarView;
  readonly axis: WeekAxis;
  readonly lane: LaneOf;
}) {
  return shop.view.jobs.map(({ id, title }) => {
    const own = shop.drawn.tasks.filter((task) => shop.shop.steps.get(task.id)?.job.id === id && lane.holds(task));
    if (own.length === 0) return null;
    const from = Math.min(...own.map(({ fromMin }) => fromMin));
    const to = Math.max(...own.map(({ toMin }) => toMin));
    const seen = axis.shown(shop.at(from), shop.at(to));
    return (
      seen && (
        <Link
          key={id}
          to={`/jobs/${id}/time`}
          className="absolute top-0.5 truncate px-0.5 text-[13px] font-semibold hover:underline"
          style={{ left: `${100 * seen.left}%`, maxWidth: `max(${100 * seen.width}%, 6rem)` }}
        >
          {title}
        </Link>
      )
    );
  });
}

/** Days, now, and what is lost. */
function DayLines({
  shop,
  axis,
  of,
}: {
  readonly shop: ShopCalendarView;
  readonly axis: WeekAxis;
  readonly of: string;
}) {
  const now = axis.at(shop.view.now);
  return (
    <>
      {axis.days.map((day, nth) => (
        <span
          key={day.toISODate()}
          aria-hidden
          className="absolute inset-y-0 border-l"
          style={{ left: `${(100 * nth) / DAYS}%` }}
        />
      ))}
      {shop.calendar.lost.map(
        (lost) => lost.what === of && <Band key={lost.id} axis={axis} of={lost} title="Lost" fill="bg-stop-soft" />,
      )}
      {shop.calendar.more.map(
        (more) =>
          more.what === of && (
            <Band key={more.id} axis={axis} of={more} title={`Longer, until ${clock(more.to)}`} fill="bg-over-soft" />
          ),
      )}
      {now > 0 && now < 1 && (
        <span
          aria-hidden
          className="absolute inset-y-0 z-10 border-l-2 border-over"
          style={{ left: `${100 * now}%` }}
        />
      )}
    </>
  );
}

/** Hours of a lane that are otherwise than usual. */
function Band({
  axis,
  of,
  title,
  fill,
}: {
  readonly axis: WeekAxis;
  readonly of: { readonly from: string; readonly to: string };
  readonly title: string;
  readonly fill: string;
}) {
  const seen = axis.shown(of.from, of.to);
  return (
    seen && (
      <span
        title={title}
        className={`absolute inset-y-0 ${fill}`}
        style={{ left: `${100 * seen.left}%`, width: `${100 * seen.width}%` }}
      />
    )
  );
}

/** Until when an item is promised, as a flag in the lane where it stands. */
function Promises({
  shop,
  axis,
  bay,
  risks,
}: Pick<Props, 'shop' | 'axis' | 'risks'> & {
  readonly bay: string;
}) {
  const isThere = ({ id }: CalendarJob) =>
    shop.drawn.tasks.some(
      ({ id: task, uses }) => shop.shop.steps.get(task)?.job.id === id && uses.includes(bayOf(bay)),
    );
  return shop.view.jobs
    .flatMap((job) => {
      const by = dueAt(job, shop.calendar, shop.view.now);
      return by !== undefined && isThere(job) ? [{ job, by }] : [];
    })
    .map(({ job, by }) => {
      const place = axis.at(by);
      const late = shop.drawn.lateMin.get(lastTask(job) ?? '') ?? 0;
      const kept = risks.get(job.id)?.kept;
      const danger = late > 0 ? 'late' : kept !== undefined && kept < NINE_IN_TEN ? `${Math.round(100 * kept)}` : '';
      return (
        place > 0 &&
        place < 1 && (
          <span
            key={job.id}
            title={`${job.title}: promised for ${moment(by)}${kept === undefined ? '' : `, kept ${Math.round(100 * kept)} in 100`}`}
            className={`absolute bottom-0 z-10 border-l-2 pl-0.5 text-[11px] font-semibold ${late > 0 ? 'border-stop text-stop' : danger ? 'border-warn text-warn' : 'border-ok text-ok'}`}
            style={{ left: `${100 * place}%`, top: 16 }}
          >
            ⚑ {danger}
          </span>
        )
      );
    });
}

function Step({
  shop,
  axis,
  task,
  fill,
  trial,
  isByPerson,
}: {
  readonly shop: ShopCalendarView;
  readonly axis: WeekAxis;
  readonly task: PlacedTask;
  readonly fill: string;
  readonly trial: Trial;
  readonly isByPerson: boolean;
}) {
  const { job, step } = shop.shop.steps.get(task.id)!;
  const isHeld = job.begun && job.work[0] === step;
  const isMovable = step.kind !== 'cure' && step.kind !== 'dry' && !isHeld;
  const { setNodeRef, attributes, listeners, transform, isDragging } = useDraggable({
    id: task.id,
    data: task,
    disabled: !isMovable,
  });
  const tried = trial.now?.id === task.id ? trial.now : undefined;
  const from = tried && !isDragging ? shop.at(tried.atMin) : shop.at(task.fromMin);
  const to = tried && !isDragging ? shop.at(tried.atMin + task.toMin - task.fromMin) : shop.at(task.toMin);
  const seen = axis.shown(from, to);
  if (!seen) return null;
  const isPinned = shop.calendar.plan.some((place) => place.task === task.id && place.pinned);
  const words = `${job.title}: ${stepName(step)}, ${moment(from)} for ${span(task.toMin - task.fromMin)}${isPinned ? ', put by hand' : ''}${isHeld ? ', under way' : ''}`;
  const byKey = (event: KeyboardEvent) => {
    if (!isMovable) return;
    const away = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (away !== undefined) {
      event.preventDefault();
      const first = Math.ceil(task.fromMin / STEP_MIN) * STEP_MIN;
      const by = event.shiftKey ? 24 * 60 : STEP_MIN;
      trial.look(task.id, Math.max(0, (tried?.atMin ?? first) + away * by));
    } else if (event.key === 'Enter' && tried) {
      event.preventDefault();
      trial.put(task.id, tried.atMin);
    } else if (event.key === 'Escape' && tried) trial.end();
  };
  const isWork = step.hands > 0;
  const isLow = step.kind === 'check';
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...(isMovable && { ...attributes, ...listeners })}
      title={words}
      aria-label={words}
      onKeyDown={byKey}
      onBlur={() => tried && trial.end()}
      className={`absolute overflow-hidden whitespace-nowrap border text-left text-[12px] leading-tight ${isWork ? fill : 'border-dashed bg-transparent text-ink-2'} ${tried ? (tried.put.holds ? 'z-20 border-2 border-ok' : 'z-20 border-2 border-stop') : 'border-ink-3'} ${isPinned ? 'border-b-4 border-b-over' : ''} ${isMovable ? 'cursor-grab' : ''} ${isDragging ? 'z-20 opacity-80' : ''}`}
      style={{
        left: `${100 * seen.left}%`,
        width: `${Math.max(0.25, 100 * seen.width)}%`,
        top: isByPerson ? 8 : isLow ? 62 : 24,
        height: isByPerson ? 40 : isLow ? 24 : 34,
        ...(transform && { transform: `translate(${transform.x}px, 0)` }),
      }}
    >
      {seen.width >= NAMED_FROM && (
        <>
          {isByPerson && <span className="block truncate px-1 font-semibold">{job.title}</span>}
          <span className="block truncate px-1">{stepName(step)}</span>
        </>
      )}
    </button>
  );
}
