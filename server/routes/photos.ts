import type { Response } from 'express';
import type { PHOTO_ROUTES } from '#formats/api';
import type { Handlers } from '../http/call';
import { refusedFile } from '../http/problem';
import type { Services } from '../services';

/** Pictures never change under their id. */
const FOREVER = 'private, max-age=31536000, immutable';

export function photoHandlers({ photos }: Services): Handlers<typeof PHOTO_ROUTES> {
  const send = (response: Response, id: string, size: 'full' | 'thumb') => {
    const file = photos.file(id, size);
    response.setHeader('cache-control', FOREVER);
    response.sendFile(file, { dotfiles: 'allow' });
  };
  return {
    photos: ({ params }) => photos.of(params.id),
    addPhoto({ params, query, request }) {
      const file: unknown = request.body;
      if (!Buffer.isBuffer(file)) throw refusedFile('Send the picture itself, as it is.');
      return photos.add(params.id, params.photo, { ...query, tape: null, matched: null, note: '' }, file);
    },
    changePhoto: ({ params, body }) => photos.change(params.id, body),
    removePhoto: ({ params }) => photos.remove(params.id),
    bringPhotoBack: ({ params }) => photos.bringBack(params.id),
    picture: ({ params, response }) => send(response, params.id, 'full'),
    thumbnail: ({ params, response }) => send(response, params.id, 'thumb'),
  };
}
