/** `npm run bench`: the plan of a large job against a plain baseline, in the same run, as ratios. */
import { cheapestAlone, type ChoiceSurface, choose, optionsFor, solveWith, USUAL_WISHES } from '#core/choose/stacks';
import { type Point, polygonAreaM2, shapeAreaM2 } from '#core/item/geometry';
import { arrange, claims, snap, templateById } from '#core/item/nets';
import { bayAmbient } from '#core/time/air';
import { planOneByOne, type PlanInput, type InputSurface } from '#core/plan/job';
import {
  FULL_SITE,
  type PanelCase,
  prepareItem,
  type PrepareSettings,
  USUAL_SCHOOLS,
  workingDay,
} from '#core/prepare/stages';
import { CREW_ROLES } from '#core/plan/crew';
import { layOut } from '#core/lay/run-sheet';
import { DEFAULT_PACE } from '#core/plan/sections';
import { kitOf, readProduct } from '#formats/shelf';
import { demoKit } from '../demo/kit';
import { DEMO_SHELF } from '../demo/shelf';
import highsLoader from 'highs';
import { benchBay } from './bay';
import { benchCalendar } from './calendar';
import { benchNest } from './nest';
import { benchSections, benchStock } from './stock';
import { benchTime } from './time';
import { benchWorkshop } from './workshop';

const ROUNDS = 60;
const OUT_ROUNDS = 15;
const SURFACES = 60;
const PANELS_ON_SHEET = 120;
const FRAME_MS = 1000 / 60;

/** 60 surfaces of three layers each, in a bay that cools at night. */
function largeJob(): PlanInput {
  const hatchback = templateById('hatchback')!;
  const { panels } = hatchback.unfold(hatchback.usual);
  const [primer, base, top] = ['slack-water', 'ledger-base', 'ledger-top'];
  const surfaces = Array.from({ length: SURFACES }, (_, index): InputSurface => {
    const panel = panels[index % panels.length]!;
    return {
      id: `${panel.id}-${index}`,
      name: panel.name,
      substrate: 'clear-gloss',
      shape: { kind: 'polygon', pointsMm: panel.outlineMm },
      count: 1,
      curvature: panel.curvature,
      onePiece: false,
      existing: [],
      readingsUm: [110, 115, 112],
      paint: 'factory',
      layers: [primer, base, top].map((product) => ({ product: product, coats: 1, method: 'small-block' })),
      measuredBy: 'template',
    };
  });
  const climate = { openC: 20, openRhPct: 50, nightC: 9, opensAtHour: 8, closesAtHour: 18, tauMin: 120 };
  return {
    surfaces,
    products: DEMO_SHELF.map(readProduct).map((product) => ({ ...product, over: [...product.over, 'ceramic'] })),
    ambient: bayAmbient(climate, 8 * 60, 8),
    crew: { mode: 'solo', ...DEFAULT_PACE, guardSigma: 1.2816 },
    matteSchool: 'fixed-early',
  };
}

/** The plain way: area times coverage, one sheet time for every window, no air, no order, no packs. */
function byTheSheet({ surfaces, products }: PlanInput): number {
  let units = 0;
  for (const surface of surfaces) {
    for (const layer of surface.layers) {
      const product = products.find(({ id }) => id === layer.product)!;
      units += shapeAreaM2(surface.shape) * surface.curvature * product.coveragePerM2 * layer.coats;
    }
  }
  return units;
}

