import { readFileSync } from 'node:fs';
import { foldLog } from '#core/lay/run';
import type { PASSPORT_ROUTES } from '#formats/api';
import { netSvg } from '#formats/drawings';
import { loggedEntries } from '#formats/log';
import type { Handover, PassportFile } from '#formats/passport';
import type { Handlers } from '../http/mount';
import type { Services } from '../services';

const papers = () => import('../documents');
/** What the owner lets be shown. */
const SHOWN = new Set(['before', 'after', 'half-and-half']);
/** The passport as it came, before what it leaves out was filled in: over that it is signed. */
const asItCame = (body: unknown): unknown => (body as { readonly passport: unknown }).passport;

export function passportHandlers({ passports, jobs, runLog, photos }: Services): Handlers<typeof PASSPORT_ROUTES> {
  /** What was signed last, or else the passport as it is now. */
  const latest = (jobId: string): { readonly file: PassportFile; readonly handover?: Handover } => {
    const handover = passports.handovers(jobId).at(-1);
    return handover ? { file: handover.passport, handover } : { file: passports.of(jobId) };
  };
  /** Pictures the owner has agreed may be shown. */
  const shownPictures = (jobId: string, startAt: string) => {
    const record = foldLog(loggedEntries(startAt, runLog.of(jobId)));
    if (record.consents.at(-1)?.pictures !== 'shown') return [];
    return photos
      .of(jobId)
      .filter(({ role }) => SHOWN.has(role))
      .map((photo) => ({ photo, base64: readFileSync(photos.file(photo.id, 'thumb')).toString('base64') }));
  };
  return {
    shop: () => passports.shop(),
    nameShop({ body }) {
      passports.nameShop(body.name);
      return body;
    },
    passportFile({ params, response }) {
      const { file } = latest(params.id);
      response.setHeader('content-disposition', `attachment; filename="${params.id}.passport.json"`);
      return file;
    },
    async passportPage({ params, response }) {
      const { passportPage } = await papers();
      const { document } = jobs.get(params.id);
      const { nonce } = response.locals as { readonly nonce: string };
      const pictures = shownPictures(params.id, document.startAt);
      response.type('text/html').send(passportPage(latest(params.id).file, { net: netSvg(document), pictures, nonce }));
    },
    async passportPaper({ params, response }) {
      const { passportPaper, sendPdf } = await papers();
      const { file, handover } = latest(params.id);
      sendPdf(response, 'passport.pdf', passportPaper(file, handover));
    },
    handovers: ({ params }) => passports.handovers(params.id),
    handOver: ({ params, body, actor }) => passports.handOver(params.id, body, actor.by),
    readPassport: ({ body, request }) => passports.read(body, asItCame(request.body)),
    takePassport: ({ body, request }) => passports.take(body, asItCame(request.body)),
  };
}
