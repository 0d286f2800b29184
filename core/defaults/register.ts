/**
 * Every engineering default in one place: what it is, why it is so, and what takes its place. The figures stand in
 * the models that compute with them; this reads them there, past their doors, so that the page cannot say something
 * else. A test reads every declaration of the core that calls itself an engineering default and looks for it here.
 */
import { GRACE_DAYS, USUAL_CARE_DAYS } from '#core/care/upkeep';
import {
  CIRCUMSTANCE_IDS,
  CIRCUMSTANCES,
  ENOUGH_ITEMS,
  LABORATORY_FACTOR,
  LIFE_SIGMA,
  MELTED_SHARE,
  RATING_SIGMA,
  READING_DEG,
  RUBBISH_CHANCE,
  USUAL_WATER,
} from '#core/layers/life';
import { AREA_SIGMA } from '#core/item/geometry';
import { TONES } from '#core/survey/condition';
import { PIECE_IDS, PIECES } from '#core/item/make';
import { CLEAR_RESERVE_UM, FILLER_UM, HARDNESS, OUTLYING_Z, REFINISHED_UM, THIN_UM } from '#core/survey/paint';
import { SUBSTRATE_IDS, SUBSTRATES } from '#core/item/substrates';
import { TENTH_SIGMAS } from '#core/measures';
import { FAMILIES, FAMILY_IDS } from '#core/products/families';
import { METHOD_IDS, METHODS } from '#core/products/methods';
import { COOLING_TAU_MIN, DEW_MARGIN_K, WARM_UP_TAU_MIN } from '#core/time/air';
import {
  AIR_SPEED_EXPONENT,
  CLOSED_WINDOW_MIN,
  DEFAULT_E_KJ,
  DEFAULT_MOISTURE_ORDER,
  LARGEST_GUARD_SHARE,
  MECHANISMS,
  NARROW_WINDOW_MIN,
  NATURAL_CONVECTION,
  REFERENCE_AIR,
} from '#core/time/clocks';
import { SUN_GAIN_K } from '#core/lay/go';
import { FLASH_LEARNING, PACE_LEARNING } from '#core/measures/learning';
import { ADDED_MIN } from '#core/schedule/hours';
import { CUTTING_BY_HARDNESS, HOURS_LEARNING, REFINING_BY_HARDNESS, USE_LEARNING } from '#core/prepare/stages';
import { COATING_TOWEL_M2, DROP_ML, GLOVES_MIN, SEAM_OVERLAP_M, TRIGGER_PULL_ML } from '#core/products/quantity';
import { DEFAULT_PACE } from '#core/plan/sections';
import { STEP_KIND_IDS, STEP_KINDS } from '#core/prepare/steps';
import { GELCOAT_RESERVE_UM, SINGLE_STAGE_RESERVE_UM, USUAL_GELCOAT_UM } from '../survey/paint/readings';
import { AFTER_DEFAULTS } from './after';
import { BAY_DEFAULTS } from './bay';
import { FILM_DEFAULTS } from './film';
import { type DefaultGroup, figure } from './group';
import { PREPARATION_DEFAULTS } from './preparation';

const NO_FACTORS = { coverage: 1, levelFrom: 1, levelBy: 1, cue: 1 };

