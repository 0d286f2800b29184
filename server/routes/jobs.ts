import type { JOB_ROUTES } from '#formats/api';
import { netDxf, netSvg, surfacesCsv } from '#formats/drawings';
import { firstPlanFile, planFile } from '#job/plan';
import { compareMethods } from '#job/pick';
import type { Handlers } from '../http/call';
import type { Services } from '../services';

const papers = () => import('../documents');

const PLAN_WRITERS = { '1': firstPlanFile, '2': planFile };

export function jobHandlers(services: Services): Handlers<typeof JOB_ROUTES> {
  const { jobs, items, photos, quotes, runLog, summaries, workings, supply, now } = services;
  return {
    jobsOfTheDay: () => summaries.list(),
    jobs: ({ query }) => summaries.found(query.find, query.from),
    job: ({ params }) => jobs.get(params.id),
    saveJob: ({ params, version, body }) =>
      version === 0 ? jobs.add({ id: params.id, ...body }) : jobs.update(params.id, version, body),
    removeJob: ({ params, version }) => jobs.remove(params.id, version),
    bringJobBack: ({ params }) => jobs.bringBack(params.id),
    jobFile: ({ params }) => jobs.get(params.id).document,
    plan: ({ params, query }) => PLAN_WRITERS[query.as](supply.withItsStock(jobs.get(params.id))),
    planFile: ({ body, query }) => PLAN_WRITERS[query.as](body),
    methods: ({ params, query }) => compareMethods(supply.withItsStock(jobs.get(params.id)), query.product),
    log: ({ params }) => runLog.of(params.id),
    appendLog: ({ params, body, actor }) => runLog.append(params.id, body, actor),
    earlierPairs: ({ params }) => items.earlierPairs(params.id),
    learned: () => runLog.learnedPreparation(),
    learnedHands: () => runLog.learnedHands(),
    guestJob: ({ params }) => workings.guestView(jobs.get(params.id)),
    jobCalendar: ({ params }) => workings.calendarOf(jobs.get(params.id)),
    async walkRoundPaper({ params }) {
      const { walkRoundSheet, pdfBytes } = await papers();
      const job = jobs.get(params.id);
      const pictures = photos.of(job.id).map((photo) => ({ photo, file: photos.file(photo.id, 'full') }));
      return pdfBytes(walkRoundSheet(job, pictures, now(), quotes.settingsOf(job.document)));
    },
    async runSheetPaper({ params }) {
      const { runSheetPaper, pdfBytes } = await papers();
      const job = jobs.get(params.id);
      return pdfBytes(runSheetPaper(job.document, workings.runSheetOf(job), workings.readyOf(job)));
    },
    async offersPaper({ params }) {
      const { offersSheet, pdfBytes } = await papers();
      const job = jobs.get(params.id);
      const { quotes: priced, stock } = quotes.offersOn(job);
      return pdfBytes(offersSheet(job, priced, stock, now()));
    },
    netSvg: ({ params }) => netSvg(jobs.get(params.id).document),
    netDxf: ({ params }) => netDxf(jobs.get(params.id).document),
    surfacesCsv: ({ params }) => surfacesCsv(jobs.get(params.id).document),
  };
}
