import type { Remedy } from '../lay/run/checking';
import { INSTRUMENT_K, WANDERS_K_PER_ROOT_HOUR } from '../time/bay-air/readings';
import { MINUTES } from '../check/checks/remedies';
import { LAMP_CAPS_C, LAMP_IDS, LAMPS } from '../lay/cure/lamp';
import { SUBSTRATE_IDS, SUBSTRATES } from '../item/substrates/substrates';
import { HOTTEST_PANEL_C, NEAR_K, NEAR_RH_PCT } from '../lay/go/go-or-wait';
import { HEATER_TAU_MIN } from '../lay/go/ways';
import { APPLICATOR_MIN, BLADE_M2, DISTILLED_ML_PER_M2, SUEDE_M2 } from '../lay/pick-list/pick-list';
import { MASK_FROM_VOC_G_PER_L } from '#core/products/sheets';
import { USUAL_UNCERTAINTY } from '../schedule/rehearsal/case';
import { USUAL_LOWER_EXPLOSIVE_G_PER_M3 } from '../lay/vapour/vapour';
import { CLEARLY_DEG } from '../survey/water/bead';
import { type DefaultGroup, figure } from './group';

const REMEDY_NAMES: Readonly<Record<Remedy, string>> = {
  're-wet': 'Re-wet and wipe',
  wiped: 'Wipe',
  polished: 'Polish and lay again',
  'laid-again': 'Lay a missed patch',
  pressed: 'Press film down',
  accepted: 'Leave it',
};

export const BAY_DEFAULTS: readonly DefaultGroup[] = [
  {
    name: 'Go or wait',
    why: 'Near a limit of the data sheet one takes care; a heated bay follows its heater with a lag.',
    overriddenBy: 'the limits on the data sheet, readings of the bay',
    defaults: [
      figure('Near a limit of temperature, within', NEAR_K, 'K'),
      figure('Near a limit of humidity, within', NEAR_RH_PCT, '%'),
      figure('Hottest panel where the sheet does not say', HOTTEST_PANEL_C, '°C'),
      figure('A bay follows its heater with a time constant of', HEATER_TAU_MIN, 'min'),
      figure('An instrument is off by', INSTRUMENT_K, 'K'),
      figure('Air wanders from a reading by, times the root of the hours', WANDERS_K_PER_ROOT_HOUR, 'K'),
    ],
  },
  {
    name: 'Spread of a day',
    why: 'How far days, people and products differ from what is expected; log-sigmas, but for the air.',
    overriddenBy: 'nothing yet',
    defaults: [
      figure('The day’s air, one sigma', USUAL_UNCERTAINTY.airK, 'K'),
      figure('Flash of one section', USUAL_UNCERTAINTY.flash),
      figure('A person’s pace that day', USUAL_UNCERTAINTY.pace),
      figure('One action', USUAL_UNCERTAINTY.action),
      figure('Curing', USUAL_UNCERTAINTY.cure),
      figure('Preparation', USUAL_UNCERTAINTY.preparation),
    ],
  },
  {
    name: 'Infrared lamps',
    why: 'What lamps of each build cover, and the surface temperature they hold.',
    overriddenBy: 'the lamps of the workshop; the cap of the surface',
    defaults: LAMP_IDS.flatMap((id) => [
      figure(`${LAMPS[id].name}: covers`, LAMPS[id].coversM2, 'm²'),
      figure(`${LAMPS[id].name}: surface at`, LAMPS[id].targetC, '°C'),
    ]).concat(
      SUBSTRATE_IDS.flatMap((id) => {
        const capC = LAMP_CAPS_C[id];
        return capC === null ? [] : [figure(`Never hotter: ${SUBSTRATES[id].name.toLowerCase()}`, capC, '°C')];
      }),
    ),
  },
  {
    name: 'Consumables and protection at the bay',
    why: 'Blocks stiffen, cloths load and blades go blunt; a mask is worn from a share of solvent on.',
    overriddenBy: 'the product’s safety sheet and data sheet',
    defaults: [
      figure('A block or mitt stiffens after', APPLICATOR_MIN, 'min'),
      figure('A cloth round a block serves', SUEDE_M2, 'm²'),
      figure('Distilled water for a damp wipe', DISTILLED_ML_PER_M2, 'ml/m²'),
      figure('A blade serves', BLADE_M2, 'm² of film'),
      figure('A mask from this much solvent on', MASK_FROM_VOC_G_PER_L, 'g/l'),
      figure('Lower explosive limit where the safety sheet is silent', USUAL_LOWER_EXPLOSIVE_G_PER_M3, 'g/m³'),
    ],
  },
  {
    name: 'Faults and proof',
    why: 'Minutes at one patch, without waiting; a wash alone moves the angle of a drop by less than this.',
    overriddenBy: 'nothing yet',
    defaults: [
      ...(Object.keys(REMEDY_NAMES) as Remedy[])
        .filter((how) => MINUTES[how] > 0)
        .map((how) => figure(REMEDY_NAMES[how], MINUTES[how], 'min')),
      figure('A coat shows by its drops from this much over bare paint', CLEARLY_DEG, '°'),
    ],
  },
];
