import { ROUTES, type STOCK_ROUTES } from '#formats/api';
import { stockCsv } from '#formats/stock';
import { simulatedBottleScale } from '../devices/bottle-scale';
import type { Handlers } from '../http/mount';
import { conflict } from '../http/problem';
import { sendFile } from '../http/send-file';
import type { Services } from '../services';

const papers = () => import('../documents');

/** Where a real scale would be asked. */
const scale = simulatedBottleScale;

const asked = <T extends { readonly at?: string | undefined }>({ at, ...question }: T) => ({
  ...question,
  ...(at !== undefined && { atMs: Date.parse(at) }),
});

export function stockHandlers(services: Services): Handlers<typeof STOCK_ROUTES> {
  const { jobs, stock, summaries, supply, ticks, now } = services;
  return {
    stock: ({ query }) => stock.list(asked(query)),
    stockThing: ({ params }) => stock.thing(params.id),
    noteStock: ({ body, actor }) => stock.append(body, actor.by),
    takeStockIn: ({ body, actor }) => stock.takeIn(body, actor.by),
    stockCsv({ response }) {
      const names = stock.known();
      const things = [...stock.book().things()].filter(({ gone }) => !gone);
      const rows = things.map((thing) => stock.rowOf(thing, names, now().getTime()));
      sendFile(response, ROUTES.stockCsv, 'stock.csv', stockCsv(rows));
    },
    async stockLabels({ query, response }) {
      const { labelSheet, sendPdf } = await papers();
      sendPdf(response, 'labels.pdf', await labelSheet(stock.list(asked(query)).rows));
    },
    recall: ({ query }) => supply.recall(query.batch),
    async recallPaper({ query, response }) {
      const { recallPaper, sendPdf } = await papers();
      sendPdf(response, 'recall.pdf', recallPaper(query.batch, supply.recall(query.batch), now()));
    },
    reorder: () => supply.reorder(),
    usageLessons: () => stock.lessons(),
    weigh({ body }) {
      const thing = stock.book().thing(body.thing);
      if (!thing) throw conflict(`Nothing called "${body.thing}" is in stock.`);
      const grossG = scale.read(thing, stock.densityOf(thing));
      if (grossG === undefined) throw conflict('Only what is poured or scooped is weighed: count it instead.');
      return { grossG, densityGPerMl: stock.densityOf(thing), simulated: scale.simulated };
    },
    jobStock: ({ params }) => supply.ofJob(params.id),
    async pickListPaper({ params, response }) {
      const { pickListPaper, sendPdf } = await papers();
      const job = jobs.get(params.id);
      const ticked = new Set(ticks.of(job.id).map(({ line }) => line));
      sendPdf(response, 'pick-list.pdf', pickListPaper(job.document, summaries.pickList(job), ticked));
    },
    ticks: ({ params }) => ticks.of(jobs.get(params.id).id),
    tick: ({ params, body, actor }) => ticks.set(jobs.get(params.id).id, body.line, body.ticked, actor.by),
  };
}
