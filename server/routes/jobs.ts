import { z } from 'zod';
import { offcutsOf } from '#core/film/cut-plan';
import { boundingBox } from '#core/item/geometry';
import { cutDxf, cutSvg, netDxf, netSvg, surfacesCsv } from '#formats/drawings';
import {
  firstPlanSchema,
  guestJobSchema,
  jobDraftSchema,
  type JobRecord,
  jobRecordSchema,
  jobSchema,
  jobSenseFaults,
  jobSummarySchema,
  newJobSchema,
  planSchema,
} from '#formats/job';
import {
  earlierPairSchema,
  learnedHandsSchema,
  learnedPreparationSchema,
  logEntrySchema,
  newEntrySchema,
} from '#formats/log';
import { type Fault, FaultsError } from '#formats/values';
import { type JobCut, jobCuts } from '#job/film';
import { firstPlanFile, planFile } from '#job/plan';
import { endpoint } from '../http/endpoint';
import { pageSchema, placeIn } from '../http/pages';
import { conflict, notFound } from '../http/problem';
import type { Services } from '../services';

const papers = () => import('../documents');

/** A plan in the edition that is asked for. */
const anyPlan = z.union([planSchema, firstPlanSchema]);
const PLAN_WRITERS: Readonly<Record<string, typeof firstPlanFile | typeof planFile>> = {
  '1': firstPlanFile,
  '2': planFile,
};

/** @throws FaultsError for an edition there is none of */
function plannedAs(edition = '2') {
  const write = Object.hasOwn(PLAN_WRITERS, edition) ? PLAN_WRITERS[edition] : undefined;
  if (!write) throw new FaultsError([{ path: 'as', message: 'expected 1 or 2' }]);
  return write;
}

/** Faults of sense of a job inside a draft, with their place in it. */
function draftSense(body: unknown): Fault[] {
  const document = typeof body === 'object' && body !== null && 'document' in body ? body.document : undefined;
  return jobSenseFaults(document).map(({ path, message }) => ({ path: `document.${path}`, message }));
}

/** The net as other programs read it. */
const NET_FILES = [
  {
    path: 'net.svg',
    summary: 'The net as a drawing, one unit a millimetre',
    media: 'image/svg+xml',
    write: netSvg,
  },
  { path: 'net.dxf', summary: 'The net as DXF, in millimetres', media: 'image/vnd.dxf', write: netDxf },
  { path: 'surfaces.csv', summary: 'Areas and edges', media: 'text/csv', write: surfacesCsv },
];

/** A cut plan as plotters read it. */
const CUT_FILES = [
  {
    ending: 'svg',
    summary: 'What is cut from a roll, as SVG, one unit a millimetre',
    media: 'image/svg+xml',
    write: ({ plan, name }: JobCut, job: string) => cutSvg(plan, `${job}: ${name}`),
  },
  {
    ending: 'dxf',
    summary: 'What is cut from a roll, as DXF, in millimetres',
    media: 'image/vnd.dxf',
    write: ({ plan }: JobCut) => cutDxf(plan),
  },
];

/** @throws ProblemError (404) where no such roll of that film is kept with the job */
function cutOf(
  stock: Services['stock'],
  { id, document }: JobRecord,
  { product, roll }: Partial<Record<string, string>>,
): JobCut {
  const cuts = jobCuts(document, stock.book().thing, new Set(stock.cutFor(id).map(({ thing }) => thing)));
  const cut = cuts.find((each) => each.product === product && String(each.roll) === roll);
  if (!cut) throw notFound('kept nest of film', `${product}, roll ${roll}`);
  return cut;
}

