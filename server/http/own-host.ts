import type { Request, RequestHandler } from 'express';
import { isLoopback } from '../network/addresses';
import type { Network } from '../network/network';
import { silentProxy, wrongHost } from './problem';

const OWN_HOST = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/i;

/** Without them everybody would seem to be the proxy: one address for all, and on this machine. */
const SAID_BY_PROXY = ['x-forwarded-for', 'x-forwarded-proto'];

/**
 * Refuses requests addressed to another name. A page elsewhere can have its own name resolve to this
 * machine; the browser then still sends that name.
 */
export const ownHostOnly =
  (network: Network): RequestHandler =>
  (request, _response, next) => {
    const host = request.headers.host ?? '';
    if (!OWN_HOST.test(host) && !network.knows(host)) throw wrongHost();
    if (network.isProxy(host) && SAID_BY_PROXY.some((header) => request.headers[header] === undefined))
      throw silentProxy();
    next();
  };

/** Whether somebody asks from this very machine, by its own name, and not through a proxy on it. */
export const isHere = ({ socket, headers }: Request): boolean =>
  isLoopback(socket.remoteAddress) && OWN_HOST.test(headers.host ?? '') && headers['x-forwarded-for'] === undefined;
