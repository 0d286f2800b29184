import type { Person, PersonDraft, PersonName } from '#formats/people';
import { FaultsError } from '#formats/values';
import { hashed, isGuessed, isSecret, token } from '../../accounts/secrets';
import type { Db } from '../../db/open';
import { conflict, notFound, wrongSecret } from '../../http/problem';
import { type KeptPerson, peopleRepository, shown } from '../../repositories/people';
import { tabletRepository } from '../../repositories/tablets';
import type { Limit } from '../../accounts/throttle';
import type { Try } from './attempts';
import { pairedTablet } from './tablets';

/** People with an account: what they sign in by, and what they may do. */
export function people(db: Db, tried: Try, now: () => Date, tell: () => void) {
  const people = peopleRepository(db);
  const tabletOf = pairedTablet(tabletRepository(db));

  /** Names and the addresses they signed in from since the server started. */
  const signedInFrom = new Set<string>();

  const requirePerson = (id: string): KeptPerson => {
    const person = people.get(id);
    if (!person) throw notFound('person', id);
    return person;
  };
  const refuseGuessed = async (password: string, name: string) => {
    if (await isGuessed(password, name.split(/\s+/)))
      throw new FaultsError([
        {
          path: 'password',
          message: 'is among the first that are tried; take three or four words that do not belong together',
        },
      ]);
  };
  /** Somebody has to be able to let others in. */
  const requireOwnerLeft = (without: KeptPerson) => {
    const others = people.owners().filter(({ id, passwordHash }) => id !== without.id && passwordHash !== null);
    if (others.length === 0) throw conflict('There has to be an owner with a password: make another one first.');
  };

  return {
    isAnybody: people.isAnybody,
    /** The first account: whoever makes it owns the workshop. */
    async firstOwner(name: string, password: string): Promise<KeptPerson> {
      await refuseGuessed(password, name);
      const passwordHash = await hashed(password);
      const person: KeptPerson = {
        id: token(),
        name: name.trim(),
        role: 'owner',
        passwordHash,
        pinHash: null,
        edition: 1,
        leftAt: null,
      };
      db.transaction(
        () => {
          if (people.isAnybody()) throw conflict('There are accounts already: sign in.');
          people.put(person);
        },
        { behavior: 'immediate' },
      );
      tell();
      return person;
    },
    /** @throws ProblemError (401) for a name and password that do not go together, (429) where tried too often */
    async signIn(name: string, password: string, address: string): Promise<KeptPerson> {
      const called = name.trim().toLowerCase();
      const here = JSON.stringify([called, address]);
      // The address first: one that is refused counts against no name.
      const keys: (readonly [Limit, string])[] = [
        ['address', address],
        ['nameHere', here],
      ];
      if (!signedInFrom.has(here)) keys.push(['nameAnywhere', called]);
      const person = await tried(keys, async () => {
        const known = people.called(name);
        const fits = await isSecret(password, known?.leftAt === null ? known.passwordHash : undefined);
        return fits ? known : undefined;
      });
      signedInFrom.add(here);
      return person;
    },
    /** @throws ProblemError (401) for a wrong PIN or a device that is not the shop's, (429) where tried too often */
    switchTo: (tablet: string | undefined, person: string, pin: string): Promise<KeptPerson> => {
      if (!tabletOf(tablet)) throw wrongSecret('PINs count at devices of the shop only: pair this one first.');
      return tried(
        [
          ['pin', `${tablet}/${person}`],
          ['tablet', tablet!],
        ],
        async () => {
          const known = people.get(person);
          const fits = await isSecret(pin, known?.leftAt === null ? known.pinHash : undefined);
          return fits ? known : undefined;
        },
        'That is not the PIN.',
      );
    },
    /** Another password of one's own: all other devices are signed out. */
    async changePassword(id: string, password: string, newPassword: string): Promise<KeptPerson> {
      const person = requirePerson(id);
      await refuseGuessed(newPassword, person.name);
      await tried(
        [['nameHere', JSON.stringify([id, 'own password'])]],
        async () => (await isSecret(password, person.passwordHash)) || undefined,
        'That is not your password.',
      );
      const changed = { ...person, passwordHash: await hashed(newPassword), edition: person.edition + 1 };
      people.put(changed);
      tell();
      return changed;
    },

    kept: people.get,
    /**
     * Another password for whoever lost theirs, made up and told once. Only by command, at the server's machine.
     * @returns the password; undefined: nobody here is called so
     */
    async letIn(name: string): Promise<string | undefined> {
      const person = people.called(name);
      if (person?.leftAt !== null) return undefined;
      const password = token();
      people.put({ ...person, passwordHash: await hashed(password), edition: person.edition + 1 });
      return password;
    },
    people: (): Person[] => people.all().map(shown),
    /** Names to go with what stands on record, of those who left too. */
    names: (): PersonName[] =>
      people
        .all()
        .map(shown)
        .map(({ id, name, role, hasPin, leftAt }) => ({ id, name, role, hasPin, leftAt })),
    /** Keeps a person under an id of the sender: a new one, or what has changed of one. */
    async putPerson(id: string, { name, role, password, pin, hasLeft }: PersonDraft): Promise<Person> {
      if (password) await refuseGuessed(password, name);
      const secret = async (said: string | null | undefined, kept: string | null) =>
        said === undefined ? kept : said === null ? null : hashed(said);
      const before = people.get(id);
      const [passwordHash, pinHash] = [
        await secret(password, before?.passwordHash ?? null),
        await secret(pin, before?.pinHash ?? null),
      ];
      const kept = db.transaction(
        () => {
          const known = people.get(id);
          const namesake = people.called(name);
          if (namesake && namesake.id !== id)
            throw new FaultsError([{ path: 'name', message: 'somebody is called so already; add a letter' }]);
          const leftAt =
            hasLeft === undefined ? (known?.leftAt ?? null) : hasLeft ? (known?.leftAt ?? now().toISOString()) : null;
          const fresh = { id, name: name.trim(), role, passwordHash, pinHash, leftAt };
          const isOwner = role === 'owner' && passwordHash !== null && leftAt === null;
          if (known?.role === 'owner' && !isOwner) requireOwnerLeft(known);
          const stays =
            known &&
            known.role === role &&
            known.passwordHash === passwordHash &&
            known.pinHash === pinHash &&
            known.leftAt === leftAt;
          const person = { ...fresh, edition: (known?.edition ?? 0) + (stays ? 0 : 1) };
          people.put(person);
          return person;
        },
        { behavior: 'immediate' },
      );
      tell();
      return shown(kept);
    },
  };
}
