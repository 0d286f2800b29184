import type { RequestHandler } from 'express';
import { foreignPage } from './problem';

/**
 * Refuses what a page of another origin sends here with the browser of somebody who is in: neither what changes something
 * nor what makes the server work hard. A browser says where a request comes from; what is no browser says nothing, and is
 * on this machine already.
 */
export const sameOriginOnly: RequestHandler = (request, _response, next) => {
  const { origin, host, 'sec-fetch-site': site } = request.headers;
  const foreign = site !== undefined && site !== 'same-origin' && site !== 'none';
  if (foreign || (origin !== undefined && origin !== `${request.protocol}://${host}`)) throw foreignPage();
  next();
};
