import { z } from 'zod';
import {
  idsTwice,
  jobStockSchema,
  newStockEntrySchema,
  recallSchema,
  reorderSchema,
  scaleReadingSchema,
  STOCK_STATES,
  stockListSchema,
  stockLogEntrySchema,
  stockThingSchema,
  takenInSchema,
  tickSchema,
  usageLessonSchema,
} from '#formats/stock';
import { flag, instant, nonEmpty, object, oneOf } from '#formats/values';
import { route, WHOLE_FILE_BYTES } from './route';

/** Which things in stock are asked for; what is left out is left open. */
const stockQuerySchema = object({
  find: z.string().max(200).optional(),
  state: oneOf(STOCK_STATES).optional(),
  of: nonEmpty().optional(),
  at: instant().optional(),
});
const batchSchema = object({ batch: z.string().max(200).default('') });

/** What is in stock, what happened to it, and what jobs draw from it. */
export const STOCK_ROUTES = {
  stock: route({
    method: 'get',
    path: '/api/stock',
    summary: 'Things in stock: found by ?find=, ?state=in|open|past|gone|all, ?of=, and as it was ?at= a moment',
    query: stockQuerySchema,
    answer: { status: 200, schema: stockListSchema },
    reads: ['stock'],
    offline: true,
  }),
  stockThing: route({
    method: 'get',
    path: '/api/stock/things/{id}',
    summary: 'One thing in stock with everything that happened to it',
    answer: { status: 200, schema: stockThingSchema },
    reads: ['stock'],
  }),
  noteStock: route({
    method: 'post',
    path: '/api/stock/log',
    needs: 'run',
    summary: 'Log what happened to a thing in stock, once however often the same entry is sent',
    body: newStockEntrySchema,
    answer: { status: 201, schema: stockLogEntrySchema },
    problems: ['conflict', 'not-found'],
    changes: ['stock'],
  }),
  takeStockIn: route({
    method: 'post',
    path: '/api/stock',
    needs: 'work',
    summary: 'Take a delivery in, all of it or nothing',
    body: takenInSchema,
    bodyBytes: WHOLE_FILE_BYTES,
    sense: idsTwice,
    answer: { status: 200, schema: z.object({ added: z.int() }) },
    problems: ['conflict', 'not-found'],
    changes: ['stock'],
  }),
  stockCsv: route({
    method: 'get',
    path: '/api/stock.csv',
    summary: 'What is in stock as a table',
    answer: { status: 200, media: 'text/csv' },
  }),
  stockLabels: route({
    method: 'get',
    path: '/api/stock/labels.pdf',
    summary: 'Labels with a code for the things found as in the list',
    query: stockQuerySchema,
    answer: { status: 200, media: 'application/pdf' },
  }),
  recall: route({
    method: 'get',
    path: '/api/stock/recall',
    summary: 'Everything of a ?batch=, every panel something of it lies on, and whose it is',
    query: batchSchema,
    answer: { status: 200, schema: recallSchema },
    reads: ['stock'],
  }),
  recallPaper: route({
    method: 'get',
    path: '/api/stock/recall.pdf',
    summary: 'The same on paper',
    query: batchSchema,
    answer: { status: 200, media: 'application/pdf' },
  }),
  reorder: route({
    method: 'get',
    path: '/api/stock/reorder',
    summary: 'What the jobs to come lack together, in packs at least cost, and by when it has to be ordered',
    answer: { status: 200, schema: reorderSchema },
    reads: ['stock', 'job', 'log'],
  }),
  usageLessons: route({
    method: 'get',
    path: '/api/stock/lessons',
    summary: 'What weighings have taught, one by one',
    answer: { status: 200, schema: z.array(usageLessonSchema) },
    reads: ['stock'],
  }),
  weigh: route({
    method: 'post',
    path: '/api/bottle-scale/readings',
    needs: 'run',
    summary: 'Read the weight of the thing on the bottle scale',
    body: object({ thing: nonEmpty() }),
    answer: { status: 200, schema: scaleReadingSchema },
    problems: ['conflict'],
  }),
  jobStock: route({
    method: 'get',
    path: '/api/jobs/{id}/stock',
    summary:
      'What a job finds in stock after what is set aside for jobs before it, and what its material has cost so far',
    answer: { status: 200, schema: jobStockSchema },
    reads: ['stock', 'job', 'log'],
    offline: true,
  }),
  pickListPaper: route({
    method: 'get',
    path: '/api/jobs/{id}/pick-list.pdf',
    summary: 'Everything a job needs at hand, in the order of work, on one sheet',
    answer: { status: 200, media: 'application/pdf' },
  }),
  ticks: route({
    method: 'get',
    path: '/api/jobs/{id}/ticks',
    summary: 'What is ticked off on the lists of a job',
    answer: { status: 200, schema: z.array(tickSchema) },
    reads: ['ticks:{id}'],
    offline: true,
  }),
  tick: route({
    method: 'put',
    path: '/api/jobs/{id}/ticks',
    needs: 'run',
    audit: 'ticked a line of the job',
    summary: 'Tick a line off, or untick it; ticked twice is ticked once',
    body: object({ line: nonEmpty(200), ticked: flag() }),
    answer: { status: 200, schema: z.array(tickSchema) },
    changes: ['ticks:{id}'],
  }),
};
