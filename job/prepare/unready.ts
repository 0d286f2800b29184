import {
  isThrough,
  type Lacking,
  lackingOn,
  type Need,
  type PanelCase,
  type Preparation,
  stillToDo,
} from '#core/prepare/stages';
import type { RunRecord } from '#core/lay/run';
import { STEP_KINDS } from '#core/prepare/steps';

/** A panel on which something is to be laid though its preparation lacks what that needs. */
export interface Unready extends Lacking {
  readonly surface: string;
}

interface Prepared {
  readonly cases: readonly PanelCase[];
  readonly preparation: Pick<Preparation, 'panels'>;
}

/** What keeps the panels of a job from being laid on: washes, decontamination and wipes nobody does, as they are planned. */
export const unreadyPanels = ({ cases, preparation }: Prepared): Unready[] =>
  cases.flatMap((panel, nth) =>
    lackingOn(panel, preparation.panels[nth]!.steps).map((lacking) => ({ ...lacking, surface: panel.id })),
  );

/** The same matter on many panels, said once: a whole sentence, and the panels. */
export function unreadyMatters(
  unready: readonly Unready[],
): { readonly says: string; readonly panels: readonly Unready[] }[] {
  const matters = new Map<string, Unready[]>();
  for (const each of unready) matters.set(each.says, [...(matters.get(each.says) ?? []), each]);
  return [...matters].map(([says, panels]) => ({
    says: `${panels.length === 1 ? 'One panel is' : `${panels.length} panels are`} ${says}.`,
    panels,
  }));
}

/** Something not done yet before anything is laid, and on how many panels each step of it is open. */
export interface StillToDo {
  readonly need: Need;
  readonly open: readonly { readonly name: string; readonly panels: number }[];
}

/**
 * What is still to be done before laying by what was really done: planned and not ticked off, or needed and not planned.
 * @param surfaces panels that something is still laid on
 */
export function stillBeforeLaying(
  { cases, preparation }: Prepared,
  record: Pick<RunRecord, 'stages'>,
  surfaces: ReadonlySet<string>,
): StillToDo[] {
  const open = new Map<Need, Map<string, number>>();
  for (const [nth, panel] of cases.entries()) {
    if (!surfaces.has(panel.id)) continue;
    const through = (step: Parameters<typeof isThrough>[1]) => isThrough(record.stages, step, panel.id);
    for (const { need, steps } of stillToDo(panel, preparation.panels[nth]!.steps, through)) {
      const counts = open.get(need) ?? new Map<string, number>();
      for (const name of new Set(steps.map(({ kind }) => STEP_KINDS[kind].name)))
        counts.set(name, (counts.get(name) ?? 0) + 1);
      open.set(need, counts);
    }
  }
  return [...open].map(([need, counts]) => ({ need, open: [...counts].map(([name, panels]) => ({ name, panels })) }));
}
