import { isPaint, reserveOf } from '#core/survey/paint';
import { removalsToComeUm } from '#core/prepare/stages';
import type { Job, Surface } from '#formats/job';
import { planInput } from '#job/plan';
import { excludedFrom } from '#job/terms';
import { panelCases, USUAL_YEARS } from '#job/prepare';
import { judgeLayers } from './judging';

/** Taking a stack off again costs more clear than is above the reserve. */
export interface TooDearToRemove {
  readonly removalsUm: number;
  readonly spareUm: number;
  /** The longest-lived single product that the rules allow there and whose removal the paint can afford. */
  readonly milder?: Job['products'][number] | undefined;
}

/**
 * Whether the paint of a surface can afford the stack on it, counted with every removal over the years it is kept;
 * undefined: it can, or nobody knows its clear.
 * @param shelf where something milder is looked for
 */
export function tooDearToRemove(
  job: Job,
  surface: Surface,
  shelf: readonly Job['products'][number][],
): TooDearToRemove | undefined {
  const at = job.surfaces.findIndex(({ id }) => id === surface.id);
  const panel = panelCases(job)[at]!;
  const { clearUm, removalsUm, substrate } = panel;
  if (clearUm === undefined || surface.layers.length === 0) return undefined;
  const spareUm = clearUm - (job.prepare?.reserveUm ?? reserveOf(panel));
  if (removalsUm <= Math.max(0, spareUm)) return undefined;
  const ground = planInput(job).surfaces[at]!;
  const yearsPlanned = job.prepare?.yearsPlanned ?? USUAL_YEARS;
  const [milder] = shelf
    .filter((product) => removalsToComeUm({ substrate, layers: [product], yearsPlanned }) <= Math.max(0, spareUm))
    .filter((product) =>
      judgeLayers(ground, [{ product: product.id, coats: 1 }], shelf).every(({ answer }) => answer === 'yes'),
    )
    .sort((a, b) => (b.ratedMonths ?? 0) - (a.ratedMonths ?? 0));
  return { removalsUm, spareUm, milder };
}

/** A paint of the item that carries several stacks: the one on most of it, and the panels that have another. */
export interface UnevenPaint {
  readonly most: Surface;
  readonly others: readonly Surface[];
}

const stackKey = ({ layers }: Surface) => JSON.stringify(layers.map(({ product, coats }) => [product, coats]));

/** Paints whose panels are not laid alike, though none of the odd ones is hit harder or was repaired. */
export function unevenPaints(job: Pick<Job, 'surfaces' | 'prepare'>): UnevenPaint[] {
  const excluded = excludedFrom(job);
  const paints = new Map<string, Surface[]>();
  for (const surface of job.surfaces) {
    const { substrate, paint, hit, zone, existing, layers } = surface;
    const apart =
      (hit ?? zone === 'front') || paint === 'refinished' || existing.length > 0 || excluded.has(surface.id);
    if (!isPaint(substrate) || apart || layers.length === 0) continue;
    const key = `${substrate} ${paint}`;
    paints.set(key, [...(paints.get(key) ?? []), surface]);
  }
  return [...paints.values()].flatMap((surfaces): UnevenPaint[] => {
    const counts = new Map<string, number>();
    for (const surface of surfaces) counts.set(stackKey(surface), (counts.get(stackKey(surface)) ?? 0) + 1);
    if (counts.size < 2) return [];
    const [key] = [...counts].sort((a, b) => b[1] - a[1])[0]!;
    const most = surfaces.find((surface) => stackKey(surface) === key)!;
    return [{ most, others: surfaces.filter((surface) => stackKey(surface) !== key) }];
  });
}
