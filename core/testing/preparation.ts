import fc from 'fast-check';
import { MARK_KIND_IDS, MARK_SEVERITIES } from '#core/survey/condition';
import { HARDNESS } from '#core/survey/paint';
import { SUBSTRATE_IDS } from '#core/item/substrates';
import { FAMILY_IDS } from '#core/products/families';
import {
  FULL_SITE,
  LEVELS,
  type PanelCase,
  type PrepareSchools,
  type PrepareSettings,
  SCHOOL_CHOICES,
  SCOPE_STATES,
  USUAL_SCHOOLS,
} from '#core/prepare/stages';
import { STEP_KINDS } from '#core/prepare/steps';

/** A bonnet in clear coat with enough of it, and what is said otherwise. */
export const panel = (changes: Partial<PanelCase> = {}): PanelCase => ({
  id: 'bonnet',
  substrate: 'clear-gloss',
  areaM2: 1.5,
  edgeM: 5,
  count: 1,
  curvature: 1,
  zone: 'top',
  marks: [],
  paint: 'factory',
  clearUm: 45,
  existing: [],
  toCome: ['ceramic-base'],
  removalsUm: 2,
  ...changes,
});
/** A two-step correction where everything is possible, and what is said otherwise. */
export const settings = (changes: Partial<PrepareSettings> = {}): PrepareSettings => ({
  level: 'two-step',
  schools: USUAL_SCHOOLS,
  site: FULL_SITE,
  leftOut: new Set(),
  ...changes,
});
export const swirled = (severity: (typeof MARK_SEVERITIES)[number]) => [{ id: 'm', kind: 'swirls', severity } as const];

const mark = fc.record({
  id: fc.constantFrom('a', 'b', 'c'),
  kind: fc.constantFrom(...MARK_KIND_IDS),
  severity: fc.constantFrom(...MARK_SEVERITIES),
});
/** Any panel there can be, sensible or not. */
export const anyPanel: fc.Arbitrary<PanelCase> = fc
  .record({
    substrate: fc.constantFrom(...SUBSTRATE_IDS),
    areaM2: fc.double({ min: 0.01, max: 20, noNaN: true }),
    edgeM: fc.double({ min: 0.1, max: 60, noNaN: true }),
    count: fc.integer({ min: 1, max: 6 }),
    curvature: fc.double({ min: 0.5, max: 3, noNaN: true }),
    marks: fc.array(mark, { maxLength: 5 }),
    clearUm: fc.option(fc.double({ min: 0, max: 4000, noNaN: true }), { nil: undefined }),
    touch: fc.constantFrom('smooth', 'rough', undefined),
    iron: fc.constantFrom('clear', 'bleeds', undefined),
    hardness: fc.constantFrom(...HARDNESS, undefined),
    toCome: fc.array(fc.constantFrom(...FAMILY_IDS), { maxLength: 3 }),
    removalsUm: fc.double({ min: 0, max: 40, noNaN: true }),
    zone: fc.constantFrom('top', 'left', 'under', undefined),
    scope: fc.constantFrom(undefined, ...SCOPE_STATES.map((state) => ({ state, reason: 'agreed' }))),
  })
  .map((changes) => panel(changes as Partial<PanelCase>));
const school = <K extends keyof PrepareSchools>(key: K) =>
  fc.constantFrom(...(Object.keys(SCHOOL_CHOICES[key]) as PrepareSchools[K][]));
/** Any settings of preparation. */
export const anySettings: fc.Arbitrary<PrepareSettings> = fc
  .record({
    level: fc.constantFrom(...LEVELS),
    schools: fc.record({
      iron: school('iron'),
      wheels: school('wheels'),
      masking: school('masking'),
      wipe: school('wipe'),
      chips: school('chips'),
      machine: school('machine'),
      order: school('order'),
      drying: school('drying'),
      pad: school('pad'),
      marks: school('marks'),
    }),
    airC: fc.double({ min: -20, max: 40, noNaN: true }),
    water: fc.boolean(),
    leftOut: fc.subarray(Object.keys(STEP_KINDS)),
  })
  .map(({ airC, water, leftOut, ...rest }) =>
    settings({ ...rest, site: { ...FULL_SITE, airC, runningWater: water }, leftOut: new Set(leftOut) }),
  );
