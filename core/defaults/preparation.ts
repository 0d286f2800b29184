import { STEP_KIND_IDS, STEP_KINDS } from '../work/steps/steps';
import { CARE_WHEELS } from '../work/prepare/cleaning';
import { SETTLES_MIN } from '../work/prepare/closing';
import { USUAL_WEIGHS } from '../work/prepare/marks-gone';
import { JACKING_MIN, padFactor } from '../work/prepare/pace';
import { FACTORY_THIN_UM } from '../work/prepare/sanding';
import { HAZE_LEFT_PCT } from '../work/prepare/test-ladder';
import { ROTARY_FACTOR } from '../work/prepare/to-step';
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
      figure('A wheel jacked, on its stand and down again', JACKING_MIN, 'min'),
      figure('Sanding needs clear coat of', FACTORY_THIN_UM, 'µm'),
      figure('Haze that wants a refining step', HAZE_LEFT_PCT, '%'),
      figure('Rotary with wool: cutting ×', ROTARY_FACTOR),
      figure('Pad on its leading edge: cutting ×', padFactor('cutting', 'raised')),
      figure('Pad on its leading edge: refining ×', padFactor('refining', 'raised')),
    ],
  },
];
