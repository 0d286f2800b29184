import { STEP_KINDS, type StepKindId } from '#core/prepare/steps';
import type { Preparation, PrepStage } from './item';
import { dwellGroups } from './dwell-groups';
import { STRIPPING, WET, zoneRank } from './kind-order';
import { isDone, type PanelCase, type PrepareSettings, type PrepStep } from './panel-case';

/** A stretch of one kind of step over panels one after the other. Minutes from the beginning of the preparation. */
export interface Turn extends Pick<PrepStage, 'kind' | 'round'> {
  readonly surfaces: readonly string[];
  readonly fromMin: number;
  readonly toMin: number;
  /** Done while something else dries, which would have come first. */
  readonly meanwhile: boolean;
}

export interface WorkingDay {
  readonly turns: readonly Turn[];
  /** From beginning to end by the clock, one person. */
  readonly elapsedMin: number;
  /** Of these, waited with nothing else to do. */
  readonly waitedMin: number;
  /** When everything has dried and cured and may be laid over. */
  readonly readyMin: number;
}

interface Unit {
  readonly step: PrepStep;
  readonly phase: 0 | 1 | 2;
  readonly rank: number;
}

/**
 * Who does what when, for one person: steps in working order, what comes next on a panel only when it is dry, and
 * meanwhile what else can be done. Nothing dry before all that is wet is done; nothing is stripped before the dust
 * is made, over the whole item or, zone by zone, over the zone.
 */
export function workingDay(
  { stages }: Pick<Preparation, 'stages'>,
  panels: readonly Pick<PanelCase, 'id' | 'zone'>[],
  settings: Pick<PrepareSettings, 'schools' | 'site' | 'move'>,
): WorkingDay {
  const zones = new Map(panels.map(({ id, zone }) => [id, zoneRank(zone)]));
  const byZone = settings.schools.order === 'zone-by-zone';
  const left = new Map<string, Unit[]>();
  stages.forEach(({ steps }, stage) => {
    for (const [place, step] of steps.filter(isDone).entries()) {
      const phase = phaseOf(step.kind);
      const zone = byZone && phase > 0 ? zones.get(step.surface)! : 0;
      const unit: Unit = { step, phase, rank: (zone * stages.length + stage) * PLACES + place };
      const own = left.get(step.surface);
      if (own) own.push(unit);
      else left.set(step.surface, [unit]);
    }
  });
  for (const units of left.values()) units.sort((a, b) => a.phase - b.phase || a.rank - b.rank);

  const freeAt = new Map<string, number>();
  const turns: (Turn & { surfaces: string[]; toMin: number })[] = [];
  let nowMin = 0;
  let waitedMin = 0;
  let readyMin = 0;
  const groups = dwellGroups(settings);
  const phases = openPhases(left, zones, byZone);
  while (left.size > 0) {
    // What would come first, the first of what is dry, and when the next thing dries.
    let first: Unit | undefined;
    let unit: Unit | undefined;
    let dryMin = Infinity;
    for (const [surface, [head]] of left) {
      if (head!.phase > phases.upTo(surface)) continue;
      if (!first || head!.rank < first.rank) first = head;
      const freeMin = freeAt.get(surface) ?? 0;
      if (freeMin > nowMin + JUST_DRY) dryMin = Math.min(dryMin, freeMin);
      else if (!unit || head!.rank < unit.rank) unit = head;
    }
    if (!unit) {
      waitedMin += dryMin - nowMin;
      nowMin = dryMin;
      continue;
    }
    const { surface, kind, round, minutes } = unit.step;
    const { driesMin = 0, curesMin = 0 } = STEP_KINDS[kind];
    const last = turns.at(-1);
    const meanwhile = unit !== first;
    const goesOn = last?.kind === kind && last.round === round && last.meanwhile === meanwhile;
    const fromMin = nowMin;
    nowMin += minutes + groups.dwellsMoreMin(unit.step);
    if (goesOn) {
      last.surfaces.push(surface);
      last.toMin = nowMin;
    } else turns.push({ kind, round, surfaces: [surface], fromMin, toMin: nowMin, meanwhile });
    freeAt.set(surface, nowMin + driesMin);
    readyMin = Math.max(readyMin, nowMin + driesMin, nowMin + curesMin);
    const rest = left.get(surface)!;
    rest.shift();
    if (rest.length === 0) left.delete(surface);
    phases.done(unit);
  }
  return { turns, elapsedMin: nowMin, waitedMin, readyMin };
}

/** More panels than any stage has. */
const PLACES = 10_000;
/** Rounding, minutes. */
const JUST_DRY = 1e-9;

const phaseOf = (kind: StepKindId): Unit['phase'] => (WET.includes(kind) ? 0 : STRIPPING.includes(kind) ? 2 : 1);

/** Phases of the work: all that is wet, all that is dry, the last wipe. */
export const PREPARE_PHASES = ['clean', 'correct', 'wipe'] as const;
export type PreparePhase = (typeof PREPARE_PHASES)[number];

/** Which phase a kind of step belongs to. */
export const preparePhase = (kind: StepKindId): PreparePhase => PREPARE_PHASES[phaseOf(kind)];

/** Up to which phase a panel may go, given what is still to be done on the others. */
function openPhases(left: ReadonlyMap<string, readonly Unit[]>, zones: ReadonlyMap<string, number>, byZone: boolean) {
  /** Units still to be done by phase, over the whole item and by zone. */
  const whole = [0, 0, 0];
  const ofZone = new Map<number, number[]>();
  const zoneOf = (surface: string) => {
    const zone = zones.get(surface)!;
    const counts = ofZone.get(zone) ?? [0, 0, 0];
    ofZone.set(zone, counts);
    return counts;
  };
  const count = ({ step, phase }: Unit, by: 1 | -1) => {
    whole[phase]! += by;
    zoneOf(step.surface)[phase]! += by;
  };
  for (const unit of [...left.values()].flat()) count(unit, 1);
  const lowest = (counts: readonly number[]) => counts.findIndex((open) => open > 0);
  return {
    done: (unit: Unit) => count(unit, -1),
    upTo: (surface: string): number => (whole[0]! > 0 || !byZone ? lowest(whole) : lowest(zoneOf(surface))),
  };
}
