import type { RequestHandler } from 'express';
import type { AccountService } from '../services/accounts';

/** Taps that arrive late say in which turn of their device they were made; whose turn that was, the session knows. */
export const TURN_HEADER = 'glaphyra-turn';

/** Works out who asks, from the session alone. */
export const whoAsks =
  (accounts: AccountService): RequestHandler =>
  (request, response, next) => {
    const { tablet, guest, turns, turn } = request.session;
    const standing = { tablet, guest, turns, turn };
    response.locals.actor = accounts.actorOf(standing, request.get(TURN_HEADER));
    if (tablet !== undefined) accounts.seenTablet(tablet);
    const seen = accounts.seen(standing);
    if (seen) request.session.turns = seen;
    next();
  };
