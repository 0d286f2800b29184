import { z } from 'zod';
import {
  idsTwice,
  jobStockSchema,
  methodsSchema,
  newStockEntrySchema,
  recallSchema,
  reorderSchema,
  scaleReadingSchema,
  STOCK_STATES,
  stockCsv,
  stockListSchema,
  stockLogEntrySchema,
  stockThingSchema,
  takenInSchema,
  tickSchema,
  usageLessonSchema,
} from '#formats/stock';
import { compareMethods } from '#job/pick';
import { flag, instant, nonEmpty, object, oneOf, read } from '#formats/values';
import { simulatedBottleScale } from '../devices/bottle-scale';
import { endpoint } from '../http/endpoint';
import { conflict } from '../http/problem';
import type { Services } from '../services';

const papers = () => import('../documents');

const questionSchema = object({
  find: z.string().max(200).optional(),
  state: oneOf(STOCK_STATES).optional(),
  of: nonEmpty().optional(),
  at: instant().optional(),
});

/** Where a real scale would be asked. */
const scale = simulatedBottleScale;

const asked = (query: Readonly<Record<string, string>>) => {
  const { at, ...question } = read(query, questionSchema);
  return { ...question, ...(at !== undefined && { atMs: Date.parse(at) }) };
};

export function stockEndpoints({ jobs, stock, summaries, supply, ticks, now }: Services) {
  return [
    endpoint({
      method: 'get',
      path: '/api/stock',
      summary: 'Things in stock: found by ?find=, ?state=in|open|past|gone|all, ?of=, and as it was ?at= a moment',
      answer: { status: 200, schema: stockListSchema },
      run: ({ query }) => stock.list(asked(query)),
    }),
    endpoint({
      method: 'get',
      path: '/api/stock/things/{id}',
      summary: 'One thing in stock with all that happened to it',
      answer: { status: 200, schema: stockThingSchema },
      run: ({ params }) => stock.thing(params.id!),
    }),
    endpoint({
      method: 'post',
      path: '/api/stock/log',
      needs: 'run',
      summary:
        'Note what happened to a thing in stock; the sender names the entry, so that sending it twice notes it once',
      body: newStockEntrySchema,
      answer: { status: 201, schema: stockLogEntrySchema },
      run: ({ body, actor }) => stock.append(body, actor.by),
    }),
    endpoint({
      method: 'post',
      path: '/api/stock',
      needs: 'work',
      summary: 'Take a delivery in, all of it or nothing',
      body: takenInSchema,
      sense: idsTwice,
      answer: { status: 200, schema: z.object({ added: z.int() }) },
      run: ({ body, actor }) => stock.takeIn(body, actor.by),
    }),
    endpoint({
      method: 'get',
      path: '/api/stock.csv',
      summary: 'What is in stock as a table',
      answer: { status: 200, media: 'text/csv' },
      run: ({ response }) => {
        const names = stock.known();
        const things = [...stock.book().things()].filter(({ gone }) => !gone);
        response.type('text/csv').setHeader('content-disposition', 'attachment; filename="stock.csv"');
        response.send(stockCsv(things.map((thing) => stock.rowOf(thing, names, now().getTime()))));
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/stock/labels.pdf',
      summary: 'Labels with a code for the things found as in the list',
      answer: { status: 200, media: 'application/pdf' },
      run: async ({ query, response }) => {
        const { labelSheet, sendPdf } = await papers();
        sendPdf(response, 'labels.pdf', await labelSheet(stock.list(asked(query)).rows));
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/stock/recall',
      summary: 'Everything of ?batch=, every panel something of it lies on, and whose it is',
      answer: { status: 200, schema: recallSchema },
      run: ({ query }) => supply.recall(query.batch ?? ''),
    }),
    endpoint({
      method: 'get',
      path: '/api/stock/recall.pdf',
      summary: 'The same on paper',
      answer: { status: 200, media: 'application/pdf' },
      run: async ({ query, response }) => {
        const { recallPaper, sendPdf } = await papers();
        const batch = query.batch ?? '';
        sendPdf(response, 'recall.pdf', recallPaper(batch, supply.recall(batch), now()));
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/stock/reorder',
      summary: 'What the jobs to come lack together, in packs at least cost, by when it has to be ordered',
      answer: { status: 200, schema: reorderSchema },
      run: () => supply.reorder(),
    }),
    endpoint({
      method: 'get',
      path: '/api/stock/lessons',
      summary: 'What weighings have taught, one by one',
      answer: { status: 200, schema: z.array(usageLessonSchema) },
      run: () => stock.lessons(),
    }),
    endpoint({
      method: 'post',
      path: '/api/bottle-scale/readings',
      needs: 'run',
      summary: 'Take the weight of the thing on the bottle scale',
      body: object({ thing: nonEmpty() }),
      answer: { status: 200, schema: scaleReadingSchema },
      run: ({ body }) => {
        const thing = stock.book().thing(body.thing);
        if (!thing) throw conflict(`Nothing called "${body.thing}" is in stock.`);
        const grossG = scale.read(thing, stock.densityOf(thing));
        if (grossG === undefined) throw conflict('Only what is poured or scooped is weighed: count it instead.');
        return { grossG, densityGPerMl: stock.densityOf(thing), simulated: scale.simulated };
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/stock',
      summary:
        'What a job finds in stock after what is set aside for jobs before it, and what it has come to in material',
      answer: { status: 200, schema: jobStockSchema },
      run: ({ params }) => supply.ofJob(params.id!),
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/methods',
      summary: 'A job’s ?product= laid by each method, beside one another: product against minutes',
      answer: { status: 200, schema: methodsSchema },
      run: ({ params, query }) => compareMethods(supply.withItsStock(jobs.get(params.id!)), query.product ?? ''),
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/pick-list.pdf',
      summary: 'Everything a job wants at hand, in the order of work, on one sheet',
      answer: { status: 200, media: 'application/pdf' },
      run: async ({ params, response }) => {
        const { pickListPaper, sendPdf } = await papers();
        const job = jobs.get(params.id!);
        const ticked = new Set(ticks.of(job.id).map(({ line }) => line));
        sendPdf(response, 'pick-list.pdf', pickListPaper(job.document, summaries.pickList(job), ticked));
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/ticks',
      summary: 'What is ticked off on the lists of a job',
      answer: { status: 200, schema: z.array(tickSchema) },
      run: ({ params }) => ticks.of(jobs.get(params.id!).id),
    }),
    endpoint({
      method: 'put',
      path: '/api/jobs/{id}/ticks',
      needs: 'run',
      deed: 'ticked a line of the job',
      summary: 'Tick a line off, or take that back; ticked twice is ticked once',
      body: object({ line: nonEmpty(200), ticked: flag() }),
      answer: { status: 200, schema: z.array(tickSchema) },
      run: ({ params, body, actor }) => ticks.set(jobs.get(params.id!).id, body.line, body.ticked, actor.by),
    }),
  ];
}
