import { z } from 'zod';
import { bayHistorySchema, newReadingsSchema, yardForecastSchema } from '#formats/bay';
import {
  airReadingSchema,
  bayDraftSchema,
  baySchema,
  gaugeReadingSchema,
  glossReadingSchema,
  glossSpotSchema,
  probeSpotSchema,
} from '#formats/job';
import { object } from '#formats/values';
import { route, WHOLE_FILE_BYTES } from './route';

const within = (least: number, most: number, what: string) =>
  z.coerce
    .number<number>({ error: `expected ${what}` })
    .min(least, { error: `expected at least ${least}` })
    .max(most, { error: `expected at most ${most}` });

/** Bays, their air, and the instruments that read it and the paint. */
export const BAY_ROUTES = {
  bays: route({
    method: 'get',
    path: '/api/bays',
    summary: 'The bays and their climates',
    answer: { status: 200, schema: z.array(baySchema) },
    reads: ['bay'],
    offline: true,
  }),
  saveBay: route({
    method: 'put',
    path: '/api/bays/{id}',
    needs: 'own',
    audit: 'changed the bay',
    summary: 'Change a bay, unless it has changed since; version 0 makes a new one',
    body: bayDraftSchema,
    versioned: true,
    answer: { status: 200, schema: baySchema },
    problems: ['conflict'],
    changes: ['bay'],
  }),
  removeBay: route({
    method: 'delete',
    path: '/api/bays/{id}',
    needs: 'own',
    audit: 'took the bay away',
    summary: 'Remove a bay no job is in',
    versioned: true,
    answer: { status: 204 },
    problems: ['conflict'],
    changes: ['bay'],
  }),
  bayAir: route({
    method: 'get',
    path: '/api/bays/{id}/air',
    summary: 'The air a bay has had in the last ?days=, thinned to so many ?points=, and the bay that is fitted to it',
    query: object({
      days: within(1, 400, 'days').default(14),
      points: within(2, 2000, 'points').int({ error: 'expected a whole number' }).default(400),
    }),
    answer: { status: 200, schema: bayHistorySchema },
    reads: ['air:{id}', 'bay'],
  }),
  takeAir: route({
    method: 'post',
    path: '/api/bays/{id}/air',
    needs: 'run',
    audit: 'entered readings of the air',
    summary: 'Enter readings taken by hand or by a logger; a moment already known keeps its reading',
    body: newReadingsSchema,
    bodyBytes: WHOLE_FILE_BYTES,
    answer: { status: 200, schema: z.object({ added: z.int() }) },
    changes: ['air:{id}'],
  }),
  reading: route({
    method: 'get',
    path: '/api/bays/{id}/thermo-hygrometer',
    summary: 'What the bay’s thermo-hygrometer reads now',
    answer: { status: 200, schema: airReadingSchema },
    problems: ['instrument-silent'],
  }),
  readings: route({
    method: 'get',
    path: '/api/bays/{id}/thermo-hygrometer/stream',
    summary: 'The same, again and again: events named "reading"',
    answer: { status: 200, stream: true },
  }),
  yardForecast: route({
    method: 'get',
    path: '/api/yard/forecast',
    summary: 'The weather outside, hour by hour for four days, with how far it may be off',
    answer: { status: 200, schema: yardForecastSchema },
    offline: true,
  }),
  takeThickness: route({
    method: 'post',
    path: '/api/thickness-gauge/readings',
    needs: 'run',
    summary: 'Take one reading with the thickness gauge; null where there is no metal under the paint',
    body: probeSpotSchema,
    answer: { status: 200, schema: gaugeReadingSchema },
  }),
  thicknessWalk: route({
    method: 'get',
    path: '/api/thickness-gauge/stream',
    summary: 'Readings as the probe is walked over one panel: events named "reading", from the ?nth= on, until closed',
    query: probeSpotSchema.extend({ nth: z.coerce.number<number>().pipe(probeSpotSchema.shape.nth) }),
    answer: { status: 200, stream: true },
  }),
  takeGloss: route({
    method: 'post',
    path: '/api/gloss-meter/readings',
    needs: 'run',
    summary: 'Take one reading with the gloss meter, gloss units at 60°',
    body: glossSpotSchema,
    answer: { status: 200, schema: glossReadingSchema },
  }),
};
