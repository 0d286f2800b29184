import { COATING_TOWEL_M2 } from '#core/work/quantity';
import type { PatchRecord, RunRecord } from './record';

/** What a levelling towel has taken up, m²: above {@link COATING_TOWEL_M2} it drags instead of levelling. */
export interface TowelLoad {
  readonly m2: number;
  readonly isLoaded: boolean;
}

const levelledAt = ({ levelEndMin }: PatchRecord): number => levelEndMin ?? Infinity;
const byTime = ({ patches }: Pick<RunRecord, 'patches'>): PatchRecord[] =>
  [...patches.values()]
    .filter(({ levelEndMin }) => levelEndMin !== undefined)
    .sort((a, b) => levelledAt(a) - levelledAt(b));

/** What was levelled since the last fresh towel, all hands together: nobody says whose towel it was. */
export function towelLoad(record: Pick<RunRecord, 'patches' | 'towels'>): TowelLoad {
  const since = record.towels.at(-1) ?? -Infinity;
  const m2 = byTime(record).reduce((sum, done) => (levelledAt(done) > since ? sum + done.start.areaM2 : sum), 0);
  return { m2, isLoaded: m2 > COATING_TOWEL_M2 };
}

/** Patches that were levelled with a towel that had taken up more than it serves: by what was levelled with it before. */
export function levelledLoaded(record: Pick<RunRecord, 'patches' | 'towels'>): PatchRecord[] {
  let m2 = 0;
  let nth = 0;
  return byTime(record).filter((done) => {
    while (nth < record.towels.length && record.towels[nth]! <= (done.levelStartMin ?? levelledAt(done))) {
      nth++;
      m2 = 0;
    }
    const isLoaded = m2 > COATING_TOWEL_M2;
    m2 += done.start.areaM2;
    return isLoaded;
  });
}
