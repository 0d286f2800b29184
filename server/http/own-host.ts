import type { RequestHandler } from 'express';
import { wrongHost } from './problem';

const OWN_HOST = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/i;

/**
 * Refuses requests addressed to another name. A page elsewhere can have its own name resolve to this
 * machine; the browser then still sends that name.
 */
export const ownHostOnly: RequestHandler = (request, _response, next) => {
  if (!OWN_HOST.test(request.headers.host ?? '')) throw wrongHost();
  next();
};
