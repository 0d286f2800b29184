import { containsPoint, boundingBox, type Point } from '#core/item/geometry';
import { remedyOptions, type RemedyOption } from '#core/check/checks';
import type { PlanInput } from '#core/plan/job';
import type { PanelCase, Preparation } from '#core/prepare/stages';
import {
  type FoundFault,
  type NetPoint,
  patchKey,
  patchWindow,
  type RunRecord,
  type RunSheet,
  type SheetPatch,
} from '#core/lay/run';
import { seenSubstrate } from '#core/layers/rules';
import { sectionsOf } from '#core/plan/section-map';
import type { CheckNet } from './check-view';

/** The patch that lies at a place of a panel: of the last coat begun there, the section the place is in. */
export function patchAt(
  { panels, linework }: CheckNet,
  sheet: RunSheet,
  surface: string,
  at: NetPoint,
): SheetPatch | undefined {
  const begun = sheet.patches.filter(({ patch, record }) => patch.surface === surface && record !== undefined);
  const last = begun.reduce<SheetPatch | undefined>((top, each) => {
    if (!top) return each;
    const [a, b] = [each.patch, top.patch];
    return a.layer > b.layer || (a.layer === b.layer && a.coat > b.coat) ? each : top;
  }, undefined);
  const outline = panels.find(({ id }) => id === surface)?.outline;
  if (!last || !outline || last.sections === 1) return last;
  const own = begun.filter(
    ({ patch }) => patch.layer === last.patch.layer && patch.coat === last.patch.coat && patch.copy === last.patch.copy,
  );
  const { minX, maxX, minY, maxY } = boundingBox(outline);
  const point: Point = [minX + at[0] * (maxX - minX), minY + at[1] * (maxY - minY)];
  const { sections, areaM2, laid } = last;
  const whole = { outline, sections, maxM2: laid.maxSectionM2, areaM2: areaM2 * sections, count: 1 };
  const section = sectionsOf(whole, linework).findIndex((piece) => containsPoint(piece, point)) + 1;
  return own.find(({ patch }) => patch.section === section) ?? last;
}

interface Known {
  readonly planned: PlanInput;
  readonly record: RunRecord;
  readonly sheet: RunSheet;
  readonly prepared: { readonly cases: readonly PanelCase[]; readonly preparation: Preparation };
}

/** From when a patch laid at a moment may get wet; null: never in this air; undefined: its sheet does not ask. */
function safeFrom(
  { planned, record }: Pick<Known, 'planned' | 'record'>,
  { record: _, ...patch }: SheetPatch,
  atMin: number,
) {
  return patchWindow(planned, record, patch, atMin).milestones.waterSafe;
}

/** Until when the item stays dry: what was mended with fresh product counts from then; null: never wet in this air. */
export function keepDryUntilMin({ planned, record, sheet }: Omit<Known, 'prepared'>): number | null {
  const mended = [...record.faults.values()].flatMap(({ patch, remedy }) => {
    const laid = sheet.patches.find((each) => patchKey(each.patch) === patchKey(patch));
    const isFresh = remedy?.how === 're-wet' || remedy?.how === 'laid-again';
    return laid && isFresh ? [safeFrom({ planned, record }, laid, remedy.atMin)] : [];
  });
  const all = [sheet.plan.waterSafeMin, ...mended.filter((each) => each !== undefined)];
  return all.includes(null) ? null : Math.max(...(all as number[]));
}

/** What can be done about a fault now, with what it costs in clear and time. Minutes on the scale of the job. */
export function remediesFor(
  { planned, record, sheet, prepared }: Known,
  found: Pick<FoundFault, 'patch' | 'fault'>,
  nowMin: number,
): RemedyOption[] {
  const patch = sheet.patches.find((each) => patchKey(each.patch) === patchKey(found.patch));
  const surface = planned.surfaces.find(({ id }) => id === found.patch.surface);
  const panel = prepared.cases.find(({ id }) => id === found.patch.surface);
  const sheetOf = (id: string | undefined) => planned.products.find((each) => each.id === id);
  const product = sheetOf(patch?.record?.start.product);
  if (!patch || !surface || !panel || !product) return [];
  const { rewetByMin, startMin, window } = patchWindow(planned, record, patch, nowMin);
  const ledger = prepared.preparation.panels.find(({ id }) => id === surface.id)?.ledger;
  const below = surface.layers.slice(0, patch.patch.layer).flatMap((layer) => sheetOf(layer.product) ?? []);
  const waterSafe = safeFrom({ planned, record }, patch, nowMin);
  return remedyOptions({
    fault: found.fault,
    panel: {
      ...panel,
      substrate: seenSubstrate(panel.substrate, [], below),
      existing: [...panel.existing, ...below.map(({ family }) => family)],
      spareUm: ledger?.spareUm,
    },
    family: product.family,
    nowMin,
    rewetByMin,
    ...(window.levelByMin !== null && { levelByMin: startMin + window.levelByMin }),
    dryForMin: typeof waterSafe === 'number' ? waterSafe - nowMin : waterSafe,
  });
}
