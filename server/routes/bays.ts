import { z } from 'zod';
import { airReadingSchema, type Bay, bayDraftSchema, baySchema } from '#formats/job';
import { simulatedThermoHygrometer } from '../devices/thermo-hygrometer';
import { endpoint } from '../http/endpoint';
import { openEventStream } from '../http/event-stream';
import type { Services } from '../services';

/** How often a streaming instrument sends, ms. */
const READING_EVERY_MS = 2000;

export function bayEndpoints({ bays, now }: Services) {
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
      summary: 'Change a bay, unless it has changed since; version 0 makes a new one',
      body: bayDraftSchema,
      versioned: true,
      answer: { status: 200, schema: baySchema },
      run: ({ params, version, body }) => bays.put(params.id!, version, body),
    }),
    endpoint({
      method: 'delete',
      path: '/api/bays/{id}',
      summary: 'Take a bay away in which no job stands',
      versioned: true,
      answer: { status: 204 },
      run: ({ params, version }) => bays.remove(params.id!, version),
    }),
    endpoint({
      method: 'get',
      path: '/api/bays/{id}/thermo-hygrometer',
      summary: 'What the bay’s thermo-hygrometer reads now',
      answer: { status: 200, schema: airReadingSchema },
      run: ({ params }) => simulatedThermoHygrometer(bayOf(params.id!)).read(now()),
    }),
    endpoint({
      method: 'get',
      path: '/api/bays/{id}/thermo-hygrometer/stream',
      summary: 'The same, as it goes on: events named "reading"',
      answer: { status: 200, stream: true },
      run: ({ params, response }) => {
        const instrument = simulatedThermoHygrometer(bayOf(params.id ?? ''));
        const stream = openEventStream(response);
        const send = () => stream.send('reading', instrument.read(now()));
        send();
        const timer = setInterval(send, READING_EVERY_MS);
        stream.onClose(() => clearInterval(timer));
      },
    }),
  ];
}
