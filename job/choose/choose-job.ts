import {
  bayAir,
  cheapestAlone,
  type Choice,
  type ChoiceSurface,
  comparedInWords,
  frontier,
  type FrontierPoint,
  honestWords,
  optionsFor,
  readyAfterMin,
  type Solve,
  USUAL_WISHES,
  whyNot,
  type Wishes,
} from '#core/choose/stacks';
import { twinOf } from '#core/survey/condition';
import { hitHarder } from '#core/item/nets';
import { isPaint } from '#core/survey/paint';
import { SUBSTRATES } from '#core/item/substrates';
import { MINUTES_PER_HOUR, MONTHS_PER_YEAR } from '#core/measures';
import { surfaceAreaM2 } from '#core/plan/job';
import { isWorn } from '#core/survey/condition';
import { CHOICE_FORMAT, type ChoiceFile, type ChoicePoint, type ChooseFile } from '#formats/choice';
import { type Job, type Surface, wishesSchema } from '#formats/job';
import { minutesToDay } from '#formats/values';
import { isAircraft, lyingOnSheet, planInput, staying } from '#job/plan';
import { bySchoolsOf, excludedFrom } from '#job/terms';

/** What a job's surfaces ask to be chosen for; sensors and the like, and what is excluded, are not asked. */
export function choiceSurfaces(job: Job): ChoiceSurface[] {
  const excluded = excludedFrom(job);
  const aircraft = isAircraft(job);
  const hits = hitHarder(job.surfaces.flatMap(lyingOnSheet));
  return job.surfaces
    .filter(({ id: surface, substrate }) => !excluded.has(surface) && !SUBSTRATES[substrate].keepClear)
    .map((surface): ChoiceSurface => {
      const stays = staying(job, surface);
      const { id: surfaceId, substrate, refinishedOn, colour, zone, layers } = surface;
      const hit = surface.hit ?? (zone === 'front' || hits.has(surfaceId));
      return {
        id: surfaceId,
        substrate,
        existing: stays.map(({ family }) => family),
        existingTold: stays.map(({ told }) => (told?.name === undefined ? null : { name: told.name })),
        aircraft,
        areaM2: wholeAreaM2(surface),
        // One paint carries one stack, but for what is hit harder or was repaired; all else is like its twin.
        pair: isPaint(substrate)
          ? `paint ${substrate} ${surface.paint} ${refinishedOn ?? ''} ${hit}`
          : [surfaceId, twinOf(surfaceId) ?? surfaceId].sort()[0]!,
        hit,
        worn: isWorn(surface.marks ?? []),
        ...(refinishedOn !== undefined && { refinishedAgoMin: -minutesToDay(job.startAt, refinishedOn) }),
        ...(colour && { tone: colour.tone }),
        ...(layers.length > 0 && { fixed: layers.map(({ product, coats }) => ({ product, coats })) }),
      };
    });
}

/** All copies together, m². */
const wholeAreaM2 = (surface: Surface): number =>
  surfaceAreaM2({ ...surface, curvature: surface.curvature ?? 1 }) * surface.count;

/** Share of the painted area whose clear coat fails. */
function failingShare(job: Job): number {
  const painted = job.surfaces.filter(({ substrate }) => SUBSTRATES[substrate].polishable);
  const areaOf = (surfaces: typeof painted) => surfaces.reduce((sum, surface) => sum + wholeAreaM2(surface), 0);
  const failing = painted.filter(({ marks = [] }) => marks.some(({ kind }) => kind === 'failing-clear'));
  return painted.length === 0 ? 0 : areaOf(failing) / areaOf(painted);
}

/** A job's wishes: what was said, how the item lives, its years and the hour of work. */
export function wishesOf(job: Job): Wishes {
  const { parking, wash, climate, distance, preparation } = job.owner ?? {};
  const { pinned, ...said } = job.wishes ?? {};
  const { layM2PerMin, levelM2PerMin } = job.crew;
  const wishes = wishesSchema.parse({
    ...said,
    hourRate: job.prepare?.hourRate ?? USUAL_WISHES.hourRate,
    keptMonths: MONTHS_PER_YEAR * (job.prepare?.yearsPlanned ?? USUAL_WISHES.keptMonths / MONTHS_PER_YEAR),
    exposure: { parking, wash, climate, distance, preparation },
  });
  return { ...wishes, pace: { layM2PerMin, levelM2PerMin } };
}

