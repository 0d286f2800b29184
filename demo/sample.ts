import { MINUTES_PER_DAY, MINUTES_PER_HOUR } from '#core/measures';
import { type Sizes, templateById } from '#core/item/nets';
import type { SubstrateId } from '#core/item/substrates';
import { takesPolish } from '#core/prepare/steps';
import { bayAmbient } from '#core/time/air';
import { FIRST_CREW, type JobDraft, type JobInput, readJob } from '#formats/job';
import type { NewEntry } from '#formats/log';
import { type ProductSheet, readProduct } from '#formats/shelf';
import { instantAfter, minuteOfDay } from '#formats/values';
import { firstSurfaces } from '#job/edit';
import { BAYS } from './bays';
import { DEMO_SHELF } from './shelf';

/** One job of the sample workshop with what has been done at it. */
export interface SampleJob {
  readonly id: string;
  readonly draft: JobDraft;
  readonly log: readonly NewEntry[];
}

export type SurfaceInput = JobInput['surfaces'][number];
/** What was seen, read or agreed of a panel. */
export type Seen = Partial<SurfaceInput>;
type SeenMark = NonNullable<Seen['marks']>[number];
/** What goes on each kind of surface. */
export type Stacks = Readonly<Partial<Record<SubstrateId, SurfaceInput['layers']>>>;

/** How long what the yard uses keeps, months: closed, and once it is open. */
const KEEPS: Readonly<Partial<Record<string, { closed: number; open?: number }>>> = {
  ceramic: { closed: 24, open: 6 },
  'ceramic-primer': { closed: 36, open: 18 },
  'ceramic-base': { closed: 24, open: 6 },
  'ceramic-top': { closed: 24, open: 6 },
  'glass-coating': { closed: 24, open: 12 },
  'wheel-coating': { closed: 24, open: 6 },
  'trim-coating': { closed: 24, open: 12 },
  'spray-coating': { closed: 36, open: 18 },
  sealant: { closed: 36, open: 18 },
  film: { closed: 36 },
};

export const SHELF: readonly ProductSheet[] = DEMO_SHELF.map((sheet) => {
  const keeps = KEEPS[sheet.family];
  return readProduct({ ...(keeps && { shelfMonths: keeps }), ...sheet });
});

/** The yard's own hands, each at their pace. */
export const ODILE = { id: 'Odile', layM2PerMin: 0.5, levelM2PerMin: 0.52 };
export const BRAM = { id: 'Bram', layM2PerMin: 0.42, levelM2PerMin: 0.5 };

const AMBIENT_DAYS = 8;

type JobParts = Omit<JobInput, 'format' | 'products' | 'ambient'>;

/** A job as it stands in a bay of the yard: in its air, with the sheets that its layers name. */
export function inBay(bayId: string, parts: JobParts): JobDraft {
  const { climate, room } = BAYS.find(({ id }) => id === bayId)!;
  const named = new Set(parts.surfaces.flatMap(({ layers }) => layers.map(({ product }) => product)));
  const document = readJob({
    ...parts,
    format: 'glaphyra.job/1',
    crew: { ...FIRST_CREW, ...parts.crew },
    prepare: { ...parts.prepare, site: { ...room?.offers, ...parts.prepare?.site } },
    products: SHELF.filter(({ id }) => named.has(id)),
    ambient: bayAmbient(climate, Math.floor(minuteOfDay(parts.startAt)), AMBIENT_DAYS),
  });
  return { document, bayId, airSource: 'bay' };
}

interface Surveyed {
  readonly template: string;
  readonly size: Sizes;
  readonly stacks?: Stacks;
  /** What was seen on single panels, by their id. */
  readonly seen?: Readonly<Record<string, Seen>>;
  /** What is said of every panel that takes polish, before what was seen on single ones. */
  readonly paint?: Seen;
  /** What a panel is made of where the template has it otherwise. */
  readonly madeOf?: (surface: SurfaceInput) => SubstrateId;
}

/** The surfaces of a template at an item's size, surveyed: stacks by kind, and what was seen. */
export function surveyed({ template: id, size, stacks = {}, seen = {}, paint, madeOf }: Surveyed): SurfaceInput[] {
  const template = templateById(id)!;
  const there = new Set(firstSurfaces(template, size).map((surface) => surface.id));
  const astray = Object.keys(seen).find((panel) => !there.has(panel));
  if (astray) throw new RangeError(`${id} has no panel ${astray}`);
  return firstSurfaces(template, size).map((drawn) => {
    const surface = drawn as SurfaceInput;
    const substrate = madeOf ? madeOf(surface) : surface.substrate;
    return {
      ...surface,
      substrate,
      layers: [...(stacks[substrate] ?? [])],
      ...(takesPolish(substrate) && paint),
      ...seen[surface.id],
    };
  });
}

export const mark = (
  id: string,
  kind: SeenMark['kind'],
  severity: SeenMark['severity'],
  at: [number, number],
  more: Partial<SeenMark> = {},
): SeenMark => ({ id, kind, severity, at, light: 'hand-light', ...more });

/** Marks all over the paint, as they are said of a whole item in one tap. */
export const allOver = (kind: SeenMark['kind'], severity: SeenMark['severity']): SeenMark =>
  mark(`${kind}-all-over`, kind, severity, [0.5, 0.5], { allOver: true });

/** A moment of a day so many days from now, at an hour of the clock: work begins while the yard is open. */
export function onDay(now: string, days: number, hour: number): string {
  return instantAfter(now, days * MINUTES_PER_DAY + hour * MINUTES_PER_HOUR - minuteOfDay(now));
}
