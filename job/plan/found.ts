import { patchesSay, type PatchTried } from '#core/prepare/removal';
import { foundByWater } from '#core/survey/condition';
import type { FoundId } from '#core/products/families';
import type { KnownOfFound } from '#core/plan/job';
import type { Job, Surface } from '#formats/job';
import { minutesBetween } from '#formats/values';

export type Told = NonNullable<NonNullable<Surface['existingTold']>[number]>;
type Found = Pick<Surface, 'id' | 'existing' | 'existingTold' | 'water' | 'substrate'>;
type Tried = Pick<Job, 'prepare' | 'surfaces'>;

/** A layer found on a surface with what is told of it. */
export interface ToldLayer {
  readonly family: FoundId;
  readonly told: Told | null;
}

/** What water says is there, bottom first, each with what an earlier visit told of it. */
function toldByWater(surface: Pick<Found, 'existing' | 'existingTold' | 'water'>): ToldLayer[] {
  const { existing, existingTold } = surface;
  const known = existing.map((family, nth): ToldLayer => ({ family, told: existingTold?.[nth] ?? null }));
  const there = foundByWater(surface);
  if (there.length > known.length) return there.map((family) => ({ family, told: null }));
  return there.length < known.length ? known.filter(({ family }) => family !== 'unknown') : known;
}

const likeKey = (surface: Found) => `${surface.substrate} ${foundByWater(surface).join(' ')}`;

type Test = NonNullable<NonNullable<Job['prepare']>['stripTests']>[number];
interface KeptTests {
  readonly tests: readonly Test[];
  readonly byKey: ReadonlyMap<string, readonly Test[]>;
}
/** Tests by what surfaces are and what lies on them: asked for every surface, worked out once as long as neither changes. */
const kept = new WeakMap<Tried['surfaces'], KeptTests>();

function testsByKey(surfaces: Tried['surfaces'], tests: readonly Test[]): KeptTests['byKey'] {
  const known = kept.get(surfaces);
  if (known?.tests === tests) return known.byKey;
  const keys = new Map(surfaces.map((surface) => [surface.id, likeKey(surface)]));
  const byKey = new Map<string, Test[]>();
  for (const test of tests) {
    const key = keys.get(test.surface);
    if (key !== undefined) byKey.set(key, [...(byKey.get(key) ?? []), test]);
  }
  kept.set(surfaces, { tests, byKey });
  return byKey;
}

/** What was tried on patches of surfaces alike in what they are and what lies on them: it holds for all of them. */
export function patchesTried(
  { prepare, surfaces }: Tried,
  surface: Found,
): readonly (PatchTried & { readonly surface: string })[] {
  const tests = prepare?.stripTests ?? [];
  return tests.length === 0 ? [] : (testsByKey(surfaces, tests).get(likeKey(surface)) ?? []);
}

/**
 * What is found on a surface, bottom first, with what is told of each layer; of the one on top also what patches say of
 * how it comes off.
 */
export function foundTold(job: Tried, surface: Found): ToldLayer[] {
  const layers = toldByWater(surface);
  const tried = patchesTried(job, surface);
  const top = layers.at(-1);
  if (!top || tried.length === 0) return layers;
  const { comesOffBy, resists } = patchesSay(tried);
  const told: Told = {
    ...top.told,
    ...(comesOffBy.length > 0 && { comesOffBy: [...comesOffBy] }),
    resists: [...new Set([...(top.told?.resists ?? []), ...resists])].filter((method) => !comesOffBy.includes(method)),
  };
  return [...layers.slice(0, -1), { ...top, told }];
}

/** What is told of a layer, on the scale of a job. */
export const toldInMinutes = ({ startAt }: Pick<Job, 'startAt'>, told: Told | null): KnownOfFound | null =>
  told && {
    ...told,
    laidMin: told.since === undefined ? undefined : minutesBetween(startAt, told.since),
    drops: told.drops?.map(({ at, ...drop }) => ({ ...drop, atMin: minutesBetween(startAt, at) })),
  };
