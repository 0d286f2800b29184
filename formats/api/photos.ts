import { z } from 'zod';
import { PHOTO_ROLES, photoChangesSchema, photoSchema, photoWordsSchema } from '#formats/job';
import { object, oneOf } from '#formats/values';
import { route } from './route';

const LARGEST_PICTURE_BYTES = 25e6;

/** Pictures of jobs. */
export const PHOTO_ROUTES = {
  photos: route({
    method: 'get',
    path: '/api/jobs/{id}/photos',
    summary: 'The pictures of a job',
    answer: { status: 200, schema: z.array(photoSchema) },
    reads: ['photos:{id}'],
    offline: true,
  }),
  addPhoto: route({
    method: 'put',
    path: '/api/jobs/{id}/photos/{photo}',
    needs: 'run',
    audit: 'took a picture for the job',
    summary: 'Keep a picture: the file as the body; its role, surface, mark and pairOf in the query',
    query: object({
      role: oneOf(PHOTO_ROLES).default('seen'),
      surface: photoWordsSchema.shape.surface.default(null),
      mark: photoWordsSchema.shape.mark.default(null),
      pairOf: photoWordsSchema.shape.pairOf.default(null),
    }),
    fileBytes: LARGEST_PICTURE_BYTES,
    answer: { status: 200, schema: photoSchema },
    problems: ['conflict', 'refused-file'],
    changes: ['photos:{id}'],
  }),
  changePhoto: route({
    method: 'put',
    path: '/api/photos/{id}',
    needs: 'run',
    audit: 'changed what is said of the picture',
    summary: 'Change what a picture shows; what is not sent stays',
    body: photoChangesSchema,
    answer: { status: 200, schema: photoSchema },
    problems: ['conflict'],
    changes: ['photos'],
  }),
  removePhoto: route({
    method: 'delete',
    path: '/api/photos/{id}',
    needs: 'work',
    audit: 'took the picture away',
    summary: 'Remove a picture; it can be brought back for 30 days',
    answer: { status: 204 },
    problems: ['conflict'],
    changes: ['photos'],
  }),
  bringPhotoBack: route({
    method: 'post',
    path: '/api/photos/{id}/bring-back',
    needs: 'work',
    audit: 'brought the picture back',
    summary: 'Bring back a picture that was removed',
    answer: { status: 200, schema: photoSchema },
    changes: ['photos'],
  }),
  picture: route({
    method: 'get',
    path: '/api/photos/{id}/picture.jpg',
    summary: 'The picture, upright',
    answer: { status: 200, media: 'image/jpeg' },
    offline: true,
  }),
  thumbnail: route({
    method: 'get',
    path: '/api/photos/{id}/thumb.jpg',
    summary: 'The picture, small',
    answer: { status: 200, media: 'image/jpeg' },
    offline: true,
  }),
};
