import { type PRODUCT_ROUTES, ROUTES } from '#formats/api';
import { SHELF_FORMAT, shelfCsv } from '#formats/shelf';
import type { Handlers } from '../http/mount';
import { conflict } from '../http/problem';
import { sendFile } from '../http/send-file';
import type { Services } from '../services';

export function productHandlers({ shelf, lasted }: Services): Handlers<typeof PRODUCT_ROUTES> {
  return {
    products: () => shelf.all(),
    saveProduct({ params, version, body }) {
      if (body.id !== params.id) throw conflict('A product keeps its id; add a new one instead.');
      return version === 0 ? shelf.add(body) : shelf.update(version, body);
    },
    removeProduct: ({ params, version }) => shelf.remove(params.id, version),
    productCues: ({ params }) => shelf.cuesOf(params.id),
    productLasted: ({ params }) => lasted.of(params.id),
    setShop: ({ params, body }) => shelf.setShop(params.id, body),
    shelfFile: ({ response }) =>
      sendFile(
        response,
        ROUTES.shelfFile,
        'shelf.json',
        JSON.stringify({ format: SHELF_FORMAT, products: shelf.products() }),
      ),
    shelfCsv: ({ response }) => sendFile(response, ROUTES.shelfCsv, 'shelf.csv', shelfCsv(shelf.products())),
    takeShelfIn: ({ body }) => shelf.takeIn(body.products),
  };
}
