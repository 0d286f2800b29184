import { z } from 'zod';
import { bayHistorySchema, newReadingsSchema } from '#formats/bay';
import { airReadingSchema, type Bay, bayDraftSchema, baySchema } from '#formats/job';
import { read } from '#formats/values';
import { simulatedThermoHygrometer } from '../devices/thermo-hygrometer';
import { endpoint } from '../http/endpoint';
import { openEventStream } from '../http/event-stream';
import { silent } from '../http/problem';
import type { Services } from '../services';

const historyQuestion = z.object({
  days: z.coerce
    .number({ error: 'expected days' })
    .min(1, { error: 'expected at least 1' })
    .max(400, { error: 'expected at most 400' })
    .default(14),
  points: z.coerce
    .number({ error: 'expected points' })
    .int()
    .min(2, { error: 'expected at least 2' })
    .max(2000, { error: 'expected at most 2000' })
    .default(400),
});

/** How often a streaming instrument sends, ms. */
const READING_EVERY_MS = 2000;

export function bayEndpoints({ bays, bayAir, now }: Services) {
  const bayOf = (id: string): Bay => bays.get(id);
  return [
    endpoint({
      method: 'get',
      path: '/api/bays',
      summary: 'The bays and their climates',
      answer: { status: 200, schema: z.array(baySchema) },
      run: () => bays.all(),
    }),
    endpoint({
      method: 'put',
      path: '/api/bays/{id}',
      needs: 'own',
      deed: 'changed the bay',
      summary: 'Change a bay, unless it has changed since; version 0 makes a new one',
      body: bayDraftSchema,
      versioned: true,
      answer: { status: 200, schema: baySchema },
      run: ({ params, version, body }) => bays.put(params.id!, version, body),
    }),
    endpoint({
      method: 'delete',
      path: '/api/bays/{id}',
      needs: 'own',
      deed: 'took the bay away',
      summary: 'Take a bay away in which no job stands',
      versioned: true,
      answer: { status: 204 },
      run: ({ params, version }) => bays.remove(params.id!, version),
    }),
    endpoint({
      method: 'get',
      path: '/api/bays/{id}/air',
      summary: 'The air a bay has had in the last days, thinned to so many points, and the bay that is fitted to it',
      answer: { status: 200, schema: bayHistorySchema },
      run: ({ params, query }) => {
        const { days, points } = read(query, historyQuestion);
        return bayAir.history(params.id!, days, points);
      },
    }),
    endpoint({
      method: 'post',
      path: '/api/bays/{id}/air',
      needs: 'run',
      deed: 'entered readings of the air',
      summary: 'Readings by hand or of a logger; a moment that is known is kept as it was',
      body: newReadingsSchema,
      answer: { status: 200, schema: z.object({ added: z.int() }) },
      run: ({ params, body }) => ({ added: bayAir.take(params.id!, body) }),
    }),
    endpoint({
      method: 'get',
      path: '/api/bays/{id}/thermo-hygrometer',
      summary: 'What the bay’s thermo-hygrometer reads now',
      answer: { status: 200, schema: airReadingSchema },
      run: ({ params }) => {
        const bay = bayOf(params.id!);
        const reading = simulatedThermoHygrometer(bay).read(now());
        if (!reading) throw silent(bay.name);
        return reading;
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/bays/{id}/thermo-hygrometer/stream',
      summary: 'The same, as it goes on: events named "reading"',
      answer: { status: 200, stream: true },
      run: ({ params, response }) => {
        const instrument = simulatedThermoHygrometer(bayOf(params.id ?? ''));
        const stream = openEventStream(response);
        const send = () => {
          const reading = instrument.read(now());
          if (reading) stream.send('reading', reading);
          else stream.send('silent', {});
        };
        send();
        const timer = setInterval(send, READING_EVERY_MS);
        stream.onClose(() => clearInterval(timer));
      },
    }),
  ];
}
