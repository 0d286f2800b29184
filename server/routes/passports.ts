import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { foldLog } from '#core/lay/run';
import { netSvg } from '#formats/drawings';
import { jobRecordSchema } from '#formats/job';
import { loggedEntries } from '#formats/log';
import {
  handoverSchema,
  newHandoverSchema,
  type PassportFile,
  passportFileSchema,
  passportReadSchema,
  shopSchema,
} from '#formats/passport';
import { endpoint } from '../http/endpoint';
import type { Services } from '../services';

const papers = () => import('../documents');
/** What the owner lets be shown. */
const SHOWN = new Set(['before', 'after', 'half-and-half']);
/** The passport as it came, before what it leaves out was filled in: over that it is signed. */
const asItCame = (body: unknown): unknown => (body as { readonly passport: unknown }).passport;

export function passportEndpoints({ passports, jobs, runLog, photos }: Services) {
  /** What was signed last, else as it stands now. */
  const latest = (
    jobId: string,
  ): { readonly file: PassportFile; readonly handover?: z.output<typeof handoverSchema> } => {
    const handover = passports.handovers(jobId).at(-1);
    return handover ? { file: handover.passport, handover } : { file: passports.of(jobId) };
  };
  return [
    endpoint({
      method: 'get',
      path: '/api/shop',
      summary: 'What the workshop is called on what it hands out',
      answer: { status: 200, schema: shopSchema },
      run: () => ({ name: passports.shop() }),
    }),
    endpoint({
      method: 'put',
      path: '/api/shop',
      needs: 'own',
      deed: 'named the workshop',
      summary: 'Name the workshop',
      body: shopSchema,
      answer: { status: 200, schema: shopSchema },
      run: ({ body }) => {
        passports.nameShop(body.name);
        return body;
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/passport.json',
      guests: true,
      summary:
        'The item’s passport in the open format glaphyra.passport/1, signed: as it was handed over, else as it stands now',
      answer: { status: 200, schema: passportFileSchema },
      run: ({ params, response }) => {
        response.setHeader('content-disposition', `attachment; filename="${params.id}.passport.json"`);
        return latest(params.id!).file;
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/passport.html',
      guests: true,
      summary: 'The passport as one page that needs nothing but itself, for the owner’s phone',
      answer: { status: 200, media: 'text/html' },
      run: async ({ params, response }) => {
        const { passportPage } = await papers();
        const { document } = jobs.get(params.id!);
        const record = foldLog(loggedEntries(document.startAt, runLog.of(params.id!)));
        const mayShow = record.consents.at(-1)?.pictures === 'shown';
        const pictures = mayShow
          ? photos
              .of(params.id!)
              .filter(({ role }) => SHOWN.has(role))
              .map((photo) => ({ photo, base64: readFileSync(photos.file(photo.id, 'thumb')).toString('base64') }))
          : [];
        const { nonce } = response.locals as { readonly nonce: string };
        response
          .type('text/html')
          .send(passportPage(latest(params.id!).file, { net: netSvg(document), pictures, nonce }));
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/passport.pdf',
      guests: true,
      summary: 'The passport, its care and its warranty on paper, signed where it was handed over',
      answer: { status: 200, media: 'application/pdf' },
      run: async ({ params, response }) => {
        const { passportPaper, sendPdf } = await papers();
        const { file, handover } = latest(params.id!);
        sendPdf(response, 'passport.pdf', passportPaper(file, handover));
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/handovers',
      summary: 'What was signed when the item was handed over, the first one first',
      answer: { status: 200, schema: z.array(handoverSchema) },
      run: ({ params }) => passports.handovers(params.id!),
    }),
    endpoint({
      method: 'post',
      path: '/api/jobs/{id}/handovers',
      needs: 'run',
      deed: 'handed over the job',
      summary:
        'Hand the item over: the passport is kept as it is signed; the sender names it, so that sent twice it is kept once',
      body: newHandoverSchema,
      answer: { status: 201, schema: handoverSchema },
      run: ({ params, body, actor }) => passports.handOver(params.id!, body, actor.by),
    }),
    endpoint({
      method: 'post',
      path: '/api/passports/read',
      needs: 'look',
      summary: 'Read a passport: whether its signature holds, and what it says',
      body: passportFileSchema,
      answer: { status: 200, schema: passportReadSchema },
      run: ({ body, request }) => passports.read(body, asItCame(request.body)),
    }),
    endpoint({
      method: 'post',
      path: '/api/passports/take',
      needs: 'work',
      deed: 'took a passport in',
      summary: 'Take a passport in: the item begins here, with it as its past',
      body: passportFileSchema,
      answer: { status: 201, schema: jobRecordSchema },
      run: ({ body, request }) => passports.take(body, asItCame(request.body)),
    }),
  ];
}
