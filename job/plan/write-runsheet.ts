import { layOut } from '#core/lay/run-sheet';
import { type Job, RUNSHEET_FORMAT, type RunsheetFile } from '#formats/job';
import { instantAfter } from '#formats/values';
import { planInput } from './plan-input';

/** Lays a job out action by action and writes that in the open format, at the offset of the job's start. */
export function runsheetFile(job: Job): RunsheetFile {
  const at = (minutes: number) => instantAfter(job.startAt, minutes);
  const moment = (minutes: number | null) => (minutes === null ? null : at(minutes));
  const { people, actions, busyMin, endMin, boundMin, refused, unlaid, plan } = layOut(planInput(job));
  const { waterSafeMin, handoverMin, meetsNeed, findings } = plan;
  return {
    format: RUNSHEET_FORMAT,
    actions: actions.map((action) => {
      const { who, does, coat, copy, section, sections, areaM2, amount, startMin, endMin: to, ages } = action;
      return {
        who: people[who]!.id,
        does,
        surface: coat.surface.id,
        layer: coat.layer,
        coat: coat.coat,
        copy,
        section,
        sections,
        areaM2,
        ...(amount !== undefined && { amount }),
        from: at(startMin),
        to: at(to),
        ...(ages && { ageFromMin: ages[0], ageToMin: ages[1] }),
      };
    }),
    busyMin: Object.fromEntries(people.map(({ id }, who) => [id, busyMin[who]!])),
    endAt: actions.length === 0 ? null : at(endMin),
    boundMin,
    ready: {
      waterSafe: moment(waterSafeMin),
      handover: moment(handoverMin),
      ...(meetsNeed !== undefined && { meetsNeed }),
    },
    refused: refused.map(({ coat, code }) => ({ surface: coat.surface.id, layer: coat.layer, coat: coat.coat, code })),
    ...(unlaid.length > 0 && {
      unlaid: unlaid.map(({ surface, layer, coat }) => ({ surface: surface.id, layer, coat })),
    }),
    findings: [...findings],
  };
}
