import { z } from 'zod';
import {
  firstPlanSchema,
  guestJobSchema,
  jobDraftSchema,
  jobRecordSchema,
  jobSchema,
  jobSenseFaults,
  jobSummarySchema,
  planSchema,
} from '#formats/job';
import {
  earlierPairSchema,
  learnedHandsSchema,
  learnedPreparationSchema,
  logEntrySchema,
  newEntrySchema,
} from '#formats/log';
import { type Fault, nonEmpty, object, oneOf } from '#formats/values';
import { methodsSchema } from '#formats/stock';
import { pageSchema, searchSchema } from './pages';
import { route, WHOLE_FILE_BYTES } from './route';

/** A plan in the edition that was asked for. */
const anyPlanSchema = z.union([planSchema, firstPlanSchema]);
/** Which edition of `glaphyra.plan` is wanted. */
const editionSchema = object({ as: oneOf(['1', '2']).default('2') });

/** Faults of sense of a job inside a draft, with their place in it. */
function draftSense(body: unknown): Fault[] {
  const document = typeof body === 'object' && body !== null && 'document' in body ? body.document : undefined;
  return jobSenseFaults(document).map(({ path, message }) => ({ path: `document.${path}`, message }));
}

/** Jobs, what follows from them, and the record of what was done. */
export const JOB_ROUTES = {
  jobsOfTheDay: route({
    method: 'get',
    path: '/api/today',
    summary:
      'The day’s jobs in brief, last changed first: in the bays, curing, to come, and in care where something is due',
    answer: { status: 200, schema: z.array(jobSummarySchema) },
    reads: ['job', 'log', 'summary'],
    offline: true,
  }),
  jobs: route({
    method: 'get',
    path: '/api/jobs',
    summary:
      'All jobs, the latest first, a page at a time: ?find= words of title, item or owner, ?from= rows passed over',
    query: searchSchema,
    answer: { status: 200, schema: pageSchema(jobSummarySchema) },
    reads: ['job', 'log', 'summary'],
  }),
  job: route({
    method: 'get',
    path: '/api/jobs/{id}',
    summary: 'One job, whole',
    answer: { status: 200, schema: jobRecordSchema },
    reads: ['job:{id}'],
    offline: true,
  }),
  saveJob: route({
    method: 'put',
    path: '/api/jobs/{id}',
    needs: 'work',
    audit: 'changed the job',
    summary:
      'Replace a job, unless it has changed since; version 0 makes a new one, once however often the same one is sent',
    body: jobDraftSchema,
    bodyBytes: WHOLE_FILE_BYTES,
    sense: draftSense,
    versioned: true,
    answer: { status: 200, schema: jobRecordSchema },
    problems: ['conflict'],
    changes: ['job:{id}'],
  }),
  removeJob: route({
    method: 'delete',
    path: '/api/jobs/{id}',
    needs: 'work',
    audit: 'took the job away',
    summary: 'Remove a job, as long as nothing has been done at it; it can be brought back for 30 days',
    versioned: true,
    answer: { status: 204 },
    problems: ['conflict'],
    changes: ['job:{id}'],
  }),
  bringJobBack: route({
    method: 'post',
    path: '/api/jobs/{id}/bring-back',
    needs: 'work',
    audit: 'brought the job back',
    summary: 'Bring back a job that was removed',
    answer: { status: 200, schema: jobRecordSchema },
    changes: ['job:{id}'],
  }),
  jobFile: route({
    method: 'get',
    path: '/api/jobs/{id}/file',
    summary: 'The job in the open format glaphyra.job/1',
    answer: { status: 200, schema: jobSchema },
    reads: ['job:{id}'],
  }),
  plan: route({
    method: 'get',
    path: '/api/jobs/{id}/plan',
    summary: 'The job’s plan by its run sheet (glaphyra.plan/2; ?as=1: glaphyra.plan/1), with what is in stock today',
    query: editionSchema,
    answer: { status: 200, schema: anyPlanSchema },
    reads: ['job:{id}', 'stock'],
    computed: true,
  }),
  planFile: route({
    method: 'post',
    path: '/api/plan',
    needs: 'look',
    summary: 'Plan a job file without saving it; ?as=1 for the first edition of the format',
    query: editionSchema,
    body: jobSchema,
    bodyBytes: WHOLE_FILE_BYTES,
    sense: jobSenseFaults,
    answer: { status: 200, schema: anyPlanSchema },
    computed: true,
  }),
  methods: route({
    method: 'get',
    path: '/api/jobs/{id}/methods',
    summary: 'A job’s ?product= laid by each method, beside one another: product against minutes',
    query: object({ product: nonEmpty() }),
    answer: { status: 200, schema: methodsSchema },
    reads: ['job:{id}', 'stock'],
    computed: true,
  }),
  log: route({
    method: 'get',
    path: '/api/jobs/{id}/log',
    summary: 'What was really done, in the order it was recorded',
    answer: { status: 200, schema: z.array(logEntrySchema) },
    reads: ['log:{id}'],
    offline: true,
  }),
  appendLog: route({
    method: 'post',
    path: '/api/jobs/{id}/log',
    needs: 'run',
    summary: 'Log one thing done; answered when it is on the disk, logged once however often it is sent',
    body: newEntrySchema,
    bodyBytes: WHOLE_FILE_BYTES,
    answer: { status: 201, schema: logEntrySchema },
    problems: ['conflict'],
  }),
  earlierPairs: route({
    method: 'get',
    path: '/api/jobs/{id}/earlier-pairs',
    summary: 'Pads and liquids that test spots ended with at earlier jobs on this item or its model, the item’s first',
    answer: { status: 200, schema: z.array(earlierPairSchema) },
    reads: ['job', 'log'],
    offline: true,
    computed: true,
  }),
  learned: route({
    method: 'get',
    path: '/api/learned-preparation',
    summary: 'What all jobs teach of preparation: hours, what is used, and what becomes of marks',
    answer: { status: 200, schema: learnedPreparationSchema },
    reads: ['log'],
    offline: true,
    computed: true,
  }),
  learnedHands: route({
    method: 'get',
    path: '/api/learned-hands',
    summary: 'How fast each person with an account works, by all jobs they were at',
    answer: { status: 200, schema: z.array(learnedHandsSchema) },
    reads: ['log'],
    computed: true,
  }),
  guestJob: route({
    method: 'get',
    path: '/api/jobs/{id}/guest',
    guests: true,
    summary: 'A job as its owner sees it by a link: how far it is, what lies where, and the dates',
    answer: { status: 200, schema: guestJobSchema },
    reads: ['job', 'log'],
    computed: true,
  }),
  jobCalendar: route({
    method: 'get',
    path: '/api/jobs/{id}/calendar.ics',
    guests: true,
    summary: 'The dates that matter to the owner, as an iCalendar file',
    answer: { status: 200, media: 'text/calendar', name: '{id}.ics' },
    computed: true,
  }),
  walkRoundPaper: route({
    method: 'get',
    path: '/api/jobs/{id}/walk-round.pdf',
    summary: 'The walk-round as the owner signs it: marks in their place, what becomes of them, readings',
    answer: { status: 200, media: 'application/pdf', name: 'walk-round.pdf' },
    computed: true,
  }),
  runSheetPaper: route({
    method: 'get',
    path: '/api/jobs/{id}/run-sheet.pdf',
    summary: 'What is still to be laid, to hang up in the bay: who does what when, a box to tick at each',
    answer: { status: 200, media: 'application/pdf', name: 'run-sheet.pdf' },
    computed: true,
  }),
  offersPaper: route({
    method: 'get',
    path: '/api/jobs/{id}/offers.pdf',
    summary: 'The shop’s offers on the item, side by side on one page, for the owner to take home',
    answer: { status: 200, media: 'application/pdf', name: 'offers.pdf' },
    computed: true,
  }),
  netSvg: route({
    method: 'get',
    path: '/api/jobs/{id}/net.svg',
    summary: 'The net as a drawing, one unit a millimetre',
    answer: { status: 200, media: 'image/svg+xml', name: '{id}-net.svg' },
    computed: true,
  }),
  netDxf: route({
    method: 'get',
    path: '/api/jobs/{id}/net.dxf',
    summary: 'The net as DXF, in millimetres',
    answer: { status: 200, media: 'image/vnd.dxf', name: '{id}-net.dxf' },
    computed: true,
  }),
  surfacesCsv: route({
    method: 'get',
    path: '/api/jobs/{id}/surfaces.csv',
    summary: 'Areas and edges',
    answer: { status: 200, media: 'text/csv', name: '{id}-surfaces.csv' },
    computed: true,
  }),
};
