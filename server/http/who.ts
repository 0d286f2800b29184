import type { RequestHandler } from 'express';
import type { SessionData } from 'express-session';
import { type Actor, EVERYBODY, NOBODY } from '../accounts/actor';
import { isHere } from './own-host';
import type { AccountService } from '../services/accounts';

/** Taps that arrive late say in which turn of their device they were made; whose turn that was, the session knows. */
export const TURN_HEADER = 'glaphyra-turn';

/** Both sides say what they take it to be: a device whose clock is wrong is told, and its taps are put right. */
export const CLOCK_HEADER = 'glaphyra-clock';

/** Works out who asks, from the session alone. */
export const whoAsks =
  (accounts: AccountService, now: () => Date): RequestHandler =>
  (request, response, next) => {
    const { tablet, guest, turns, turn } = request.session;
    const standing = { tablet, guest, turns, turn };
    // As it stands by now in what is kept of it, for what goes on after it was answered.
    response.locals.actorNow = (): Actor => {
      let kept: Partial<SessionData> = {};
      request.sessionStore.get(request.sessionID, (_error, data) => (kept = data ?? {}));
      const actor = accounts.actorOf(kept);
      return actor === EVERYBODY && !isHere(request) ? NOBODY : actor;
    };
    response.locals.actor = accounts.actorOf(standing, request.get(TURN_HEADER));
    // Nobody has an account: that lets in whoever is at this machine, and nobody from elsewhere.
    if (response.locals.actor === EVERYBODY && !isHere(request)) response.locals.actor = NOBODY;
    const said = Date.parse(request.get(CLOCK_HEADER) ?? '');
    if (Number.isFinite(said)) response.locals.actor = { ...(response.locals.actor as Actor), deviceMs: said };
    response.setHeader(CLOCK_HEADER, now().toISOString());
    if (tablet !== undefined) accounts.seenTablet(tablet);
    const seen = accounts.seen(standing);
    if (seen) request.session.turns = seen;
    next();
  };
