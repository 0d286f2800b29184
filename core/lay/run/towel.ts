import { COATING_TOWEL_M2 } from '#core/products/quantity';
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

/** Whose hands made an entry; undefined: nobody says, and it is whoever asks. */
type Whose = (entry: string) => string | undefined;

/** Nobody has an account: all hands together. */
const ANYBODY: Whose = () => undefined;

const whoLevelled = ({ levelEntry }: PatchRecord, whose: Whose): string | undefined =>
  levelEntry === undefined ? undefined : whose(levelEntry);

type Worked = Pick<RunRecord, 'patches' | 'towels'>;

/**
 * What somebody levelled since their last fresh towel: each has a towel of their own.
 * @param me who asks; what nobody is named for is theirs
 */
export function towelLoad(record: Worked, whose: Whose = ANYBODY, me?: string): TowelLoad {
  const isMine = (by: string | undefined) => by === undefined || by === me;
  const since = record.towels.findLast(({ entry }) => isMine(whose(entry)))?.atMin ?? -Infinity;
  const m2 = byTime(record).reduce(
    (sum, done) => (levelledAt(done) > since && isMine(whoLevelled(done, whose)) ? sum + done.start.areaM2 : sum),
    0,
  );
  return { m2, isLoaded: m2 > COATING_TOWEL_M2 };
}

/** Patches that were levelled with a towel that had taken up more than it serves: by what was levelled with it before. */
export function levelledLoaded(record: Worked, whose: Whose = ANYBODY): PatchRecord[] {
  const taken = new Map<string | undefined, { m2: number; sinceMin: number }>();
  return byTime(record).filter((done) => {
    const who = whoLevelled(done, whose);
    const fromMin = done.levelStartMin ?? levelledAt(done);
    const fresh = record.towels.findLast(({ entry, atMin }) => atMin <= fromMin && whose(entry) === who);
    const sinceMin = fresh?.atMin ?? -Infinity;
    const last = taken.get(who);
    const m2 = last?.sinceMin === sinceMin ? last.m2 : 0;
    taken.set(who, { m2: m2 + done.start.areaM2, sinceMin });
    return m2 > COATING_TOWEL_M2;
  });
}
