import { median } from '#core/survey/paint';
import type { ProofKind, ProofReading, RunRecord } from '#core/lay/run';

/** One thing of one panel, measured before the work and after it. */
export interface Proof {
  readonly surface: string;
  readonly what: ProofKind;
  /** In the middle of its readings; undefined: none was taken. µm, or gloss units at 60°. */
  readonly before: number | undefined;
  readonly after: number | undefined;
  readonly readings: number;
  /** Whether a stand-in read any of it. */
  readonly simulated: boolean;
}

/**
 * What was measured to prove the work, panel by panel. Before is what was read until the first patch was laid on a panel,
 * with what was surveyed of its thickness; after is what was read since.
 * @param surveyedUm thickness as it was surveyed, µm, by panel
 */
export function proofsOf(
  { proofs, patches }: Pick<RunRecord, 'proofs' | 'patches'>,
  surveyedUm: ReadonlyMap<string, readonly number[]>,
): Proof[] {
  const begun = new Map<string, number>();
  for (const { patch, layStartMin } of patches.values())
    begun.set(patch.surface, Math.min(begun.get(patch.surface) ?? Infinity, layStartMin));
  const groups = new Map<string, ProofReading[]>();
  for (const reading of proofs) {
    const key = `${reading.surface}/${reading.what}`;
    groups.set(key, [...(groups.get(key) ?? []), reading]);
  }
  return [...groups.values()].map((own): Proof => {
    const { surface, what } = own[0]!;
    const isAfter = ({ atMin }: ProofReading) => atMin >= (begun.get(surface) ?? Infinity);
    const values = (of: readonly ProofReading[]) => of.map(({ value }) => value);
    const before = [
      ...(what === 'thickness' ? (surveyedUm.get(surface) ?? []) : []),
      ...values(own.filter((reading) => !isAfter(reading))),
    ];
    const after = values(own.filter(isAfter));
    return {
      surface,
      what,
      before: before.length > 0 ? median(before) : undefined,
      after: after.length > 0 ? median(after) : undefined,
      readings: own.length,
      simulated: own.some(({ source }) => source === 'simulated'),
    };
  });
}
