import { z } from 'zod';
import { offerRecordSchema, offerSchema } from '#formats/choice';
import { endpoint } from '../http/endpoint';
import type { Services } from '../services';

export function offerEndpoints({ offers }: Services) {
  return [
    endpoint({
      method: 'get',
      path: '/api/offers',
      summary: 'The shop’s named offers',
      answer: { status: 200, schema: z.array(offerRecordSchema) },
      run: () => offers.all(),
    }),
    endpoint({
      method: 'put',
      path: '/api/offers/{id}',
      needs: 'own',
      deed: 'changed the offer',
      summary: 'Keep an offer, unless it has changed since; version 0 makes a new one',
      body: offerSchema,
      versioned: true,
      answer: { status: 200, schema: offerRecordSchema },
      run: ({ params, version, body }) => offers.put(params.id!, version, body),
    }),
    endpoint({
      method: 'delete',
      path: '/api/offers/{id}',
      needs: 'own',
      deed: 'took the offer away',
      summary: 'Take an offer away; jobs keep what they took from it',
      versioned: true,
      answer: { status: 204 },
      run: ({ params, version }) => offers.remove(params.id!, version),
    }),
  ];
}
