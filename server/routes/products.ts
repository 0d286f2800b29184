import type { PRODUCT_ROUTES } from '#formats/api';
import { SHELF_FORMAT, shelfCsv } from '#formats/shelf';
import type { Handlers } from '../http/call';
import { conflict } from '../http/problem';
import type { Services } from '../services';

export function productHandlers({ shelf, lasted }: Services): Handlers<typeof PRODUCT_ROUTES> {
  return {
    products: () => shelf.all(),
    saveProduct({ params, version, body }) {
      if (body.id !== params.id) throw conflict('A product keeps its id; add a new one instead.');
      if (version === 0) shelf.add(body);
      else shelf.update(version, body);
      return shelf.shown(params.id);
    },
    removeProduct: ({ params, version }) => shelf.remove(params.id, version),
    productCues: ({ params }) => shelf.cuesOf(params.id),
    productLasted: ({ params }) => lasted.of(params.id),
    setShop({ params, body }) {
      shelf.setShop(params.id, body);
      return shelf.shown(params.id);
    },
    shelfFile: () => JSON.stringify({ format: SHELF_FORMAT, products: shelf.products() }),
    shelfCsv: () => shelfCsv(shelf.products()),
    takeShelfIn: ({ body }) => shelf.takeIn(body.products),
  };
}