/** Median milliseconds of one call. */
function medianMs(call: () => unknown, rounds = ROUNDS): number {
  for (let warm = 0; warm < Math.min(10, rounds); warm++) call();
  const times = Array.from({ length: rounds }, () => {
    const start = performance.now();
    call();
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[rounds >> 1]!;
}

/** Unfolds a template at a new size each time and measures every panel of it. */
function stretchAndMeasure(): number {
  const template = templateById('estate')!;
  const { usual } = template;
  const { panels } = template.unfold({ ...usual, lengthMm: usual.lengthMm! + Math.random() * 100 });
  return panels.reduce((sum, { outlineMm, curvature }) => sum + polygonAreaM2(outlineMm) * curvature, 0);
}

/** A sheet of 120 panels, as a large item cut into pieces is. */
function largeSheet() {
  const template = templateById('estate')!;
  const { panels } = template.unfold(template.usual);
  return Array.from({ length: PANELS_ON_SHEET }, (_, index) => {
    const panel = panels[index % panels.length]!;
    const aside = 6000 * Math.floor(index / panels.length);
    const outline = panel.outlineMm.map(([x, y]): Point => [x + aside, y]);
    return { id: `${panel.id}-${index}`, substrate: panel.substrate, outline };
  });
}

const job = largeJob();
const plan = planOneByOne(job);
const laid = plan.surfaces.flatMap(({ coats }) => coats).filter((coat) => coat.laid).length;
const baseline = medianMs(() => byTheSheet(job));
const whole = medianMs(() => planOneByOne(job));
console.log(`plan of ${SURFACES} surfaces x 3 layers: ${laid} coats laid`);
console.log(`  by the sheet alone (baseline)  ${baseline.toFixed(3)} ms`);
console.log(
  `  the whole plan                 ${whole.toFixed(3)} ms, ${(whole / baseline).toFixed(0)} times the baseline`,
);
console.log(`  bar: 50 ms, ${((100 * whole) / 50).toFixed(0)} % of it used`);

/** The same job action by action: three coats of every panel, three people who come and go. */
const crewed: PlanInput = {
  ...job,
  crew: {
    ...job.crew,
    people: ['first', 'second', 'third'].map((id) => ({ id, ...DEFAULT_PACE, does: CREW_ROLES })),
  },
};
const outMs = medianMs(() => layOut(crewed), OUT_ROUNDS);
const { endMin, boundMin } = layOut(crewed);
console.log(`run sheet of ${SURFACES} surfaces x 3 layers, three people`);
console.log(`  one section after the other (baseline) ${whole.toFixed(3)} ms`);
console.log(
  `  laid out action by action             ${outMs.toFixed(1)} ms, ${(outMs / whole).toFixed(0)} times the baseline`,
);
console.log(`  ${Math.round(endMin)} min, ${((100 * endMin) / boundMin).toFixed(1)} % of what nobody could beat`);
console.log(`  bar: 150 ms, ${((100 * outMs) / 150).toFixed(0)} % of it used`);

const { panels: measured } = templateById('estate')!.unfold(templateById('estate')!.usual);
const measureOnly = medianMs(() => measured.reduce((sum, { outlineMm }) => sum + polygonAreaM2(outlineMm), 0));
const stretched = medianMs(stretchAndMeasure);
console.log('template stretched and measured again');
console.log(`  its panels measured alone (baseline)  ${measureOnly.toFixed(3)} ms`);
console.log(
  `  unfolded anew and measured            ${stretched.toFixed(3)} ms, ${(stretched / measureOnly).toFixed(0)} times the baseline`,
);
console.log(`  bar: 5 ms, ${((100 * stretched) / 5).toFixed(0)} % of it used`);

/** A full correction of 60 marked panels. */
const panels = Array.from({ length: SURFACES }, (_, index): PanelCase => ({
  id: `p${index}`,
  substrate: 'clear-gloss',
  areaM2: 0.5 + (index % 5) / 4,
  edgeM: 4,
  count: 1,
  curvature: 1.05,
  marks: [
    { id: `s${index}`, kind: 'swirls', severity: 'medium' },
    { id: `d${index}`, kind: 'deep-scratch', severity: 'heavy' },
  ],
  paint: 'factory',
  clearUm: 40 + (index % 9),
  existing: [],
  touch: 'rough',
  toCome: ['ceramic-base', 'ceramic-top'],
  removalsUm: 2,
}));
const preparing: PrepareSettings = {
  level: 'full',
  schools: USUAL_SCHOOLS,
  site: FULL_SITE,
  leftOut: new Set(),
  kit: kitOf(demoKit('2027-03-02T10:40:00+01:00')),
};
const rates = medianMs(() => panels.reduce((sum, { areaM2 }) => sum + 40 * areaM2, 0));
const preparedMs = medianMs(() => workingDay(prepareItem(panels, preparing), panels, preparing));
console.log(`preparation of ${SURFACES} panels`);
console.log(`  area times one rate (baseline)        ${rates.toFixed(4)} ms`);
console.log(
  `  every step, tool, ledger and the day  ${preparedMs.toFixed(3)} ms, ${(preparedMs / rates).toFixed(0)} times the baseline`,
);
console.log(`  bar: 30 ms, ${((100 * preparedMs) / 30).toFixed(0)} % of it used`);

const sheet = largeSheet();
const surfaces = sheet.map(({ id, substrate, outline }) => ({
  id,
  substrate,
  shape: { kind: 'polygon' as const, pointsMm: outline },
  count: 1,
  measuredBy: 'template' as const,
  onSheet: true,
}));
/** What one corner being moved costs: the sheet laid anew, the corner snapped, and who claims what found. */
function moveCorner(): unknown {
  const outlines = arrange({ surfaces }).panels.map(({ outline }) => outline);
  const snapped = snap([4000 + Math.random() * 100, 900], { outlines, reachMm: 60 });
  return [snapped, claims(sheet)];
}
const laying = medianMs(() => arrange({ surfaces }));
const moving = medianMs(moveCorner);
console.log(`a corner moved on a sheet of ${PANELS_ON_SHEET} panels`);
console.log(`  the sheet laid alone (baseline)       ${laying.toFixed(3)} ms`);
console.log(
  `  laid, snapped, claims found           ${moving.toFixed(3)} ms, ${(moving / laying).toFixed(0)} times the baseline`,
);
console.log(`  bar: a frame of ${FRAME_MS.toFixed(1)} ms, ${((100 * moving) / FRAME_MS).toFixed(0)} % of it used`);

/** What to lay on 60 surfaces from 40 products, up to four layers. */
const CHOICE_BAR_MS = 3000;
const CHOICE_ROUNDS = 3;
const shelf = DEMO_SHELF.map(readProduct);
const toChoose = largeJob().surfaces.map(({ id, shape, curvature }, index): ChoiceSurface => {
  const { panels: unfolded } = templateById('hatchback')!.unfold(templateById('hatchback')!.usual);
  const { substrate, zone } = unfolded[index % unfolded.length]!;
  return { id, substrate, areaM2: shapeAreaM2(shape) * curvature, existing: [], hit: zone === 'front' };
});
const solve = solveWith(await highsLoader());
const once = (call: () => unknown) => {
  const start = performance.now();
  call();
  return performance.now() - start;
};
const middle = (call: () => unknown) =>
  Array.from({ length: CHOICE_ROUNDS }, () => once(call)).sort((a, b) => a - b)[CHOICE_ROUNDS >> 1]!;
let found: ReturnType<typeof choose>;
const chosenMs = middle(() => {
  found = choose(optionsFor(toChoose, shelf, USUAL_WISHES), shelf, USUAL_WISHES, solve);
});
const aloneMs = middle(() => cheapestAlone(optionsFor(toChoose, shelf, USUAL_WISHES), shelf, USUAL_WISHES));
const alone = cheapestAlone(optionsFor(toChoose, shelf, USUAL_WISHES), shelf, USUAL_WISHES);
console.log(`choice for ${toChoose.length} surfaces from ${shelf.length} products`);
console.log(
  `  each panel its cheapest (baseline)    ${aloneMs.toFixed(0)} ms, ${(alone.keptMoney / 100).toFixed(2)} in all`,
);
console.log(
  `  the joint choice                      ${chosenMs.toFixed(0)} ms, ${(chosenMs / aloneMs).toFixed(1)} times the baseline; ${(found!.keptMoney / 100).toFixed(2)} in all, ${(100 * (1 - found!.keptMoney / alone.keptMoney)).toFixed(0)} % less, within ${(100 * found!.gap).toFixed(2)} % of the best`,
);
console.log(`  bar: ${CHOICE_BAR_MS} ms, ${((100 * chosenMs) / CHOICE_BAR_MS).toFixed(0)} % of it used`);

benchSections(SURFACES);
benchStock();
benchTime(job);
benchNest();
await benchCalendar();
await benchBay();
await benchWorkshop();
