import type { Arrangement } from '#core/item/nets';
import { inOnePiece, type Plan } from '#core/plan/job';
import { type PanelOnSheet, type WorkPatch, workPatches } from '#core/plan/section-map';
import type { Job } from '#formats/job';

/** One coat of one product over the whole item, section by section. */
export interface CoatSections {
  readonly key: string;
  readonly product: string;
  readonly coat: number;
  readonly patches: readonly WorkPatch[];
}

/** Every coat of a job in the order it is reached, each cut into what is laid in one go, within today's limits. */
export function sectionPlan(
  { surfaces }: Pick<Job, 'surfaces'>,
  plan: Pick<Plan, 'surfaces'>,
  { panels, linework }: Arrangement,
): CoatSections[] {
  const outlines = new Map(panels.map(({ id, outline }) => [id, outline]));
  const known = new Map(surfaces.map((surface) => [surface.id, surface]));
  const coats = new Map<string, { product: string; coat: number; on: PanelOnSheet[] }>();
  for (const { id, areaM2, coats: own } of plan.surfaces) {
    const [surface, outline] = [known.get(id), outlines.get(id)];
    if (!surface || !outline) continue;
    for (const { product, coat, substrate, laid } of own) {
      if (!laid) continue;
      const key = `${product}/${coat}`;
      const group = coats.get(key) ?? { product, coat, on: [] };
      coats.set(key, group);
      group.on.push({
        surface: id,
        outline,
        zone: surface.zone,
        sections: laid.sectionsPerCopy,
        maxM2: laid.maxSectionM2,
        areaM2,
        count: surface.count,
        amount: laid.amount,
        onePiece: inOnePiece({ onePiece: surface.onePiece, substrate }),
        startMin: laid.startMin,
      });
    }
  }
  const begins = (on: readonly PanelOnSheet[]) => Math.min(...on.map(({ startMin }) => startMin));
  return [...coats]
    .sort(([, a], [, b]) => begins(a.on) - begins(b.on))
    .map(([key, { product, coat, on }]) => ({ key, product, coat, patches: workPatches(on, linework) }));
}
