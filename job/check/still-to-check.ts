import { CHECK_LIGHTS, type CheckLight, patchState, type RunRecord, type RunSheet } from '#core/lay/run';
import { LAYING_FAULTS } from '#core/lay/faults';
import type { CheckProgress } from '#core/check/checks';
import { type Job, surfaceName } from '#formats/job';
import { isAircraft } from '#job/plan';
import { closingView } from './closing-view';

const LIGHT_WORDS: Readonly<Record<CheckLight, string>> = {
  'hand-light': 'by hand light',
  overhead: 'under the lights of the bay',
  daylight: 'in daylight',
};
/** More panels, or places of a list, than these are told by their number. */
const MOST_NAMED = 4;

/**
 * What of the final check is still open, in words for whoever signs: panels that were not looked at and by which light,
 * faults nothing was done about, panels not laid as planned, questions not answered. Empty: Check is closed.
 */
export function stillToCheck(
  document: Job,
  record: RunRecord,
  sheet: RunSheet,
  { looks, open }: Pick<CheckProgress, 'looks' | 'open'>,
): string[] {
  const names = new Map(document.surfaces.map((surface) => [surface.id, surfaceName(surface)]));
  const named = (surfaces: Iterable<string>): string => {
    const all = [...new Set(surfaces)].map((id) => names.get(id) ?? id);
    return all.length > MOST_NAMED ? `${all.length} panels` : all.join(', ');
  };
  const { lacking, ticks } = closingView(document, sheet, record);
  const unanswered = ticks.filter(({ answer }) => answer === undefined);
  const wet = [...record.patches.values()].flatMap((patch) =>
    patchState(patch) === 'done' ? [] : [patch.patch.surface],
  );
  const unseen = CHECK_LIGHTS.flatMap((light) => {
    const surfaces = looks[light].flatMap((look) => (look.seen ? [] : look.surfaces));
    return surfaces.length === 0 ? [] : [`Not looked at ${LIGHT_WORDS[light]}: ${named(surfaces)}`];
  });
  return [
    ...(wet.length > 0 ? [`Begun and not levelled: ${named(wet)}`] : []),
    ...(lacking.length > 0 ? [`Not laid as planned: ${named(lacking.map(({ surface }) => surface))}`] : []),
    ...open.map(({ patch, fault }) => `${LAYING_FAULTS[fault].name} left as it is: ${named([patch.surface])}`),
    ...unseen,
    ...(isAircraft(document) && record.releases.length === 0
      ? ['Not signed by a licensed engineer: what was covered is clear again']
      : []),
    ...(unanswered.length > MOST_NAMED
      ? [`${unanswered.length} places of the closing list not answered for`]
      : unanswered.map(({ what }) => `Not answered: ${what}`)),
  ];
}