/** A job as the choice is asked for it: with a whole shelf, and only the stacks that are given by hand. */
export function jobToChoose(job: Job, shelf: Job['products']): Job {
  const pinned = new Set(job.wishes?.pinned);
  const known = new Set(shelf.map((product) => product.id));
  return {
    ...job,
    // A given stack may be of sheets that have left the shelf since.
    products: [...shelf, ...job.products.filter((product) => !known.has(product.id))],
    // What is given bare stays so: nothing is asked for it.
    surfaces: job.surfaces
      .filter(({ id: surface, layers }) => !pinned.has(surface) || layers.length > 0)
      .map((surface) => (pinned.has(surface.id) ? surface : { ...surface, layers: [] })),
  };
}

/** A job with its wishes made ready, and what can be said of it before anything is solved. */
function prepareChoice(job: Job, wishes: Wishes) {
  const { ambient, matteSchool } = planInput(job);
  const air = bayAir(job.products, ambient, matteSchool);
  const kinds = optionsFor(choiceSurfaces(job), job.products, wishes, air);
  const bare = kinds
    .filter(({ options }) => options.length === 0)
    .flatMap(({ surfaces }) => surfaces.map((surface) => surface.id));
  return { kinds, bare, air };
}

/**
 * Chooses for a whole file: the best for the wishes, the frontier around it, and the plain way beside them.
 * @param onPoint told of each point as it is found; true: stop with what there is
 * @param onNearer told how near the best is proven to be so far, as a share
 */
export function chooseFile(
  { job: asked, wishes: said }: Pick<ChooseFile, 'job' | 'wishes'>,
  solve: Solve,
  onPoint?: (point: ChoicePoint, done: number, of: number) => boolean,
  onNearer?: (gap: number) => void,
): ChoiceFile {
  const job = { ...asked, products: bySchoolsOf(asked, asked.products) };
  const { layM2PerMin, levelM2PerMin } = job.crew;
  const wishes: Wishes = { ...said, pace: { layM2PerMin, levelM2PerMin } };
  const { kinds, bare, air } = prepareChoice(job, wishes);
  const products = new Map(job.products.map((product) => [product.id, product]));
  const readyMin = ({ surfaces }: Choice) =>
    Math.max(
      0,
      ...surfaces.map(({ layers }) =>
        readyAfterMin(
          layers.map(({ product, coats }) => ({ product: products.get(product)!, coats })),
          air,
        ),
      ),
    );
  let first: Choice | undefined;
  const tell = ({ name, choice }: FrontierPoint) => {
    first ??= choice;
    return choicePoint(name, choice, { first, readyMin: readyMin(choice) });
  };
  const points = frontier(
    kinds,
    job.products,
    wishes,
    solve,
    (point, done, of) => onPoint?.(tell(point), done, of) ?? false,
    (best, bound) => {
      const gap = (best - bound) / Math.abs(best);
      if (Number.isFinite(gap)) onNearer?.(gap);
      return false;
    },
  );
  const alone = cheapestAlone(kinds, job.products, wishes);
  return {
    format: CHOICE_FORMAT,
    points: points.map(tell),
    bare,
    honest: honestWords(wishes, { failingShare: failingShare(job), choice: first, shelf: job.products }),
    fellAway: first ? whyNot(kinds, first, job.products, wishes, air) : [],
    alone: {
      firstMoney: alone.firstMoney,
      keptMoney: alone.keptMoney,
      hours: alone.minutes / MINUTES_PER_HOUR,
      lifeMonths: alone.lifeMonths,
    },
  };
}

function choicePoint(
  name: FrontierPoint['name'],
  choice: Choice,
  { first, readyMin }: { readonly first: Choice; readonly readyMin: number },
): ChoicePoint {
  const { surfaces, purchases, materialMoney, firstMoney, minutes, keptMoney, keptMinutes, yearMoney } = choice;
  return {
    name,
    words: choice === first ? 'best for what you said' : comparedInWords(choice, first),
    surfaces: surfaces.map((surface) => ({ ...surface, layers: [...surface.layers] })),
    purchases: purchases.map(({ product, order, packs, cost, leftover }) => ({
      product,
      order,
      packs: [...packs],
      cost,
      leftover,
    })),
    materialMoney,
    firstMoney,
    hours: minutes / MINUTES_PER_HOUR,
    keptMoney,
    keptHours: keptMinutes / MINUTES_PER_HOUR,
    yearMoney,
    yearHours: choice.yearMinutes / MINUTES_PER_HOUR,
    yearUm: choice.yearUm,
    readyHours: Number.isFinite(readyMin) ? readyMin / MINUTES_PER_HOUR : null,
    lifeMonths: choice.lifeMonths,
    removalUm: choice.removalUm,
    gap: choice.gap,
  };
}
