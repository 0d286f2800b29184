import { once } from 'node:events';
import { keptCopiesSchema, putBackSchema, puttingBackSchema } from '#formats/people';
import type { Keeping } from '../backup/keeping';
import { endpoint } from '../http/endpoint';

export function backupEndpoints(keeping: Keeping) {
  return [
    endpoint({
      method: 'get',
      path: '/api/backups',
      needs: 'own',
      summary: 'Copies of the workshop that are kept beside it, the latest first',
      answer: { status: 200, schema: keptCopiesSchema },
      run: () => keeping.list(),
    }),
    endpoint({
      method: 'post',
      path: '/api/backups',
      needs: 'own',
      deed: 'made a copy of the workshop',
      summary: 'Make a copy now; answered when it was opened and checked',
      answer: { status: 201, schema: keptCopiesSchema },
      run: async () => {
        await keeping.make();
        return keeping.list();
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/backups/{id}',
      needs: 'own',
      summary: 'One copy, to be kept somewhere else',
      answer: { status: 200, media: 'application/gzip' },
      run: ({ params, response }) =>
        new Promise<void>((resolve, reject) =>
          response.download(keeping.fileOf(params.id!), params.id!, { dotfiles: 'allow' }, (error) =>
            error ? reject(error) : resolve(),
          ),
        ),
    }),
    endpoint({
      method: 'post',
      path: '/api/backups/{id}/back',
      needs: 'own',
      summary: 'Put a copy back in the place of what is there, which is moved aside; it begins once this is answered',
      body: putBackSchema,
      answer: { status: 202, schema: puttingBackSchema },
      run: async ({ params, body, actor, response }) => {
        const answered = once(response, 'close').then(() => undefined);
        const { at, counts } = await keeping.putBack(params.id!, body.overNewer, actor.by, answered);
        return { at, ...counts };
      },
    }),
  ];
}
