import type { Request } from 'express';
import type { ACCOUNT_ROUTES } from '#formats/api';
import type { Me } from '#formats/people';
import type { Actor } from '../accounts/actor';
import { ended, renamed } from '../accounts/sessions';
import type { Handlers } from '../http/call';
import { isHere } from '../http/own-host';
import { conflict, signInFirst } from '../http/problem';
import type { Services } from '../services';

type KeptPerson = NonNullable<ReturnType<Services['accounts']['kept']>>;

/** Where it is asked from: attempts are counted by it. */
const addressOf = (request: Request): string => request.ip ?? 'unknown';

export function accountHandlers({ accounts }: Pick<Services, 'accounts'>): Handlers<typeof ACCOUNT_ROUTES> {
  const meOf = ({ person, tablet, guest, rights }: Actor, turn: string | undefined): Me => ({
    accounts: accounts.isAnybody(),
    person: person ?? null,
    tablet: tablet ?? null,
    guest: guest ?? null,
    rights: [...rights],
    turn: person && turn !== undefined ? turn : null,
  });
  const meNow = ({ session }: Request): Me => {
    const { tablet, guest, turns, turn } = session;
    return meOf(accounts.actorOf({ tablet, guest, turns, turn }), turn);
  };
  /** Signs somebody in under another name of the session, so that whoever knew the old one is not signed in too. */
  const enter = async (request: Request, person: KeptPerson): Promise<Me> => {
    const { tablet, turns } = request.session;
    await renamed(request, { ...(tablet !== undefined && { tablet }), ...accounts.turnsWith(turns, person) });
    return meNow(request);
  };
  return {
    me: ({ actor, request }) => meOf(actor, request.session.turn),
    async firstOwner({ body, request }) {
      if (!isHere(request)) throw conflict('The owner’s account is made at the machine the server runs on.');
      return enter(request, await accounts.firstOwner(body.name, body.password));
    },
    signIn: async ({ body, request }) =>
      enter(request, await accounts.signIn(body.name, body.password, addressOf(request))),
    switchTo: async ({ body, request }) =>
      enter(request, await accounts.switchTo(request.session.tablet, body.person, body.pin)),
    async signOut({ request }) {
      const { tablet, turns } = request.session;
      if (tablet === undefined) await ended(request);
      else await renamed(request, { tablet, turns: turns ?? [] });
    },
    async changePassword({ actor, body, request }) {
      if (!actor.person) throw signInFirst();
      return enter(request, await accounts.changePassword(actor.person.id, body.password, body.newPassword));
    },
    async pair({ body, request }) {
      const { id: tablet } = await accounts.pair(body.code, addressOf(request));
      await renamed(request, { tablet });
      return meNow(request);
    },
    async comeAsGuest({ body, request }) {
      const { id: guest } = await accounts.guest(body.token, addressOf(request));
      await renamed(request, { guest });
      return meNow(request);
    },
    names: () => accounts.names(),
    atThisDevice: ({ actor }) =>
      actor.tablet ? accounts.names().filter(({ hasPin, leftAt }) => hasPin && leftAt === null) : [],
    people: () => accounts.people(),
    async savePerson({ params, body, actor, request }) {
      const person = await accounts.putPerson(params.id, body);
      // Whoever changes their own account stays signed in.
      const own = actor.person?.id === person.id ? accounts.kept(person.id) : undefined;
      if (own && own.leftAt === null) await enter(request, own);
      return person;
    },
    tablets: () => accounts.tablets(),
    offerPairing: ({ body }) => accounts.pairing(body.name),
    cutTablet: ({ params }) => accounts.cutTablet(params.id),
    guestLinks: ({ params }) => accounts.guestLinks(params.id),
    makeGuestLink: ({ body }) => accounts.guestLink(body.job, body.days),
    cutGuestLink: ({ params }) => accounts.cutGuestLink(params.id),
    audit: ({ query }) => accounts.audit(query.from, query.person),
  };
}
