import { ownerDataRemovedSchema, ownerDataSchema } from '#formats/job';
import { endpoint } from '../http/endpoint';
import type { Services } from '../services';

export function ownerEndpoints({ owners }: Services) {
  return [
    endpoint({
      method: 'get',
      path: '/api/items/{id}/owner-data',
      needs: 'own',
      summary: 'All that is kept of the owner of an item as a person, over all items under that name',
      answer: { status: 200, schema: ownerDataSchema },
      run: ({ params, response }) => {
        response.setHeader('content-disposition', 'attachment; filename="owner-data.json"');
        return owners.given(params.id!);
      },
    }),
    endpoint({
      method: 'post',
      path: '/api/items/{id}/owner-data/remove',
      needs: 'own',
      deed: 'removed the owner’s data of the item',
      summary: 'Take name and plate off all jobs of the owner of an item; the record of the items stays',
      answer: { status: 200, schema: ownerDataRemovedSchema },
      run: ({ params }) => owners.removed(params.id!),
    }),
  ];
}
