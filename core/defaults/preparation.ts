import { STEP_KIND_IDS, STEP_KINDS } from '../prepare/steps/steps';
import { CARE_WHEELS } from '../prepare/stages/cleaning';
import { SETTLES_MIN } from '../prepare/stages/closing';
import { GOES_FROM, STAYS_BELOW } from '../prepare/stages/fates';
import { FILLED_CHIP_SHARE } from '../prepare/stages/panel';
import { USUAL_WEIGHS } from '../prepare/stages/marks-gone';
import { JACKING_MIN, padFactor } from '../prepare/stages/pace';
import { FACTORY_THIN_UM } from '../prepare/stages/sanding';
import { HAZE_LEFT_PCT } from '../prepare/stages/test-ladder';
import { ROTARY_FACTOR } from '../prepare/stages/to-step';
import { type DefaultGroup, figure } from './group';

const WAITS = [
  ['driesMin', 'dries'],
  ['dwellMin', 'dwells'],
  ['curesMin', 'cures'],
] as const;

export const PREPARATION_DEFAULTS: readonly DefaultGroup[] = [
  {
    name: 'Waiting in preparation',
    why: 'What a cleaner needs to work, and how long something stays wet or soft, while other work goes on.',
    overriddenBy: 'the cleaner’s own dwell on the preparation shelf',
    defaults: STEP_KIND_IDS.flatMap((id) =>
      WAITS.flatMap(([key, verb]) => {
        const { name, [key]: minutes } = STEP_KINDS[id];
        return minutes === undefined ? [] : [figure(`${name}: ${verb}`, minutes, 'min')];
      }),
    ),
  },
  {
    name: 'Particulars of preparation',
    why: 'What the trade reckons with for machines, wheels and thin paint.',
    overriddenBy: 'a test spot on the paint, finished stages, working methods',
    defaults: [
      figure('Wheels before a care visit’s coat, of their usual time ×', CARE_WHEELS),
      figure('Panel wiped again after', SETTLES_MIN, 'min'),
      figure('The trade’s share of marks gone weighs as much as marks of one’s own', USUAL_WEIGHS),
      figure('A mark goes from', 100 * GOES_FROM, '%'),
      figure('A mark stays below', 100 * STAYS_BELOW, '%'),
      figure('A filled chip is eased by', 100 * FILLED_CHIP_SHARE, '%'),
      figure('A wheel jacked, on its stand and down again', JACKING_MIN, 'min'),
      figure('Sanding needs clear coat of', FACTORY_THIN_UM, 'µm'),
      figure('Haze that wants a refining step', HAZE_LEFT_PCT, '%'),
      figure('Rotary with wool: cutting ×', ROTARY_FACTOR),
      figure('Pad on its leading edge: cutting ×', padFactor('cutting', 'raised')),
      figure('Pad on its leading edge: refining ×', padFactor('refining', 'raised')),
    ],
  },
];
