import { z } from 'zod';
import { shelfProductSchema } from '#formats/job';
import { productCuesSchema, productLastedSchema } from '#formats/log';
import {
  makerSheetSchema,
  productSchema,
  productSenseFaults,
  SHELF_FORMAT,
  shelfCsv,
  shelfFileSchema,
  shelfSenseFaults,
  shopFiguresSchema,
} from '#formats/shelf';
import { endpoint } from '../http/endpoint';
import type { Services } from '../services';

export function shelfEndpoints({ shelf, lasted }: Services) {
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
      needs: 'own',
      deed: 'put the sheet on the shelf',
      summary: 'Put a product sheet on the shelf',
      body: productSchema,
      sense: productSenseFaults,
      answer: { status: 201, schema: shelfProductSchema },
      run: ({ body }) => shelf.add(body),
    }),
    endpoint({
      method: 'put',
      path: '/api/products/{id}',
      needs: 'own',
      deed: 'changed the sheet',
      summary: 'Replace a product sheet, unless it has changed since; what is the shop’s stays',
      body: makerSheetSchema,
      sense: productSenseFaults,
      versioned: true,
      answer: { status: 200, schema: shelfProductSchema },
      run: ({ params, version, body }) => shelf.update(params.id!, version, body),
    }),
    endpoint({
      method: 'get',
      path: '/api/products/{id}/cues',
      summary: 'The cues seen of a product, job by job, beside what was expected, and what they taught',
      answer: { status: 200, schema: productCuesSchema },
      run: ({ params }) => shelf.cuesOf(params.id!),
    }),
    endpoint({
      method: 'get',
      path: '/api/products/{id}/lasted',
      summary: 'How long a product really lasts here: what drops of all items said, against what was expected on each',
      answer: { status: 200, schema: productLastedSchema },
      run: ({ params }) => lasted.of(params.id!),
    }),
    endpoint({
      method: 'put',
      path: '/api/products/{id}/shop',
      needs: 'own',
      deed: 'changed the delivery time of',
      summary: 'Say how long a product takes from ordering to unpacking',
      body: shopFiguresSchema.pick({ deliveryDays: true }).required(),
      answer: { status: 200, schema: shelfProductSchema },
      run: ({ params, body }) => shelf.setShop(params.id!, body),
    }),
    endpoint({
      method: 'delete',
      path: '/api/products/{id}',
      needs: 'own',
      deed: 'took the sheet off the shelf',
      summary: 'Take a product sheet off the shelf; jobs keep their copies',
      versioned: true,
      answer: { status: 204 },
      run: ({ params, version }) => shelf.remove(params.id!, version),
    }),
    endpoint({
      method: 'get',
      path: '/api/shelf.json',
      summary: 'The whole shelf in the open format glaphyra.shelf/1',
      answer: { status: 200, media: 'application/json' },
      run: ({ response }) => {
        response.setHeader('content-disposition', 'attachment; filename="shelf.json"');
        response.json({ format: SHELF_FORMAT, products: shelf.products() });
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/shelf.csv',
      summary: 'The whole shelf as a table of what is filled in by hand',
      answer: { status: 200, media: 'text/csv' },
      run: ({ response }) => {
        response.type('text/csv').setHeader('content-disposition', 'attachment; filename="shelf.csv"');
        response.send(shelfCsv(shelf.products()));
      },
    }),
    endpoint({
      method: 'post',
      path: '/api/shelf',
      needs: 'own',
      deed: 'took a shelf of sheets in',
      summary: 'Take a whole shelf in, or nothing of it',
      body: shelfFileSchema,
      sense: shelfSenseFaults,
      answer: { status: 200, schema: z.object({ added: z.int(), changed: z.int(), same: z.int() }) },
      run: ({ body }) => shelf.takeIn(body.products),
    }),
  ];
}
