import { z } from 'zod';
import { kitEntrySchema, kitRecordSchema, kitSenseFaults } from '#formats/shelf';
import { endpoint } from '../http/endpoint';
import type { Services } from '../services';

export function kitEndpoints({ kit }: Services) {
  return [
    endpoint({
      method: 'get',
      path: '/api/kit',
      summary:
        'The preparation shelf: sheets of cleaners, clays, liquids, pads, machines and lamps, and things in hand',
      answer: { status: 200, schema: z.array(kitRecordSchema) },
      run: () => kit.all(),
    }),
    endpoint({
      method: 'put',
      path: '/api/kit/{id}',
      needs: 'own',
      deed: 'changed the sheet',
      summary:
        'Put a sheet or a thing on the preparation shelf, unless it has changed since; version 0 makes a new one',
      body: kitEntrySchema,
      sense: (body) => {
        const entry = kitEntrySchema.safeParse(body);
        return entry.success ? kitSenseFaults(entry.data) : [];
      },
      versioned: true,
      answer: { status: 200, schema: kitRecordSchema },
      run: ({ params, version, body }) => kit.put(params.id!, version, body),
    }),
    endpoint({
      method: 'delete',
      path: '/api/kit/{id}',
      needs: 'own',
      deed: 'took the sheet away',
      summary: 'Take a sheet or a thing away',
      versioned: true,
      answer: { status: 204 },
      run: ({ params, version }) => kit.remove(params.id!, version),
    }),
  ];
}
