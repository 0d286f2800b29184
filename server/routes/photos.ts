import { z } from 'zod';
import { PHOTO_ROLES, photoChangesSchema, photoSchema, photoWordsSchema } from '#formats/job';
import { read } from '#formats/values';
import { endpoint } from '../http/endpoint';
import { refusedFile } from '../http/problem';
import type { Services } from '../services';

const LARGEST_FILE = 25e6;
/** Pictures never change under their id. */
const FOREVER = 'private, max-age=31536000, immutable';

/** What is said of a picture as it is sent, in the address. */
const sentSchema = z.strictObject({
  id: photoSchema.shape.id,
  role: z.enum(PHOTO_ROLES, { error: () => `expected one of ${PHOTO_ROLES.join(', ')}` }).default('seen'),
  surface: photoWordsSchema.shape.surface.default(null),
  mark: photoWordsSchema.shape.mark.default(null),
  pairOf: photoWordsSchema.shape.pairOf.default(null),
});

export function photoEndpoints({ photos }: Services) {
  return [
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/photos',
      summary: 'The pictures of a job',
      answer: { status: 200, schema: z.array(photoSchema) },
      run: ({ params }) => photos.of(params.id!),
    }),
    endpoint({
      method: 'post',
      path: '/api/jobs/{id}/photos',
      needs: 'run',
      deed: 'took a picture for the job',
      summary: 'Keep a picture: the file as the body; its id, role, surface, mark and pairOf in the query',
      fileBytes: LARGEST_FILE,
      answer: { status: 201, schema: photoSchema },
      run: ({ params, query, request }) => {
        const { id, ...words } = read(query, sentSchema);
        const file: unknown = request.body;
        if (!Buffer.isBuffer(file)) throw refusedFile('Send the picture itself, as it is.');
        return photos.add(params.id!, id, { ...words, tape: null, matched: null, note: '' }, file);
      },
    }),
    endpoint({
      method: 'put',
      path: '/api/photos/{id}',
      needs: 'run',
      deed: 'changed what is said of the picture',
      summary: 'Say something else of a picture; what is not sent stays',
      body: photoChangesSchema,
      answer: { status: 200, schema: photoSchema },
      run: ({ params, body }) => photos.change(params.id!, body),
    }),
    endpoint({
      method: 'delete',
      path: '/api/photos/{id}',
      needs: 'work',
      deed: 'took the picture away',
      summary: 'Take a picture away; it can be brought back for 30 days',
      answer: { status: 204 },
      run: ({ params }) => photos.remove(params.id!),
    }),
    endpoint({
      method: 'post',
      path: '/api/photos/{id}/back',
      needs: 'work',
      deed: 'brought the picture back',
      summary: 'Bring back a picture that was taken away',
      answer: { status: 200, schema: photoSchema },
      run: ({ params }) => photos.bringBack(params.id!),
    }),
    ...(['full', 'thumb'] as const).map((size) =>
      endpoint({
        method: 'get',
        path: size === 'full' ? '/api/photos/{id}/picture.jpg' : '/api/photos/{id}/thumb.jpg',
        summary: size === 'full' ? 'The picture, upright' : 'The picture, small',
        answer: { status: 200, media: 'image/jpeg' },
        run: ({ params, response }) => {
          const file = photos.file(params.id!, size);
          response.setHeader('cache-control', FOREVER);
          response.sendFile(file, { dotfiles: 'allow' });
        },
      }),
    ),
  ];
}
