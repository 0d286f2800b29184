import type { STOCK_ROUTES } from '#formats/api';
import { stockCsv } from '#formats/stock';
import { simulatedBottleScale } from '../devices/bottle-scale';
import { type Handlers, prepared } from '../http/call';
import { conflict } from '../http/problem';
import type { Services } from '../services';

const papers = () => import('../documents');

/** Where a real scale would be asked. */
const scale = simulatedBottleScale;

const asked = <T extends { readonly at?: string | undefined }>({ at, ...question }: T) => ({
  ...question,
  ...(at !== undefined && { atMs: Date.parse(at) }),
});

export function stockHandlers(services: Services): Handlers<typeof STOCK_ROUTES> {
  const { jobs, stock, workings, supply, ticks, now } = services;
  return {
    stock: ({ query }) => stock.list(asked(query)),
    stockThing: ({ params }) => stock.thing(params.id),
    noteStock: ({ body, actor }) => stock.append(body, actor),
    takeStockIn: ({ body, actor }) => stock.takeIn(body, actor.by),
    stockCsv() {
      const names = stock.known();
      const things = [...stock.book().things()].filter(({ gone }) => !gone);
      return stockCsv(things.map((thing) => stock.rowOf(thing, names, now().getTime())));
    },
    async stockLabels({ query }) {
      const { labelSheet, pdfBytes } = await papers();
      return pdfBytes(await labelSheet(stock.list(asked(query)).rows));
    },
    recall: ({ query }) => supply.recall(query.batch),
    async recallPaper({ query }) {
      const { recallPaper, pdfBytes } = await papers();
      return pdfBytes(recallPaper(query.batch, supply.recall(query.batch), now()));
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
    async pickListPaper({ params }) {
      const { pickListPaper, pdfBytes } = await papers();
      const job = jobs.get(params.id);
      const ticked = new Set(ticks.of(job.id).map(({ line }) => line));
      return pdfBytes(pickListPaper(job.document, workings.pickList(job), ticked));
    },
    ticks: ({ params }) => ticks.of(jobs.get(params.id).id),
    tick: prepared({
      works: ({ params, body }) => ({
        ...body,
        isThere: workings.pickList(jobs.get(params.id)).some(({ lines }) => lines.some(({ key }) => key === body.line)),
      }),
      writes({ params, actor }, { line, ticked, isThere }) {
        // What has left the list since can still be unticked.
        if (ticked && !isThere) throw conflict(`There is no line "${line}" on the lists of this job.`);
        return ticks.set(jobs.get(params.id).id, line, ticked, actor.by);
      },
    }),
  };
}
