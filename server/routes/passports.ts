import { readFileSync } from 'node:fs';
import { foldLog } from '#core/lay/run';
import type { PASSPORT_ROUTES } from '#formats/api';
import { netSvg } from '#formats/drawings';
import { loggedEntries } from '#formats/log';
import type { Handover, PassportFile } from '#formats/passport';
import { type Handlers, prepared } from '../http/call';
import type { Services } from '../services';

const papers = () => import('../documents');
/** What the owner lets be shown. */
const SHOWN = new Set(['before', 'after', 'half-and-half']);
/** The passport as it came, before what it leaves out was filled in: over that it is signed. */
const asItCame = (sent: unknown): unknown => (sent as { readonly passport: unknown }).passport;

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
    passportFile: ({ params }) => latest(params.id).file,
    async passportPage({ params, nonce }) {
      const { passportPage } = await papers();
      const { document } = jobs.get(params.id);
      const pictures = shownPictures(params.id, document.startAt);
      return passportPage(latest(params.id).file, { net: netSvg(document), pictures, nonce });
    },
    async passportPaper({ params }) {
      const { passportPaper, pdfBytes } = await papers();
      const { file, handover } = latest(params.id);
      return pdfBytes(passportPaper(file, handover));
    },
    handovers: ({ params }) => passports.handovers(params.id),
    handOver: prepared({
      works: ({ params, body }) => ({ signed: body, made: passports.prepared(params.id) }),
      writes: ({ params, actor }, { signed, made }) => passports.handOver(params.id, signed, made, actor.by),
    }),
    readPassport: ({ body, sent }) => passports.read(body, asItCame(sent)),
    takePassport: prepared({
      works: ({ body, sent }) => passports.taken(body, asItCame(sent)),
      writes: (_call, works) => passports.take(works),
    }),
  };
}
