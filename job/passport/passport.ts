import {
  type CareDays,
  careDaysOf,
  inspectionsDueMs,
  latestDated,
  neverOn,
  removalFrom,
  type StandingLayer,
  type StandingSurface,
  USUAL_CARE_DAYS,
} from '#core/care/upkeep';
import { MS_PER_MIN } from '#core/measures';
import { airAt } from '#core/time/air';
import { LAYING_FAULTS } from '#core/lay/faults';
import { foldLog, LEFT_WORDS, patchState, type RunRecord, runSheet, withMeasuredAir } from '#core/lay/run';
import type { PlanInput } from '#core/plan/job';
import { STEP_KINDS } from '#core/prepare/steps';
import { type Job, surfaceName } from '#formats/job';
import { loggedEntries } from '#formats/log';
import type { Passport } from '#formats/passport';
import { instantAfter, minutesBetween } from '#formats/values';
import { checkNet, checkView, stillToCheck } from '#job/check';
import { warrantyLines } from '#job/handover';
import { planInput } from '#job/plan';
import { clearTakenUm, paintForRemoval, withFoundStill } from '#job/prepare';
import { comingBack, type ItemVisit } from '#job/return';
import { DATED_WORDS, type Outdoors } from '#job/days';
import { handsOf, standingView } from '#job/view';

export interface PassportCase {
  /** Every visit, the last one last; what lies on it is told by that. */
  readonly visits: readonly ItemVisit[];
  readonly issuedAt: string;
  readonly shop: string;
  /** What somebody on the record is called. */
  readonly nameOf: (by: string) => string;
  /** Visits at shops before this one, as their passport told them. */
  readonly before?: Passport['visits'];
  /** What it stands in once it has left: washed and hard is when the weather lets it be. */
  readonly outdoors?: Outdoors | undefined;
}

/**
 * The passport of an item from what was really done to it.
 * @throws RangeError without a visit
 */
export function passportOf({ visits, issuedAt, shop, nameOf, before = [], outdoors }: PassportCase): Passport {
  const last = visits.at(-1);
  if (!last) throw new RangeError('no visit, no passport');
  const { document, log } = last;
  const record = foldLog(loggedEntries(document.startAt, log));
  const planned = withFoundStill(planInput(document), document, record);
  const standing = standingView(planned, record, document.owner, outdoors);
  const { surfaces } = comingBack(document, log);
  const paints = paintForRemoval(document, clearTakenUm(document, record));
  const { ambient } = withMeasuredAir(planned, record);
  const hands = handsOf(log);
  const at = (minutes: number) => instantAfter(document.startAt, minutes);
  const maybe = (minutes: number | null | undefined) =>
    minutes === null ? null : at(minutes ?? minutesBetween(document.startAt, issuedAt));
  const issuedMin = minutesBetween(document.startAt, issuedAt);

  const layerOf = (surface: string, layer: StandingLayer): Passport['panels'][number]['layers'][number] => {
    const { product, coats, doneShare, laidMin, endMin, milestones, firstWash, fullyHard, renewMin, renewRangeMin } =
      layer;
    const batches = [...record.patches.values()].flatMap(({ patch, start }) =>
      patch.surface === surface && start.product === product.id && start.batch !== undefined ? [start.batch] : [],
    );
    const { airC, rhPct } = airAt(ambient, laidMin);
    return {
      product: product.name,
      family: product.family,
      coats,
      share: doneShare,
      laidAt: at(laidMin),
      endAt: at(endMin),
      batches: [...new Set(batches)],
      by: hands(surface, product.id).map(nameOf),
      air: { airC: rounded(airC), rhPct: rounded(rhPct) },
      wetFrom: milestones.waterSafe === undefined ? at(endMin) : maybe(milestones.waterSafe),
      firstWash: maybe(firstWash.atMin),
      hardFrom: maybe(fullyHard.atMin),
      renew: { from: at(renewRangeMin[0]), about: at(renewMin), until: at(renewRangeMin[1]) },
    };
  };
  const panelOf = (subject: StandingSurface, nth: number): Passport['panels'][number][] => {
    const { surface, found, layers } = subject;
    if (layers.length + found.length === 0) return [];
    const paint = paints[nth]!;
    const { clearUm } = paint;
    const { layers: off } = removalFrom(subject, paint, Math.max(issuedMin, 0));
    return [
      {
        surface: surface.id,
        name: nameIn(document, surface.id),
        layers: layers.map((layer) => layerOf(surface.id, layer)),
        found: found.map(({ family }) => family),
        clearUm: clearUm === undefined ? null : rounded(clearUm),
        comesOff: off.flatMap(({ layer, steps }) =>
          steps
            .filter(({ refused }) => refused === undefined)
            .map(({ name, chance }) => ({ layer: layer.name, by: name, chance: rounded(chance, 100) })),
        ),
        neverUse: neverOn(surface.substrate, [
          ...found.map(({ family }) => family),
          ...layers.map(({ product }) => product.family),
        ]),
      },
    ];
  };
  const panels = standing.flatMap(panelOf);
  const careDays = careDaysOf(standing, document.care);
  const unchecked = uncheckedOf(last, planned, record, issuedMin);
  const { needsBy: ____, ...lives } = document.owner ?? {};
  const { ownerName: _, plate: _____, picture: __, arrived: ___, ...item } = document.item ?? { name: document.title };
  return {
    issuedAt,
    shop,
    item,
    ...(Object.keys(lives).length > 0 && { lives }),
    surfaces: [...surfaces],
    panels,
    visits: [...before, ...visits.map((visit) => visitOf(visit, shop))],
    care: careOf(panels, standing, careDays),
    ...(unchecked.length > 0 && { unchecked }),
    warranty: warrantyOf(document, standing, panels, careDays.inspection ?? USUAL_CARE_DAYS.inspection),
  };
}