export function jobEndpoints({ jobs, items, photos, quotes, runLog, stock, summaries, supply, now }: Services) {
  return [
    endpoint({
      method: 'get',
      path: '/api/jobs',
      summary:
        'The day’s jobs at a glance, last changed first: in the bays, curing, to come, in care where something is due',
      answer: { status: 200, schema: z.array(jobSummarySchema) },
      run: () => summaries.list(),
    }),
    endpoint({
      method: 'get',
      path: '/api/search/jobs',
      summary:
        'Any jobs, the last first, a page at a time: ?find= words of title, item or owner, ?from= how many to pass over',
      answer: { status: 200, schema: pageSchema(jobSummarySchema) },
      run: ({ query }) => summaries.found(query.find ?? '', placeIn(query)),
    }),
    endpoint({
      method: 'post',
      path: '/api/jobs',
      needs: 'work',
      deed: 'made the job',
      summary: 'Make a job; the sender names it, so that sending it twice makes it once',
      body: newJobSchema,
      sense: draftSense,
      answer: { status: 201, schema: jobRecordSchema },
      run: ({ body }) => jobs.add(body),
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}',
      summary: 'One job, whole',
      answer: { status: 200, schema: jobRecordSchema },
      run: ({ params }) => jobs.get(params.id!),
    }),
    endpoint({
      method: 'put',
      path: '/api/jobs/{id}',
      needs: 'work',
      deed: 'changed the job',
      summary: 'Replace a job, unless it has changed since',
      body: jobDraftSchema,
      sense: draftSense,
      versioned: true,
      answer: { status: 200, schema: jobRecordSchema },
      run: ({ params, version, body }) => jobs.update(params.id!, version, body),
    }),
    endpoint({
      method: 'delete',
      path: '/api/jobs/{id}',
      needs: 'work',
      deed: 'took the job away',
      summary: 'Take a job away, as long as nothing has been done at it; it can be brought back',
      versioned: true,
      answer: { status: 204 },
      run: ({ params, version }) => jobs.remove(params.id!, version),
    }),
    endpoint({
      method: 'post',
      path: '/api/jobs/{id}/back',
      needs: 'work',
      deed: 'brought the job back',
      summary: 'Bring back a job that was taken away',
      answer: { status: 200, schema: jobRecordSchema },
      run: ({ params }) => jobs.bringBack(params.id!),
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/file',
      summary: 'The job in the open format glaphyra.job/1',
      answer: { status: 200, schema: jobSchema },
      run: ({ params }) => jobs.get(params.id!).document,
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/plan',
      summary:
        'The job’s plan as its run sheet has it (glaphyra.plan/2; ?as=1: glaphyra.plan/1), with what is in stock today',
      answer: { status: 200, schema: anyPlan },
      run: ({ params, query }) => plannedAs(query.as)(supply.withItsStock(jobs.get(params.id!))),
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/walk-round.pdf',
      summary: 'The walk-round as the owner signs it: marks in their place, what becomes of them, readings',
      answer: { status: 200, media: 'application/pdf' },
      run: async ({ params, response }) => {
        const { walkRoundSheet, sendPdf } = await papers();
        const job = jobs.get(params.id!);
        const pictures = photos.of(job.id).map((photo) => ({ photo, file: photos.file(photo.id, 'full') }));
        sendPdf(response, 'walk-round.pdf', walkRoundSheet(job, pictures, now(), quotes.settingsOf(job.document)));
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/run-sheet.pdf',
      summary: 'What is left to be laid, to hang up in the bay: who does what when, a box to tick at each',
      answer: { status: 200, media: 'application/pdf' },
      run: async ({ params, response }) => {
        const { runSheetPaper, sendPdf } = await papers();
        const job = jobs.get(params.id!);
        sendPdf(response, 'run-sheet.pdf', runSheetPaper(job.document, summaries.runSheetOf(job)));
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/calendar.ics',
      guests: true,
      summary: 'The dates that matter to the owner, as an iCalendar file',
      answer: { status: 200, media: 'text/calendar' },
      run: ({ params, response }) => {
        const calendar = summaries.calendarOf(jobs.get(params.id!));
        response.type('text/calendar').setHeader('content-disposition', `attachment; filename="${params.id}.ics"`);
        response.send(calendar);
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/guest',
      guests: true,
      summary: 'A job as its owner sees it by a link: how far it is, what lies where, and the dates',
      answer: { status: 200, schema: guestJobSchema },
      run: ({ params }) => summaries.guestView(jobs.get(params.id!)),
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/offers.pdf',
      summary: 'The shop’s offers on the item, side by side on one page, as the owner takes them home',
      answer: { status: 200, media: 'application/pdf' },
      run: async ({ params, response }) => {
        const { offersSheet, sendPdf } = await papers();
        const { document } = jobs.get(params.id!);
        const { quotes: priced, stock } = quotes.offersOn(document);
        sendPdf(response, 'offers.pdf', offersSheet(document, priced, stock, now()));
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/film/{product}/{roll}.pdf',
      summary: 'What is cut from a roll: overview, measures for cutting by hand, and the whole at true scale',
      answer: { status: 200, media: 'application/pdf' },
      run: async ({ params, response }) => {
        const { cutPaper, sendPdf } = await papers();
        const job = jobs.get(params.id!);
        sendPdf(response, 'cut-plan.pdf', cutPaper(job.document, cutOf(stock, job, params)));
      },
    }),
    endpoint({
      method: 'post',
      path: '/api/jobs/{id}/film/{product}/{roll}/cut',
      needs: 'work',
      deed: 'cut film for the job',
      summary: 'The film nested for a job is cut off its roll: drawn from stock, offcuts worth keeping taken in',
      answer: { status: 204 },
      run: ({ params, actor }) => {
        const job = jobs.get(params.id!);
        const { product, nest, plan, missing, notClear, panels } = cutOf(stock, job, params);
        const { thing } = nest;
        if (missing.length > 0) throw conflict(`${missing.length} pieces are on no roll: nest again first.`);
        if (notClear.length > 0)
          throw conflict(`${notClear.length} pieces do not lie clear any more: nest again first.`);
        if (thing === undefined) throw conflict('It is nested on a roll to buy: choose one that is in stock first.');
        const offcuts = offcutsOf(plan).map(({ outline }) => {
          const { minX, maxX, minY, maxY } = boundingBox(outline);
          return { widthMm: maxY - minY, lengthMm: maxX - minX };
        });
        stock.cut({ job: job.id, thing, of: product, lengthMm: plan.lengthMm, panels, offcuts }, actor.by);
      },
    }),
    ...CUT_FILES.map(({ ending, summary, media, write }) =>
      endpoint({
        method: 'get',
        path: `/api/jobs/{id}/film/{product}/{roll}.${ending}`,
        summary,
        answer: { status: 200, media },
        run: ({ params, response }) => {
          const job = jobs.get(params.id!);
          const text = write(cutOf(stock, job, params), job.document.title);
          response.type(media).setHeader('content-disposition', `attachment; filename="cut-plan.${ending}"`);
          response.send(text);
        },
      }),
    ),
    ...NET_FILES.map(({ path, summary, media, write }) =>
      endpoint({
        method: 'get',
        path: `/api/jobs/{id}/${path}`,
        summary,
        answer: { status: 200, media },
        run: ({ params, response }) => {
          const text = write(jobs.get(params.id!).document);
          response.type(media).setHeader('content-disposition', `attachment; filename="${params.id}-${path}"`);
          response.send(text);
        },
      }),
    ),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/log',
      summary: 'What was really done, in the order it was recorded',
      answer: { status: 200, schema: z.array(logEntrySchema) },
      run: ({ params }) => runLog.of(params.id!),
    }),
    endpoint({
      method: 'post',
      path: '/api/jobs/{id}/log',
      needs: 'run',
      summary: 'Log one thing done; answered when it is on the disk, logged once however often it is sent',
      body: newEntrySchema,
      answer: { status: 201, schema: logEntrySchema },
      run: ({ params, body, actor }) => runLog.append(params.id!, body, actor.by),
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/earlier-pairs',
      summary:
        'Pads and liquids that test spots ended with at earlier jobs on this item or its model, the item’s first',
      answer: { status: 200, schema: z.array(earlierPairSchema) },
      run: ({ params }) => items.earlierPairs(params.id!),
    }),
    endpoint({
      method: 'get',
      path: '/api/learned-preparation',
      summary: 'What all jobs teach of preparation: hours, what is used, and what becomes of marks',
      answer: { status: 200, schema: learnedPreparationSchema },
      run: () => runLog.learnedPreparation(),
    }),
    endpoint({
      method: 'get',
      path: '/api/learned-hands',
      summary: 'How fast the hands of each person with an account were, by all jobs they were at',
      answer: { status: 200, schema: z.array(learnedHandsSchema) },
      run: () => runLog.learnedHands(),
    }),
    endpoint({
      method: 'post',
      path: '/api/plan',
      needs: 'look',
      summary: 'Plan a job file without saving it; ?as=1 for the first edition of the format',
      body: jobSchema,
      sense: jobSenseFaults,
      answer: { status: 200, schema: anyPlan },
      run: ({ body, query }) => plannedAs(query.as)(body),
    }),
  ];
}
