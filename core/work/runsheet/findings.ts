import { peopleOf, type Person } from '#core/work/crew';
import { breathing, conditionFindings, type Finding, type PlannedJob, say } from '#core/work/plan';
import { stepAt } from '#core/time/clocks';
import { maxSectionM2 } from '#core/work/sections';
import type { SurfaceCoat } from './coats';
import type { Dispatched } from './dispatch';

/** What a laid-out job has to say of its coats, surface by surface, at the times of the sheet. */
export function sheetFindings(
  job: PlannedJob,
  coats: readonly (readonly SurfaceCoat[])[],
  sheet: Dispatched,
  people: readonly Person[] = peopleOf(job.crew),
): Finding[][] {
  return coats.map((own) => own.flatMap((coat) => coatFindings(job, coat, sheet, people)));
}

function coatFindings(job: PlannedJob, coat: SurfaceCoat, sheet: Dispatched, people: readonly Person[]): Finding[] {
  const { surface, product, layer, rulings, coatCase } = coat;
  const about = { surface: surface.id, product: product.id };
  const { overruled } = surface.layers[layer]!;
  if (coat.refused) return say.refusals(rulings, about);
  const copies = sheet.laid.filter((other) => other.coat === coat);
  const refused = sheet.refused.find((other) => other.coat === coat);
  const starts = startsInTurn(coat, sheet);
  const outside = copies.find(({ outsideMin }) => outsideMin > 0);
  const bare = job.surfaces[coat.at]!;
  const narrow = starts.find((startMin) => coat.openingAt(startMin).verdict === 'narrow');
  return [
    ...say.refusals(rulings, about),
    ...(refused?.code === 'window-closed'
      ? [say.windowClosedAt(coatCase, refused.atMin, job.crew.guardSigma, about)]
      : []),
    ...(refused?.code === 'recoat-window' ? say.refusals(refused.rulings, about) : []),
    ...starts.slice(0, 1).flatMap((startMin) => breathing(bare, product, startMin, overruled, about)),
    ...starts.flatMap((startMin) => conditionFindings(job, surface, product, startMin, about)),
    ...(narrow === undefined ? [] : [say.narrowWindowAt(coatCase, narrow, job.crew.guardSigma, about)]),
    ...(outside
      ? [
          say.tooLarge(
            people.length > 1 ? 'pair' : 'solo',
            coat.oneM2 / outside.sections,
            mostInOnePiece(coat, outside.startMin, people),
            about,
          ),
        ]
      : []),
    ...(copies.some(({ milestones }) => milestones.waterSafe === null) ? [say.neverCures(product, about)] : []),
    ...copies.flatMap(({ byTime }) => say.refusals(byTime, about)),
    ...(sheet.unlaid.some((other) => other.coat === coat) ? [say.noHours(product, surface, about)] : []),
  ];
}

/** When the sections of a coat are begun: the first, and the first after every change of the air. */
function startsInTurn(coat: SurfaceCoat, { actions }: Dispatched): number[] {
  const { ambient } = coat.coatCase;
  const steps = new Map<number, number>();
  for (const { coat: other, does, startMin } of actions) {
    if (other !== coat || does !== 'lay') continue;
    const step = stepAt(ambient, startMin);
    steps.set(step, Math.min(startMin, steps.get(step) ?? Infinity));
  }
  return [...steps.values()].sort((a, b) => a - b);
}

/** The largest piece anybody alone, or anybody following anybody, can keep inside the window, m². */
function mostInOnePiece(
  { openingAt, layFactor, levelFactor }: SurfaceCoat,
  startMin: number,
  people: readonly Person[],
): number {
  const window = openingAt(startMin).window ?? { fromMin: 0, byMin: null };
  const each = people.flatMap((layer) =>
    people.map((leveller) => {
      const pace = { layM2PerMin: layer.layM2PerMin * layFactor, levelM2PerMin: leveller.levelM2PerMin * levelFactor };
      return maxSectionM2(window, pace, layer === leveller ? 'solo' : 'pair') ?? Infinity;
    }),
  );
  return Math.max(...each);
}
