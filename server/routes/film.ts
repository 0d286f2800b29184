import { offcutsOf } from '#core/film/cut-plan';
import { boundingBox } from '#core/item/geometry';
import type { FILM_ROUTES } from '#formats/api';
import { cutDxf, cutSvg } from '#formats/drawings';
import type { JobRecord } from '#formats/job';
import { type JobCut, jobCuts } from '#job/film';
import type { Handlers } from '../http/call';
import { conflict, notFound } from '../http/problem';
import type { Services } from '../services';

interface RollOf {
  readonly id: string;
  readonly product: string;
  readonly roll: string;
}

export function filmHandlers({ jobs, stock }: Services): Handlers<typeof FILM_ROUTES> {
  /** @throws ProblemError (404) where no such roll of that film is kept with the job */
  const cutOf = ({ id, product, roll }: RollOf): { readonly job: JobRecord; readonly cut: JobCut } => {
    const job = jobs.get(id);
    const cutBefore = new Set(stock.cutFor(id).map(({ thing }) => thing));
    const cut = jobCuts(job.document, stock.book().thing, cutBefore).find(
      (each) => each.product === product && String(each.roll) === roll,
    );
    if (!cut) throw notFound('kept nest of film', `${product}, roll ${roll}`);
    return { job, cut };
  };
  return {
    async cutPaper({ params }) {
      const { cutPaper, pdfBytes } = await import('../documents');
      const { job, cut } = cutOf(params);
      return pdfBytes(cutPaper(job.document, cut));
    },
    cutSvg({ params }) {
      const { job, cut } = cutOf(params);
      return cutSvg(cut.plan, `${job.document.title}: ${cut.name}`);
    },
    cutDxf: ({ params }) => cutDxf(cutOf(params).cut.plan),
    cutFilm({ params, actor }) {
      const { job, cut } = cutOf(params);
      const { product, nest, plan, missing, notClear, panels } = cut;
      const { thing } = nest;
      if (missing.length > 0) throw conflict(`${missing.length} pieces are on no roll: nest again first.`);
      if (notClear.length > 0) throw conflict(`${notClear.length} pieces do not lie clear any more: nest again first.`);
      if (thing === undefined) throw conflict('It is nested on a roll to buy: choose one that is in stock first.');
      const offcuts = offcutsOf(plan).map(({ outline }) => {
        const { minX, maxX, minY, maxY } = boundingBox(outline);
        return { widthMm: maxY - minY, lengthMm: maxX - minX };
      });
      stock.cut({ job: job.id, thing, of: product, lengthMm: plan.lengthMm, panels, offcuts }, actor.by);
    },
  };
}
