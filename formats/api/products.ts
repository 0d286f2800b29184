import { z } from 'zod';
import { shelfProductSchema } from '#formats/job';
import { productCuesSchema, productLastedSchema } from '#formats/log';
import {
  productSchema,
  productSenseFaults,
  shelfFileSchema,
  shelfSenseFaults,
  shopFiguresSchema,
} from '#formats/shelf';
import { route, WHOLE_FILE_BYTES } from './route';

/** The shelf of product sheets. */
export const PRODUCT_ROUTES = {
  products: route({
    method: 'get',
    path: '/api/products',
    summary: 'All product sheets, with what the workshop knows of each product',
    answer: { status: 200, schema: z.array(shelfProductSchema) },
    reads: ['product', 'stock'],
    offline: true,
    computed: true,
  }),
  saveProduct: route({
    method: 'put',
    path: '/api/products/{id}',
    needs: 'own',
    audit: 'changed the sheet',
    summary:
      'Replace a product sheet, unless it has changed since; version 0 makes a new one. The workshop’s own figures are read from a new one only',
    body: productSchema,
    sense: productSenseFaults,
    versioned: true,
    answer: { status: 200, schema: shelfProductSchema },
    problems: ['conflict'],
    changes: ['product'],
  }),
  removeProduct: route({
    method: 'delete',
    path: '/api/products/{id}',
    needs: 'own',
    audit: 'took the sheet off the shelf',
    summary: 'Remove a product sheet; jobs keep their copies',
    versioned: true,
    answer: { status: 204 },
    changes: ['product'],
  }),
  productCues: route({
    method: 'get',
    path: '/api/products/{id}/cues',
    summary: 'The cues seen of a product, job by job, beside what was expected, and what they taught',
    answer: { status: 200, schema: productCuesSchema },
    reads: ['product', 'log'],
    computed: true,
  }),
  productLasted: route({
    method: 'get',
    path: '/api/products/{id}/lasted',
    summary: 'How long a product really lasts here: readings of drops on all items, against what was expected',
    answer: { status: 200, schema: productLastedSchema },
    reads: ['product', 'log'],
    computed: true,
  }),
  setShop: route({
    method: 'put',
    path: '/api/products/{id}/shop',
    needs: 'own',
    audit: 'changed the delivery time of',
    summary: 'Set how long a product takes from ordering to unpacking',
    body: shopFiguresSchema.pick({ deliveryDays: true }).required(),
    answer: { status: 200, schema: shelfProductSchema },
    changes: ['product'],
  }),
  shelfFile: route({
    method: 'get',
    path: '/api/shelf.json',
    summary: 'The whole shelf in the open format glaphyra.shelf/1',
    answer: { status: 200, media: 'application/json', name: 'shelf.json' },
    computed: true,
  }),
  shelfCsv: route({
    method: 'get',
    path: '/api/shelf.csv',
    summary: 'The whole shelf as a table of what is filled in by hand',
    answer: { status: 200, media: 'text/csv', name: 'shelf.csv' },
    computed: true,
  }),
  takeShelfIn: route({
    method: 'post',
    path: '/api/shelf',
    needs: 'own',
    audit: 'took a shelf of sheets in',
    summary: 'Import a whole shelf, or nothing of it',
    body: shelfFileSchema,
    bodyBytes: WHOLE_FILE_BYTES,
    sense: shelfSenseFaults,
    answer: { status: 200, schema: z.object({ added: z.int(), changed: z.int(), same: z.int() }) },
    problems: ['conflict'],
    changes: ['product'],
  }),
};
