import type { Ruling } from '#core/layers/rules';
import type { CoatMilestones } from './coat';
import type { Refusal } from './refusal';
import type { SurfaceCoat } from './surface-coat';

/** A coat of one copy that was laid and levelled, whole. Minutes on the scale of the job. */
export interface CopyCoat {
  readonly coat: SurfaceCoat;
  readonly copy: number;
  readonly sections: number;
  readonly startMin: number;
  readonly endMin: number;
  readonly milestones: CoatMilestones;
  /** What was said of when it goes over the one below. */
  readonly byTime: readonly Ruling[];
  /** Outside its window by so much at its worse end, minutes. */
  readonly outsideMin: number;
}

/** What becomes of the coats of a job, whoever laid them out. */
export interface CoatsLaid {
  readonly laid: readonly CopyCoat[];
  /** Started, and not to be ended within anybody's hours. */
  readonly begunOnly: readonly CopyCoat[];
  readonly refused: readonly (Refusal & { readonly coat: SurfaceCoat; readonly copy: number })[];
  /** What nobody's hours leave room for. */
  readonly unlaid: readonly { readonly coat: SurfaceCoat; readonly copy: number }[];
  /** When its sections are started. */
  readonly actions: readonly {
    readonly coat: SurfaceCoat;
    readonly does: 'lay' | 'level';
    readonly startMin: number;
  }[];
}

/** What became of one coat of a surface, all its copies. */
export interface OfCoat {
  readonly laid: readonly CopyCoat[];
  readonly refused: readonly Refusal[];
  /** When its sections are started, as they come. */
  readonly startsMin: readonly number[];
  /** Somebody's hours left no room for some of it. */
  readonly unlaid: boolean;
}

/** What became of the coats of a job, coat by coat. */
export function byCoat(
  coats: readonly (readonly SurfaceCoat[])[],
  { laid, begunOnly, refused, unlaid, actions }: CoatsLaid,
): ReadonlyMap<SurfaceCoat, OfCoat> {
  const each = new Map(
    coats
      .flat()
      .map((coat) => [
        coat,
        { laid: [] as CopyCoat[], refused: [] as Refusal[], startsMin: [] as number[], unlaid: false },
      ]),
  );
  for (const copy of [...laid, ...begunOnly]) each.get(copy.coat)!.laid.push(copy);
  for (const copy of refused) each.get(copy.coat)!.refused.push(copy);
  for (const { coat } of unlaid) each.get(coat)!.unlaid = true;
  for (const { coat, does, startMin } of actions) if (does === 'lay') each.get(coat)!.startsMin.push(startMin);
  return each;
}
