import { z } from 'zod';
import { jobRecordSchema } from '#formats/job';
import {
  handoverSchema,
  newHandoverSchema,
  passportFileSchema,
  passportReadSchema,
  shopReadSchema,
  shopSchema,
} from '#formats/passport';
import { route, WHOLE_FILE_BYTES } from './route';

/** Hand-overs, and the passport an item leaves with. */
export const PASSPORT_ROUTES = {
  shop: route({
    method: 'get',
    path: '/api/shop',
    summary: 'What the workshop is called on its papers',
    answer: { status: 200, schema: shopReadSchema },
    reads: ['handovers'],
  }),
  nameShop: route({
    method: 'put',
    path: '/api/shop',
    needs: 'own',
    audit: 'named the workshop',
    summary: 'Name the workshop',
    body: shopSchema,
    answer: { status: 200, schema: shopSchema },
    changes: ['handovers'],
  }),
  passportFile: route({
    method: 'get',
    path: '/api/jobs/{id}/passport.json',
    guests: true,
    summary:
      'The item’s passport in the open format glaphyra.passport/1, signed: as it was handed over, or else as it is now',
    answer: { status: 200, schema: passportFileSchema, name: '{id}.passport.json' },
    computed: true,
  }),
  passportPage: route({
    method: 'get',
    path: '/api/jobs/{id}/passport.html',
    guests: true,
    summary: 'The passport as one page that needs nothing but itself, for the owner’s phone',
    answer: { status: 200, media: 'text/html' },
    computed: true,
  }),
  passportPaper: route({
    method: 'get',
    path: '/api/jobs/{id}/passport.pdf',
    guests: true,
    summary: 'The passport, its care and its warranty on paper, signed where it was handed over',
    answer: { status: 200, media: 'application/pdf', name: 'passport.pdf' },
    computed: true,
  }),
  handovers: route({
    method: 'get',
    path: '/api/jobs/{id}/handovers',
    summary: 'What was signed when the item was handed over, the first one first',
    answer: { status: 200, schema: z.array(handoverSchema) },
    reads: ['handovers:{id}'],
  }),
  handOver: route({
    method: 'post',
    path: '/api/jobs/{id}/handovers',
    needs: 'run',
    audit: 'handed over the job',
    summary: 'Hand the item over: the passport is kept as it is signed, once however often the same one is sent',
    body: newHandoverSchema,
    bodyBytes: WHOLE_FILE_BYTES,
    answer: { status: 201, schema: handoverSchema },
    problems: ['conflict'],
    changes: ['handovers:{id}'],
  }),
  readPassport: route({
    method: 'post',
    path: '/api/passports/read',
    needs: 'look',
    summary: 'Read a passport: whether its signature holds, and what it says',
    body: passportFileSchema,
    bodyBytes: WHOLE_FILE_BYTES,
    answer: { status: 200, schema: passportReadSchema },
    computed: true,
  }),
  takePassport: route({
    method: 'post',
    path: '/api/passports/take',
    needs: 'work',
    audit: 'took a passport in',
    summary: 'Import a passport: the item begins here, with it as its past',
    body: passportFileSchema,
    bodyBytes: WHOLE_FILE_BYTES,
    answer: { status: 201, schema: jobRecordSchema },
    problems: ['conflict'],
    changes: ['job'],
  }),
};
