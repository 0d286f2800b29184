import { USUAL_FULL_CURE_DAYS } from '../care/upkeep/curing';
import { HOTTEST_C, SHADED_C, SUNNY_SHARE, TONE_C, WINTER_SUN_C } from '../layers/life/exposure';
import { SACRIFICED_SHARE } from '../layers/life/life';
import { NAMED_CHANCE, REMOVAL_METHOD_IDS, REMOVAL_METHODS } from '../products/removal-methods/methods';
import { USUAL_ROUND_TO_MONEY, USUAL_VALID_DAYS } from '../choose/offers/offers';
import { HIT_LIFE_FACTOR } from '../choose/stacks/value';
import { CONCERN_WORTH_MIN } from '../choose/stacks/wishes';
import { type DefaultGroup, figure } from './group';

export const AFTER_DEFAULTS: readonly DefaultGroup[] = [
  {
    name: 'Heat and wear',
    why: 'How hot a panel gets on the worst day of its year decides whether a wax melts; what stones hit wears sooner.',
    overriddenBy: 'how the customer parks, the climate, the colour',
    defaults: [
      ...Object.entries(HOTTEST_C).map(([climate, value]) =>
        figure(`In the sun, ${climate.replace('-', ' ')} climate`, value, '°C'),
      ),
      ...Object.entries(WINTER_SUN_C).map(([climate, value]) =>
        figure(`In midwinter sun, climate ${climate}`, value, '°C'),
      ),
      figure('Days that are sunny', SUNNY_SHARE),
      figure('In the shade', SHADED_C, '°C'),
      ...Object.entries(TONE_C).map(([tone, value]) => figure(`${tone} paint, against mid`, value, 'K')),
      figure('Panels that stones hit: life ×', HIT_LIFE_FACTOR),
      figure('A sacrificial top adds of its own life', SACRIFICED_SHARE),
      figure('Fully hard where the sheet does not say', USUAL_FULL_CURE_DAYS, 'days'),
    ],
  },
  {
    name: 'Removal',
    why: 'Minutes for each square metre, mildest first; what a data sheet itself names is expected to work.',
    overriddenBy: 'the product’s data sheet, test patches, finished removals',
    defaults: [
      ...REMOVAL_METHOD_IDS.map((id) => figure(REMOVAL_METHODS[id].name, REMOVAL_METHODS[id].minPerM2, 'min/m²')),
      figure('A method the sheet names works with a chance of', NAMED_CHANCE),
    ],
  },
  {
    name: 'Choosing',
    why: 'What a step of look, ease or skill is weighed with where stacks are compared.',
    overriddenBy: 'the wishes under Layer',
    defaults: [figure('A step of a concern is worth', CONCERN_WORTH_MIN, 'min/m²')],
  },
  {
    name: 'Offers',
    why: 'Prices are asked in round figures, and hold as long as material costs what it did.',
    overriddenBy: 'the offer itself, under Layer',
    defaults: [
      figure('A total is a multiple of, in the smallest unit of the currency', USUAL_ROUND_TO_MONEY),
      figure('Valid for', USUAL_VALID_DAYS, 'days'),
    ],
  },
];
