import type { PrepareSettings, PrepStep } from './panel-case';
import { siteOf } from './site';

/**
 * Dwells of what is sprayed on, counted as the panels are reached: one for all of a stage in the shade; in the sun, where it
 * dries, one for as many panels as are sprayed within it, rinsed before the next are begun.
 */
export function dwellGroups(settings: Pick<PrepareSettings, 'site' | 'move' | 'schools'>) {
  let key = '';
  let sprayedMin = 0;
  let dwellingMin = 0;
  return {
    /** Minutes by which a step lengthens the dwells so far. */
    dwellsMoreMin({
      kind,
      round,
      minutes,
      dwellMin = 0,
    }: Pick<PrepStep, 'kind' | 'round' | 'minutes' | 'dwellMin'>): number {
      const stage = `${kind}/${round}`;
      const fits = siteOf(kind, settings).shade || sprayedMin + minutes <= dwellMin;
      if (stage !== key || !fits) {
        key = stage;
        sprayedMin = minutes;
        dwellingMin = dwellMin;
        return dwellMin;
      }
      sprayedMin += minutes;
      const more = Math.max(0, dwellMin - dwellingMin);
      dwellingMin += more;
      return more;
    },
  };
}