export const DEFAULT_GROUPS: readonly DefaultGroup[] = [
  {
    name: 'Size',
    why: 'One sigma of an area, as a share of it: a template is stretched to four lengths, a tape reads each, a trace follows a picture.',
    overriddenBy: 'measuring the surface in another way',
    defaults: [
      figure('By template', AREA_SIGMA.template),
      figure('By tape', AREA_SIGMA.tape),
      figure('Traced over a scaled picture', AREA_SIGMA.trace),
      figure('Sigmas to the 10 % and 90 % that are shown', TENTH_SIGMAS),
    ],
  },
  {
    name: 'Paint thickness',
    why: 'Bounds the trade reads a gauge by; the clear that stays on for good protects the colour from the sun.',
    overriddenBy: 'clear told or measured at the panel, the reserve under Prepare',
    defaults: [
      figure('Thin under', THIN_UM, 'µm'),
      figure('Refinished over', REFINISHED_UM, 'µm'),
      figure('Filler over', FILLER_UM, 'µm'),
      figure('Out of line beyond, in robust deviations', OUTLYING_Z),
      figure('Clear that stays whatever is done', CLEAR_RESERVE_UM, 'µm'),
      figure('Single-stage paint that stays', SINGLE_STAGE_RESERVE_UM, 'µm'),
      figure('Gelcoat that stays', GELCOAT_RESERVE_UM, 'µm'),
      figure('Gelcoat where nobody has measured it', USUAL_GELCOAT_UM, 'µm'),
    ],
  },
  {
    name: 'Air',
    why: 'Three kelvin over the dew point is the usual convention of coating inspection; cold items warm up by their construction.',
    overriddenBy: 'the surface as it was measured',
    defaults: [
      figure('Surface above the dew point', DEW_MARGIN_K, 'K'),
      figure('A bay without heating cools with a time constant of', COOLING_TAU_MIN, 'min'),
      figure('Glass warms with a time constant of', WARM_UP_TAU_MIN.glass, 'min'),
      figure('Thin sheet metal', WARM_UP_TAU_MIN['thin-metal'], 'min'),
      figure('Thick composite, a hull', WARM_UP_TAU_MIN['thick-composite'], 'min'),
      ...TONES.map((tone) => figure(`In the midday sun over its air, ${tone} paint`, SUN_GAIN_K[tone], 'K')),
    ],
  },
  {
    name: 'Clocks',
    why: 'Activation energies by what drives a clock (Arrhenius); evaporation grows with moving air as over a flat plate in turbulent flow.',
    overriddenBy: 'the clock on the product’s sheet',
    defaults: [
      ...MECHANISMS.filter((id) => DEFAULT_E_KJ[id] > 0).map((id) =>
        figure(`Activation energy, ${id}`, DEFAULT_E_KJ[id], 'kJ/mol'),
      ),
      figure('Order of a moisture cure in the vapour pressure', DEFAULT_MOISTURE_ORDER),
      figure('Exponent of air speed', AIR_SPEED_EXPONENT),
      figure('Still air moves by its own convection', NATURAL_CONVECTION, 'm/s'),
      figure('Sheets are written for air of', REFERENCE_AIR.refC, '°C'),
      figure('and a humidity of', REFERENCE_AIR.refRh, '%'),
    ],
  },
  {
    name: 'Windows',
    why: 'A tenth on either side is kept away from, but never so much that nothing is left.',
    overriddenBy: 'the guard of the crew under Time',
    defaults: [
      figure('A guard eats at most, from either side', LARGEST_GUARD_SHARE),
      figure('Narrow under', NARROW_WINDOW_MIN, 'min'),
      figure('Closed under', CLOSED_WINDOW_MIN, 'min'),
    ],
  },
  {
    name: 'Pace',
    why: 'An unhurried person with a small block; a mitt is about twice as fast and uses more, a machine lays thin.',
    overriddenBy: 'the crew under Time, the product’s own pace, the method of a layer',
    defaults: [
      figure('Lays', DEFAULT_PACE.layM2PerMin, 'm²/min'),
      figure('Levels', DEFAULT_PACE.levelM2PerMin, 'm²/min'),
      ...METHOD_IDS.flatMap((id) => [
        figure(`${METHODS[id].name}: pace ×`, METHODS[id].pace),
        figure(`${METHODS[id].name}: product ×`, METHODS[id].amount),
      ]),
    ],
  },
  {
    name: 'Besides the work itself',
    why: 'Towels, lamps and trolley are brought and put away; a bottle is shaken and read; a towel is changed each section.',
    overriddenBy: 'nothing yet but what runs teach',
    defaults: [
      figure('Set-up, once a job', ADDED_MIN.setUp, 'min'),
      figure('Set-up, once a product', ADDED_MIN.product, 'min'),
      figure('Towels, each section', ADDED_MIN.section, 'min'),
      figure('Packing up', ADDED_MIN.packUp, 'min'),
      figure('A day of preparation', ADDED_MIN.preparationDay, 'min'),
    ],
  },
  {
    name: 'Surfaces',
    why: 'Porous and rough surfaces take more product, smooth ones less; film is slower to flash, matte is levelled early.',
    overriddenBy: 'the factors of the product’s sheet for that surface',
    defaults: SUBSTRATE_IDS.flatMap((id) => {
      const { name, factors } = SUBSTRATES[id];
      const { coverage, levelBy } = { ...NO_FACTORS, ...factors };
      return [
        ...(coverage === 1 ? [] : [figure(`${name}: product ×`, coverage)]),
        ...(levelBy === 1 ? [] : [figure(`${name}: level by ×`, levelBy)]),
      ];
    }),
  },
  {
    name: 'Quantities',
    why: 'A dropper’s drop, a trigger’s pull; towels and gloves as the trade lays them out.',
    overriddenBy: 'the product’s sheet',
    defaults: [
      figure('A drop', DROP_ML, 'ml'),
      figure('A pull of the trigger', TRIGGER_PULL_ML, 'ml'),
      figure('Sections overlap by', SEAM_OVERLAP_M, 'm'),
      figure('A coating towel of each role serves, a coat', COATING_TOWEL_M2, 'm²'),
      figure('Gloves last a person', GLOVES_MIN, 'min'),
    ],
  },
  {
    name: 'Work of preparation, at medium condition',
    why: 'The trade’s minutes per m², piece or metre until a shop’s own stages have taught better.',
    overriddenBy: 'what finished stages have taught; condition, hardness and shape of the panel',
    defaults: STEP_KIND_IDS.map((id) => {
      const { name, pace } = STEP_KINDS[id];
      return figure(name, pace.min, { area: 'min/m²', piece: 'min each', edge: 'min/m' }[pace.by]);
    }),
  },
  {
    name: 'Hardness under the pad',
    why: 'Hard paint cuts slowly and finishes easily, soft paint the reverse; medium is 1.',
    overriddenBy: 'a test spot on the paint',
    defaults: HARDNESS.filter((grade) => grade !== 'medium').flatMap((grade) => [
      figure(`Cutting, ${grade.replace('-', ' ')} paint`, CUTTING_BY_HARDNESS[grade], ''),
      figure(`Refining, ${grade.replace('-', ' ')} paint`, REFINING_BY_HARDNESS[grade], ''),
    ]),
  },
  {
    name: 'By the piece',
    why: 'What is small and shaped takes its time whatever its area: to coat one, or to polish it once.',
    overriddenBy: 'runs at the bay',
    defaults: PIECE_IDS.map((id) => figure(PIECES[id].name, PIECES[id].min, 'min each')),
  },
  {
    name: 'Learning',
    why: 'How much a first observation is believed (log-sigma before any, and of one); beyond the bound somebody forgot to tap.',
    overriddenBy: 'observations, one by one',
    defaults: (
      [
        ['Flash times', FLASH_LEARNING],
        ['Hours', HOURS_LEARNING],
        ['Product used', USE_LEARNING],
        ['Pace of hands', PACE_LEARNING],
      ] as const
    ).flatMap(([name, { priorSigma, observationSigma, mostRatio }]) => [
      figure(`${name}: before any`, priorSigma),
      figure(`${name}: of one observation`, observationSigma),
      ...(mostRatio === undefined ? [] : [figure(`${name}: one counts at most, ×`, mostRatio)]),
    ]),
  },
  {
    name: 'Life of a layer',
    why: 'A rating is a laboratory’s; how the item lives moves it, each circumstance by its factor, waxes more than coatings.',
    overriddenBy: 'the rating on the sheet; how the owner parks and washes',
    defaults: [
      figure('Outdoors instead of a laboratory ×', LABORATORY_FACTOR),
      figure('Real lives scatter, log-sigma', LIFE_SIGMA),
      figure('A wax serves of its time, if it melted every day', MELTED_SHARE),
      ...CIRCUMSTANCE_IDS.flatMap((id) => {
        const { name, choices } = CIRCUMSTANCES[id];
        return Object.values<{ name: string; factor: number }>(choices)
          .filter(({ factor }) => factor !== 1)
          .map((choice) => figure(`${name}: ${choice.name.toLowerCase()} ×`, choice.factor));
      }),
      ...FAMILY_IDS.map((id) =>
        figure(`Usual life, ${FAMILIES[id].name.toLowerCase()}`, FAMILIES[id].usualLifeMonths, 'months'),
      ),
    ],
  },
  {
    name: 'Care',
    why: 'A wash every few weeks and a topper every few washes are the trade’s habit; drops are read by eye or from a picture, by different people on different days.',
    overriddenBy: 'what was read on the item itself: drops when it was new, and on a panel left bare',
    defaults: [
      figure('Gentle wash every', USUAL_CARE_DAYS.wash, 'days'),
      figure('Topper every', USUAL_CARE_DAYS.topper, 'days'),
      figure('Inspection every', USUAL_CARE_DAYS.inspection, 'days'),
      figure('A yearly look counts either way of its day', GRACE_DAYS, 'days'),
      figure('A drop on a new coat', USUAL_WATER.freshDeg, '°'),
      figure('A drop on bare paint, washed', USUAL_WATER.bareDeg, '°'),
      figure('A drop scatters by who reads it, one sigma', READING_DEG, '°'),
      figure('A reading is of something else', RUBBISH_CHANCE),
      figure('Ratings are off in one climate, log-sigma', RATING_SIGMA),
      figure('Items before anything is said of a product', ENOUGH_ITEMS),
    ],
  },
  ...PREPARATION_DEFAULTS,
  ...FILM_DEFAULTS,
  ...BAY_DEFAULTS,
  ...AFTER_DEFAULTS,
];
