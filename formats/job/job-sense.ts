/** What a schema cannot say of a job: that its parts fit each other. Looks at raw values, so that all faults come at once. */
import { firstSelfCrossing, type Point, polygonAreaM2 } from '#core/item/geometry';
import { mayOverrule, RULE_IDS } from '#core/layers/rules';
import { productSenseFaults } from '#formats/shelf';
import { type Fault, isNumber, isRecord, minutesBetween, pathText, type Raw, read, records } from '#formats/values';
import { type Job, jobSchema } from './job';
import { JOB_LIMITS } from './limits';

/** Faults of sense in a parsed job file, whatever else is wrong with it. */
export function jobSenseFaults(raw: unknown): Fault[] {
  if (!isRecord(raw)) return [];
  const productIds = new Set(records(raw.products).map(([, product]) => product.id));
  return [
    ...duplicates('surfaces', raw.surfaces),
    ...records(raw.surfaces).flatMap(([index, surface]) => [
      ...surfaceFaults(['surfaces', index], surface, productIds),
      ...overruledFaults(['surfaces', index], surface),
    ]),
    ...coatsFaults(raw.surfaces),
    ...followsFaults(raw.surfaces),
    ...crewFaults(raw.crew),
    ...lostFaults(raw.days),
    ...duplicates('products', raw.products),
    ...records(raw.products).flatMap(([index, product]) => productSenseFaults(product, ['products', index])),
    ...ambientFaults(raw.ambient),
  ];
}

function duplicates(key: string, value: unknown): Fault[] {
  const seen = new Set<unknown>();
  return records(value).flatMap(([index, { id }]) => {
    if (id === undefined || !seen.has(id)) {
      seen.add(id);
      return [];
    }
    return [{ path: pathText([key, index, 'id']), message: `"${String(id)}" is used twice; give each its own` }];
  });
}

/** What a surface follows is there, and nothing waits for itself. */
function followsFaults(surfaces: unknown): Fault[] {
  const all = records(surfaces);
  const follows = new Map(all.map(([, { id, follows: own }]) => [id, new Set(Array.isArray(own) ? own : [])]));
  const circle = inCircles(follows);
  return all.flatMap(([index, { id }]) =>
    [...(follows.get(id) ?? [])].flatMap((other, position): Fault[] => {
      const path = pathText(['surfaces', index, 'follows', position]);
      if (typeof other !== 'string') return [];
      if (!follows.has(other)) return [{ path, message: `no surface "${other}" among the surfaces` }];
      if (!circle.has(id) || !circle.has(other)) return [];
      const message = `"${String(id)}" and "${other}" would wait for each other: leave one of them out`;
      return [{ path, message }];
    }),
  );
}

/** What waits for itself: all that is left once whatever waits for nothing, or is waited for by nothing, is taken away. */
function inCircles(follows: ReadonlyMap<unknown, ReadonlySet<unknown>>): ReadonlySet<unknown> {
  const left = new Set(follows.keys());
  const followedBy = new Map([...left].map((id) => [id, new Set<unknown>()]));
  for (const [id, others] of follows) for (const other of others) followedBy.get(other)?.add(id);
  for (const [here, there] of [
    [follows, followedBy],
    [followedBy, follows],
  ] as const) {
    const open = new Map([...left].map((id) => [id, [...here.get(id)!].filter((other) => left.has(other)).length]));
    const free = [...left].filter((id) => open.get(id) === 0);
    for (const id of free) {
      left.delete(id);
      for (const next of there.get(id)!) {
        const still = (open.get(next) ?? 0) - 1;
        open.set(next, still);
        if (still === 0) free.push(next);
      }
    }
  }
  return left;
}

/** Everybody has a name of their own, and comes before they go. */
function crewFaults(crew: unknown): Fault[] {
  if (!isRecord(crew)) return [];
  const at = ['crew', 'people'];
  return [
    ...duplicates('crew.people', crew.people),
    ...records(crew.people).flatMap(([index, { hours }]) =>
      (Array.isArray(hours) ? hours : []).flatMap((stretch: unknown, position): Fault[] => {
        if (!Array.isArray(stretch) || !stretch.every((moment) => typeof moment === 'string')) return [];
        const [from, to] = stretch;
        if (from === undefined || to === undefined || !(minutesBetween(from, to) <= 0)) return [];
        return [{ path: pathText([...at, index, 'hours', position]), message: 'must go later than they come' }];
      }),
    ),
  ];
}

/** Time that is lost ends later than it begins. */
function lostFaults(days: unknown): Fault[] {
  if (!isRecord(days)) return [];
  return records(days.lost).flatMap(([index, { from, to }]): Fault[] =>
    typeof from === 'string' && typeof to === 'string' && minutesBetween(from, to) <= 0
      ? [{ path: pathText(['days', 'lost', index, 'to']), message: 'must end later than it begins' }]
      : [],
  );
}

/** Each value may be in bounds and the whole still beyond sense. */
function coatsFaults(surfaces: unknown): Fault[] {
  const whole = (value: unknown) => (isNumber(value) ? value : 1);
  const coats = records(surfaces).reduce(
    (sum, [, { count, layers }]) =>
      sum + whole(count) * records(layers).reduce((own, [, layer]) => own + whole(layer.coats), 0),
    0,
  );
  if (coats <= JOB_LIMITS.coatsInAll) return [];
  const message = `${coats} coats on all copies together, at most ${JOB_LIMITS.coatsInAll}: fewer copies or coats, or more than one job`;
  return [{ path: 'surfaces', message }];
}

