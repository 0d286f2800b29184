import { preparationMin } from '#core/schedule/hours';
import { firstWashMin } from '#core/care/upkeep';
import { money } from '#formats/values';
import { agreedAndDone } from '#job/handover';
import { hours } from '../ui/hours';
import { m2 } from '../ui/measures';
import { moment } from '../ui/moments';
import { STATION_NAMES } from './station-names';
import type { JobView } from './useJobView';

type Path = (typeof STATION_NAMES)[number][0];
type State = { readonly text: string; readonly tone: 'done' | 'lacks' | 'stop' | 'plain' };

export interface Station {
  readonly path: Path;
  readonly name: string;
  /** Where the job stands here, in a few words: what is known, or what is lacking. */
  readonly state: (job: JobView) => State;
}

const stops = (job: Pick<JobView, 'plan'>, codes: readonly string[]) =>
  new Set(
    job.plan.findings.filter(({ severity, code }) => severity === 'stop' && codes.includes(code)).map((f) => f.surface),
  ).size;

const STATES: Readonly<Record<Path, (job: JobView) => State>> = {
  survey: ({ document, plan }) => {
    const area = plan.surfaces.reduce((sum, { areaM2 }) => sum + areaM2, 0);
    return document.surfaces.length === 0
      ? { text: 'no surfaces yet', tone: 'lacks' }
      : { text: `${document.surfaces.length} surfaces, ${m2(area)}`, tone: 'done' };
  },
  prepare: ({ document, prepared }) => {
    if (document.surfaces.length === 0) return { text: 'nothing to prepare yet', tone: 'lacks' };
    const { panels } = prepared.preparation;
    const minutes = preparationMin(prepared.preparation.minutes);
    const milder = panels.filter(({ level }) => level.why !== undefined).length;
    return milder > 0
      ? { text: `${hours(minutes)}, less on ${milder}`, tone: 'plain' }
      : { text: hours(minutes), tone: 'done' };
  },
  layer: (job) => {
    const bare = job.document.surfaces.filter(({ layers }) => layers.length === 0).length;
    const refused = stops(job, ['not-allowed', 'bond', 'fresh-paint']);
    if (refused > 0) return { text: `${refused} refused`, tone: 'stop' };
    const notReady = new Set(job.unready.map(({ surface }) => surface)).size;
    if (notReady > 0) return { text: `${notReady} not clean`, tone: 'stop' };
    if (job.document.surfaces.length === bare) return { text: 'nothing chosen yet', tone: 'lacks' };
    return bare > 0 ? { text: `${bare} stay bare`, tone: 'plain' } : { text: 'every panel chosen', tone: 'done' };
  },
  quantify: ({ plan, document, sheet }) => {
    if (plan.purchases.length === 0) return { text: 'nothing to lay yet', tone: 'lacks' };
    if (!sheet.current) return { text: 'all of it laid', tone: 'done' };
    const cost = plan.purchases.reduce((sum, purchase) => sum + purchase.cost, 0);
    return cost === 0
      ? { text: 'all in stock', tone: 'done' }
      : { text: `to buy: ${money(cost, document.currency)}`, tone: 'plain' };
  },
  time: (job) => {
    const { plan, days } = job;
    const bad = stops(job, [
      'condensation',
      'window-closed',
      'too-large-solo',
      'too-large-pair',
      'never-cures',
      'recoat-window',
    ]);
    if (bad > 0) return { text: `${bad} will not work`, tone: 'stop' };
    if (plan.purchases.length === 0) return { text: 'nothing to time yet', tone: 'lacks' };
    if (plan.handoverMin === null) return { text: 'never ready in this air', tone: 'stop' };
    if (days.readyMin === null) return { text: 'no working time left', tone: 'stop' };
    const text = `ready ${moment(job.at(days.readyMin))}`;
    return (days.spareMin ?? 0) < 0 ? { text: `late: ${text}`, tone: 'stop' } : { text, tone: 'done' };
  },
  run: ({ sheet, begun }) => {
    const done = sheet.patches.filter(({ state }) => state === 'done').length;
    if (sheet.patches.length === 0) return { text: 'nothing to lay yet', tone: 'lacks' };
    if (!begun)
      return {
        text: sheet.patches.length === 1 ? '1 patch to lay' : `${sheet.patches.length} patches to lay`,
        tone: 'plain',
      };
    return {
      text: `${done} of ${sheet.patches.length} patches`,
      tone: done === sheet.patches.length ? 'done' : 'plain',
    };
  },
  check: ({ laid, record }) => {
    if (laid.size === 0) return { text: 'nothing laid yet', tone: 'lacks' };
    const open = [...record.faults.values()].filter(({ remedy }) => remedy === undefined).length;
    if (open > 0) return { text: open === 1 ? '1 fault open' : `${open} faults open`, tone: 'stop' };
    return record.looks.size === 0
      ? { text: 'not looked at yet', tone: 'plain' }
      : { text: record.faults.size === 0 ? 'nothing found so far' : 'all found is mended', tone: 'plain' };
  },
  'hand-over': ({ laid, document, record, standing }) => {
    if (laid.size === 0) return { text: 'nothing laid yet', tone: 'lacks' };
    const open = agreedAndDone(document, record, standing).filter(
      ({ state }) => state === 'lacking' || state === 'in-part',
    ).length;
    return open > 0 ? { text: `${open} not as agreed`, tone: 'plain' } : { text: 'as agreed', tone: 'done' };
  },
  care: (job) => {
    if (!job.standing.some(({ layers }) => layers.length > 0)) return { text: 'nothing laid yet', tone: 'lacks' };
    const wash = firstWashMin(job.standing);
    return wash === null
      ? { text: 'not cured yet', tone: 'plain' }
      : { text: `first wash ${moment(job.at(wash))}`, tone: 'plain' };
  },
};

/** The order of work. Any station can be opened; each says what it lacks. */
export const STATIONS: readonly Station[] = STATION_NAMES.map(([path, name]) => ({ path, name, state: STATES[path] }));
