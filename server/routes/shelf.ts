import { z } from 'zod';
import { productSchema, productSenseFaults, shelfProductSchema } from '#formats';
import { endpoint } from '../http/endpoint';
import type { Services } from '../services';

export function shelfEndpoints({ shelf }: Services) {
  return [
    endpoint({
      method: 'get',
      path: '/api/products',
      summary: 'The shelf',
      answer: { status: 200, schema: z.array(shelfProductSchema) },
      run: () => shelf.all(),
    }),
    endpoint({
      method: 'post',
      path: '/api/products',
      summary: 'Put a product sheet on the shelf',
      body: productSchema,
      sense: productSenseFaults,
      answer: { status: 201, schema: shelfProductSchema },
      run: ({ body }) => shelf.add(body),
    }),
    endpoint({
      method: 'put',
      path: '/api/products/{id}',
      summary: 'Replace a product sheet, unless it has changed since',
      body: productSchema,
      sense: productSenseFaults,
      versioned: true,
      answer: { status: 200, schema: shelfProductSchema },
      run: ({ params, version, body }) => shelf.update(params.id!, version, body),
    }),
    endpoint({
      method: 'delete',
      path: '/api/products/{id}',
      summary: 'Take a product sheet off the shelf; jobs keep their copies',
      versioned: true,
      answer: { status: 204 },
      run: ({ params, version }) => shelf.remove(params.id!, version),
    }),
  ];
}