/** What of the final check of the last visit is still open; nothing where it laid nothing. */
function uncheckedOf({ document }: ItemVisit, planned: PlanInput, record: RunRecord, nowMin: number): string[] {
  if (record.patches.size === 0) return [];
  const laid = new Set([...record.patches.values()].map(({ patch }) => patch.surface));
  const sheet = runSheet(planned, record, nowMin);
  return stillToCheck(document, record, sheet, checkView(checkNet(document, laid), planned, record, sheet));
}

const rounded = (value: number, per = 10): number => Math.round(value * per) / per;
const nameIn = ({ surfaces }: Job, id: string): string => {
  const surface = surfaces.find((each) => each.id === id);
  return surface ? surfaceName(surface) : id;
};

function visitOf({ document, log }: ItemVisit, shop: string): Passport['visits'][number] {
  const record: RunRecord = foldLog(loggedEntries(document.startAt, log));
  const laid = new Map<string, { surface: string; product: string }>();
  const release = record.releases.at(-1);
  for (const done of record.patches.values()) {
    // Begun and not finished it lies on nothing.
    if (patchState(done) !== 'done') continue;
    const { patch, start } = done;
    const product = document.products.find(({ id }) => id === start.product)?.name ?? start.product;
    laid.set(`${patch.surface}/${product}`, { surface: patch.surface, product });
  }
  return {
    at: document.startAt,
    title: document.title,
    shop,
    prepared: [...record.stages.values()]
      .filter(({ endMin }) => endMin !== undefined)
      .map(({ stage, workedMin }) => ({ what: STEP_KINDS[stage.kind].name, minutes: Math.round(workedMin) })),
    taken: [...clearTakenUm(document, record)].map(([surface, um]) => ({ surface, um: rounded(um) })),
    laid: [...laid.values()],
    ...(release && {
      released: { name: release.name, licence: release.licence, at: instantAfter(document.startAt, release.atMin) },
    }),
    leftOut: [...record.left].map(([surface, { reason }]) => ({ surface, why: LEFT_WORDS[reason] })),
    faults: [...record.faults.values()].map(({ patch, fault, remedy }) => ({
      surface: patch.surface,
      what: LAYING_FAULTS[fault].name,
      remedy: remedy?.how ?? null,
    })),
    drops: record.beads.map(({ surface, deg, sigmaDeg, atMin }) => ({
      surface,
      deg: rounded(deg),
      sigmaDeg: rounded(sigmaDeg),
      at: instantAfter(document.startAt, atMin),
    })),
  };
}

const latest = (instants: readonly string[]): string | undefined =>
  instants.reduce<string | undefined>(
    (last, each) => (last === undefined || Date.parse(each) > Date.parse(last) ? each : last),
    undefined,
  );
const earliest = (instants: readonly string[]): string | undefined =>
  instants.reduce<string | undefined>(
    (first, each) => (first === undefined || Date.parse(each) < Date.parse(first) ? each : first),
    undefined,
  );

