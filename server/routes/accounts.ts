import type { Request } from 'express';
import { z } from 'zod';
import {
  auditPageSchema,
  firstOwnerSchema,
  guestLinkSchema,
  guestSchema,
  madeGuestLinkSchema,
  type Me,
  meSchema,
  nameSchema,
  newGuestLinkSchema,
  newPairingSchema,
  ownPasswordSchema,
  pairingSchema,
  pairSchema,
  personDraftSchema,
  personSchema,
  pinSignInSchema,
  signInSchema,
  tabletSchema,
} from '#formats/people';
import type { Actor } from '../accounts/actor';
import { ended, renamed } from '../accounts/sessions';
import { endpoint } from '../http/endpoint';
import { isHere } from '../http/own-host';
import { conflict, signInFirst } from '../http/problem';
import type { KeptPerson } from '../repositories/people';
import type { Services } from '../services';

/** Where it is asked from: attempts are counted by it. */
const addressOf = (request: Request): string => request.ip ?? 'unknown';

export function accountEndpoints({ accounts }: Pick<Services, 'accounts'>) {
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
  /** Somebody is in: under another name of the session, so that nobody who knew the old one is. */
  const enter = async (request: Request, person: KeptPerson): Promise<Me> => {
    const { tablet, turns } = request.session;
    await renamed(request, { ...(tablet !== undefined && { tablet }), ...accounts.turnsWith(turns, person) });
    return meNow(request);
  };
  return [
    endpoint({
      method: 'get',
      path: '/api/me',
      needs: 'nothing',
      summary: 'Who this device is to the workshop',
      answer: { status: 200, schema: meSchema },
      run: ({ actor, request }) => meOf(actor, request.session.turn),
    }),
    endpoint({
      method: 'post',
      path: '/api/first-owner',
      needs: 'nothing',
      summary: 'The first account, its owner’s; from then on everybody has to say who they are',
      body: firstOwnerSchema,
      answer: { status: 200, schema: meSchema },
      run: async ({ body, request }) => {
        if (!isHere(request)) throw conflict('The owner’s account is made at the machine the server runs on.');
        return enter(request, await accounts.firstOwner(body.name, body.password));
      },
    }),
    endpoint({
      method: 'post',
      path: '/api/sign-in',
      needs: 'nothing',
      summary: 'Come in by name and password',
      body: signInSchema,
      answer: { status: 200, schema: meSchema },
      run: async ({ body, request }) =>
        enter(request, await accounts.signIn(body.name, body.password, addressOf(request))),
    }),
    endpoint({
      method: 'post',
      path: '/api/switch',
      needs: 'nothing',
      summary: 'Somebody else takes over a device of the shop, by their PIN',
      body: pinSignInSchema,
      answer: { status: 200, schema: meSchema },
      run: async ({ body, request }) =>
        enter(request, await accounts.switchTo(request.session.tablet, body.person, body.pin)),
    }),
    endpoint({
      method: 'post',
      path: '/api/sign-out',
      needs: 'nothing',
      summary: 'Nobody is in any more; a device of the shop stays one',
      answer: { status: 204 },
      run: async ({ request }) => {
        const { tablet, turns } = request.session;
        if (tablet === undefined) await ended(request);
        else await renamed(request, { tablet, turns: turns ?? [] });
      },
    }),
    endpoint({
      method: 'put',
      path: '/api/my-password',
      needs: 'look',
      deed: 'changed their password',
      summary: 'Another password of one’s own; all other devices are signed out',
      body: ownPasswordSchema,
      answer: { status: 200, schema: meSchema },
      run: async ({ actor, body, request }) => {
        if (!actor.person) throw signInFirst();
        return enter(request, await accounts.changePassword(actor.person.id, body.password, body.newPassword));
      },
    }),
    endpoint({
      method: 'post',
      path: '/api/pair',
      needs: 'nothing',
      summary: 'Make this device one of the shop’s, by a code from the desk',
      body: pairSchema,
      answer: { status: 200, schema: meSchema },
      run: async ({ body, request }) => {
        const { id: tablet } = await accounts.pair(body.code, addressOf(request));
        await renamed(request, { tablet });
        return meNow(request);
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/names',
      summary: 'Names to go with what stands on record',
      answer: { status: 200, schema: z.array(nameSchema) },
      run: () => accounts.names(),
    }),
    endpoint({
      method: 'get',
      path: '/api/at-this-device',
      needs: 'nothing',
      summary: 'Whom a device of the shop can be switched to',
      answer: { status: 200, schema: z.array(nameSchema) },
      run: ({ actor }) =>
        actor.tablet ? accounts.names().filter(({ hasPin, leftAt }) => hasPin && leftAt === null) : [],
    }),
    endpoint({
      method: 'get',
      path: '/api/people',
      needs: 'own',
      summary: 'Everybody with an account, those who left too',
      answer: { status: 200, schema: z.array(personSchema) },
      run: () => accounts.people(),
    }),
    endpoint({
      method: 'put',
      path: '/api/people/{id}',
      needs: 'own',
      deed: 'changed the account of',
      summary: 'Keep a person under an id of the sender; a secret that is not said stays, null takes it away',
      body: personDraftSchema,
      answer: { status: 200, schema: personSchema },
      run: async ({ params, body, actor, request }) => {
        const person = await accounts.putPerson(params.id!, body);
        // Whoever changes their own account stays in.
        const own = actor.person?.id === person.id ? accounts.kept(person.id) : undefined;
        if (own && own.leftAt === null) await enter(request, own);
        return person;
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/devices',
      needs: 'own',
      summary: 'Devices of the shop, those that were cut off too',
      answer: { status: 200, schema: z.array(tabletSchema) },
      run: () => accounts.tablets(),
    }),
    endpoint({
      method: 'post',
      path: '/api/devices/codes',
      needs: 'own',
      deed: 'made a code for a device',
      summary: 'A code that lets one device in: once, within ten minutes',
      body: newPairingSchema,
      answer: { status: 201, schema: pairingSchema },
      run: ({ body }) => accounts.pairing(body.name),
    }),
    endpoint({
      method: 'post',
      path: '/api/devices/{id}/cut-off',
      needs: 'own',
      deed: 'cut off the device',
      summary: 'A device that is lost is let in no more',
      answer: { status: 200, schema: tabletSchema },
      run: ({ params }) => accounts.cutTablet(params.id!),
    }),
    endpoint({
      method: 'get',
      path: '/api/jobs/{id}/links',
      needs: 'work',
      summary: 'Links that show this job to whoever has them',
      answer: { status: 200, schema: z.array(guestLinkSchema) },
      run: ({ params }) => accounts.guestLinks(params.id!),
    }),
    endpoint({
      method: 'post',
      path: '/api/links',
      needs: 'work',
      deed: 'made a link to',
      summary: 'A link that shows one job, read only, until a day',
      body: newGuestLinkSchema,
      answer: { status: 201, schema: madeGuestLinkSchema },
      run: ({ body }) => accounts.guestLink(body.job, body.days),
    }),
    endpoint({
      method: 'delete',
      path: '/api/links/{id}',
      needs: 'work',
      deed: 'ended a link to',
      summary: 'End a link',
      answer: { status: 204 },
      run: ({ params }) => accounts.cutGuestLink(params.id!),
    }),
    endpoint({
      method: 'post',
      path: '/api/guest',
      needs: 'nothing',
      summary: 'Come in by a link to one job',
      body: guestSchema,
      answer: { status: 200, schema: meSchema },
      run: async ({ body, request }) => {
        const { id: guest } = await accounts.guest(body.token, addressOf(request));
        await renamed(request, { guest });
        return meNow(request);
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/deeds',
      needs: 'own',
      summary: 'Who did what, the last first: ?person= of one, ?from= where the last page ended',
      answer: { status: 200, schema: auditPageSchema },
      run: ({ query }) => accounts.deeds(query.from, query.person),
    }),
  ];
}