const KILOMETRE_MM = 1e6;
/** What a tape can have measured on one item. */
const LARGEST_OF: Readonly<Record<string, number>> = {
  aMm: KILOMETRE_MM,
  bMm: KILOMETRE_MM,
  hMm: KILOMETRE_MM,
  outerMm: KILOMETRE_MM,
  diameterMm: KILOMETRE_MM,
  lengthMm: KILOMETRE_MM,
  stationMm: KILOMETRE_MM,
  areaM2: 1e5,
};

/** A rule of safety is not set aside, in a file either. */
function overruledFaults(at: readonly PropertyKey[], surface: Raw): Fault[] {
  return records(surface.layers).flatMap(([index, { overruled }]) =>
    isRecord(overruled)
      ? RULE_IDS.filter((rule) => overruled[rule] !== undefined && !mayOverrule(rule)).map((rule) => ({
          path: pathText([...at, 'layers', index, 'overruled', rule]),
          message: 'a matter of safety: it is not overruled; choose another product or leave it bare',
        }))
      : [],
  );
}

function surfaceFaults(at: readonly PropertyKey[], surface: Raw, productIds: ReadonlySet<unknown>): Fault[] {
  const unknown = records(surface.layers).flatMap(([index, { product }]): Fault[] =>
    typeof product !== 'string' || productIds.has(product)
      ? []
      : [
          {
            path: pathText([...at, 'layers', index, 'product']),
            message: `no product "${product}" among the products`,
          },
        ],
  );
  const { shape } = surface;
  const { readingsUm } = surface;
  const readings = Array.isArray(readingsUm) ? readingsUm.length : 0;
  for (const [key, what] of [
    ['readingsAt', 'a place'],
    ['readingsFrom', 'a source'],
  ] as const) {
    const beside = surface[key];
    if (!Array.isArray(beside) || beside.length === readings) continue;
    unknown.push({
      path: pathText([...at, key]),
      message: `expected ${what}, or null, for each reading in readingsUm`,
    });
  }
  if (!isRecord(shape)) return unknown;
  const shapeAt = [...at, 'shape'];
  const fault = shapeFault(shape);
  const bent = shape.kind === 'area' && surface.curvature !== undefined;
  return [
    ...(fault ? [{ path: pathText([...shapeAt, fault.key]), message: fault.message }] : []),
    ...(bent
      ? [{ path: pathText([...at, 'curvature']), message: 'an area given as such has no curvature; leave it out' }]
      : []),
    ...unknown,
  ];
}

/** Why a shape makes no sense though each of its values does; undefined where it does. */
export function shapeFault(shape: Raw): { key: string; message: string } | undefined {
  const overlong = Object.entries(shape).find(
    ([key, value]) => isNumber(value) && value > (LARGEST_OF[key] ?? Infinity),
  );
  if (overlong) {
    const [key] = overlong;
    const message = key === 'areaM2' ? 'larger than 100,000 m²' : 'longer than a kilometre; millimetres are meant';
    return { key, message };
  }
  switch (shape.kind) {
    case 'ring': {
      const { outerMm, innerMm } = shape;
      const inverted = isNumber(outerMm) && isNumber(innerMm) && innerMm >= outerMm;
      return inverted ? { key: 'innerMm', message: 'must be smaller than outerMm' } : undefined;
    }
    case 'offsets': {
      const { offsetsMm } = shape;
      if (!Array.isArray(offsetsMm)) return undefined;
      if (offsetsMm.length < 3 || offsetsMm.length % 2 === 0) {
        const message = `expected an odd number of stations, at least 3, not ${offsetsMm.length}; measure one more`;
        return { key: 'offsetsMm', message };
      }
      return offsetsMm.every((girth) => girth === 0) ? { key: 'offsetsMm', message: 'encloses no area' } : undefined;
    }
    case 'polygon':
      return polygonFault(shape.pointsMm);
    default:
      return undefined;
  }
}

function polygonFault(pointsMm: unknown): { key: string; message: string } | undefined {
  const isPoint = (p: unknown): p is Point => Array.isArray(p) && p.length === 2 && p.every(isNumber);
  if (!Array.isArray(pointsMm) || pointsMm.length < 3 || !pointsMm.every(isPoint)) return undefined;
  const key = 'pointsMm';
  const crossing = firstSelfCrossing(pointsMm);
  if (crossing) {
    const [first, second] = crossing;
    const edge = (index: number) => `the edge from point ${index + 1}`;
    return { key, message: `${edge(first)} crosses ${edge(second)}; an outline may not cross itself` };
  }
  return polygonAreaM2(pointsMm) === 0 ? { key, message: 'encloses no area' } : undefined;
}

function ambientFaults(ambient: unknown): Fault[] {
  const steps = records(ambient);
  return steps.flatMap(([index, { atMin }], position) => {
    const before = steps[position - 1]?.[1].atMin;
    if (!isNumber(atMin) || !isNumber(before) || atMin > before) return [];
    return [{ path: pathText(['ambient', index, 'atMin']), message: 'must be later than the step before' }];
  });
}

/** Reads a job. @throws FaultsError with every fault at once. */
export function readJob(value: unknown): Job {
  return read(value, jobSchema, jobSenseFaults);
}