/** Where the date that decides comes from, for the owner. */
function sourceOf(standing: readonly StandingSurface[], which: 'firstWash' | 'fullyHard'): string {
  const decides = latestDated(standing.flatMap(({ layers }) => layers.map((layer) => layer[which])));
  return decides ? ` (By ${DATED_WORDS[decides.by]}.)` : '';
}

/** Days in the unit they are whole in. */
function daysInWords(days: number): string {
  const [count, unit] =
    days % 365 === 0 ? [days / 365, 'year'] : days % 7 === 0 ? [days / 7, 'week'] : [Math.round(days), 'day'];
  return count === 1 ? unit : `${count} ${unit}s`;
}

/** What the owner has to mind, in their words and by its date: what holds always stands last. */
function careOf(
  panels: Passport['panels'],
  standing: readonly StandingSurface[],
  { wash: washDays, topper, booster, inspection }: CareDays,
): Passport['care'] {
  const layers = panels.flatMap((panel) => panel.layers);
  if (layers.length === 0) return [];
  const of = (key: 'wetFrom' | 'firstWash' | 'hardFrom') => latest(layers.flatMap((layer) => layer[key] ?? []));
  const [wet, wash, hard] = [of('wetFrom'), of('firstWash'), of('hardFrom')];
  const renew = earliest(layers.map((layer) => layer.renew.about));
  const dated = [
    wet && { at: wet, says: 'Keep it dry until then: no rain, no dew, no washing. It stands under a roof.' },
    wash && {
      at: wash,
      says: `The first wash, from then on: rinse, mild shampoo, soft mitt, no brushes.${sourceOf(standing, 'firstWash')}`,
    },
    hard && { at: hard, says: `From then on it is fully hard.${sourceOf(standing, 'fullyHard')}` },
    renew && { at: renew, says: 'About then the first of it wants renewing; we look at it before.' },
  ].filter((line) => line !== undefined && line !== '');
  const films = standing.some(({ layers: laid }) => laid.some(({ product }) => product.family === 'film'));
  return [
    ...dated.sort((a, b) => Date.parse(a.at) - Date.parse(b.at)),
    {
      says: `${washDays === undefined ? 'Wash it gently' : `Wash it gently every ${daysInWords(washDays)}`}${topper === undefined ? '' : `, with a topper every ${daysInWords(topper)}`}${booster === undefined ? '' : `; its booster every ${daysInWords(booster)}`}${inspection === undefined ? '' : `; an inspection by the workshop every ${daysInWords(inspection)}`}. Brush tunnels shorten its life.`,
    },
    { says: 'Bird lime, sap, fuel and de-icing salt are wiped off soon, with plenty of water and without rubbing.' },
    ...(films ? [{ says: 'Hold the pressure washer half a metre away from every edge of the film.' }] : []),
  ];
}

/** What the workshop grants on what was laid, product by product; null where it grants nothing. */
function warrantyOf(
  { warranty }: Job,
  standing: readonly StandingSurface[],
  panels: Passport['panels'],
  inspectionDays: number,
): Passport['warranty'] {
  const covers = warrantyLines({ warranty }, standing).flatMap(({ name: product, grantedMonths }) => {
    const laid = panels.flatMap(({ name, layers }) =>
      layers.filter((layer) => layer.product === product).map((layer) => ({ name, layer })),
    );
    const from = latest(laid.map(({ layer }) => layer.endAt));
    if (grantedMonths === undefined || from === undefined) return [];
    return [
      {
        product,
        months: grantedMonths,
        from,
        batches: [...new Set(laid.flatMap(({ layer }) => layer.batches))],
        panels: laid.map(({ name }) => name),
      },
    ];
  });
  if (!warranty || covers.length === 0) return null;
  const from = latest(covers.map((cover) => cover.from))!;
  const months = Math.max(...covers.map((cover) => cover.months));
  return {
    covers,
    inspections: inspectionsDueMs({ fromMs: Date.parse(from), months, everyDays: inspectionDays }).map((dueMs) =>
      instantAfter(from, (dueMs - Date.parse(from)) / MS_PER_MIN),
    ),
    conditions: [...warranty.conditions],
    ...(warranty.number !== undefined && { number: warranty.number }),
    ...(warranty.registeredOn !== undefined && { registeredOn: warranty.registeredOn }),
  };
}
