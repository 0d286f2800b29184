import type { Person } from '#core/plan/crew';
import { stepAt } from '#core/time/clocks';
import { maxSectionM2 } from '#core/plan/sections';
import { breathing, conditionFindings } from './conditions';
import type { Finding } from './findings';
import type { PlanInput } from './input';
import type { OfCoat } from './laid';
import type { Refusal } from './refusal';
import * as say from './say';
import type { SurfaceCoat } from './surface-coat';

/** What there is to say of the coats of a job, surface by surface, at the times they are laid. */
export function coatsFindings(
  job: PlanInput,
  coats: readonly (readonly SurfaceCoat[])[],
  ofCoat: ReadonlyMap<SurfaceCoat, OfCoat>,
  people: readonly Person[],
): Finding[][] {
  return coats.map((own) => own.flatMap((coat) => coatFindings(job, coat, ofCoat.get(coat)!, people)));
}

function coatFindings(
  job: PlanInput,
  coat: SurfaceCoat,
  { laid: copies, refused: refusals, startsMin, unlaid }: OfCoat,
  people: readonly Person[],
): Finding[] {
  const { surface, product, layer, rulings, coatCase } = coat;
  const about = { surface: surface.id, product: product.id };
  const { overruled } = surface.layers[layer]!;
  if (coat.refused) return say.refusals(rulings, about);
  const [refused] = refusals;
  const starts = startsInTurn(coat, startsMin);
  const outside = copies.find(({ outsideMin }) => outsideMin > 0);
  const bare = job.surfaces[coat.at]!;
  const narrow = starts.find((startMin) => coat.openingAt(startMin).verdict === 'narrow');
  if (refused && copies.length === 0) return refusedFindings(job, coat, refused, about);
  return [
    ...say.refusals(rulings, about),
    ...(refused ? refusedFindings(job, coat, refused, about) : []),
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
    ...(unlaid ? [say.noHours(product, surface, about)] : []),
  ];
}

/** Why a coat is left out at the moment it could have started. */
function refusedFindings(
  { crew }: PlanInput,
  { coatCase }: SurfaceCoat,
  { code, atMin, rulings }: Refusal,
  about: { readonly surface: string; readonly product: string },
): Finding[] {
  return code === 'window-closed'
    ? [say.windowClosedAt(coatCase, atMin, crew.guardSigma, about)]
    : say.refusals(rulings, about);
}

/** When the sections of a coat are started: the first, and the first after every change of the air. */
function startsInTurn({ coatCase: { ambient } }: SurfaceCoat, startsMin: readonly number[]): number[] {
  const steps = new Map<number, number>();
  for (const startMin of startsMin) {
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
