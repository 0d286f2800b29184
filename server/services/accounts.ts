import { MS_PER_DAY, MS_PER_MIN } from '#core/measures';
import {
  type AuditEntry,
  type AuditPage,
  type GuestLink,
  type MadeGuestLink,
  type Pairing,
  type Person,
  type PersonDraft,
  type PersonName,
  RIGHTS_OF,
  type Tablet,
} from '#formats/people';
import { FaultsError } from '#formats/values';
import { type Actor, EVERYBODY, NOBODY } from '../accounts/actor';
import { code, digest, hashed, isGuessed, isSecret, token } from '../accounts/secrets';
import type { Turn } from '../accounts/sessions';
import { type Limit, throttle } from '../accounts/throttle';
import type { Db } from '../db/open';
import { conflict, notFound, wrongSecret } from '../http/problem';
import { auditRepository, type AuditPlace, LATEST, type NewAuditEntry } from '../repositories/deeds';
import { guestLinkRepository } from '../repositories/guest-links';
import { jobRepository } from '../repositories/jobs';
import { type KeptPerson, peopleRepository, shown } from '../repositories/people';
import { shopSettingsRepository } from '../repositories/shop-settings';
import { tabletRepository } from '../repositories/tablets';
import type { ChangeFeed } from './changes';
import { auditWords } from './deed-words';

/** A code that pairs a device holds so long. */
const PAIRING_MS = 10 * MS_PER_MIN;
/** Nobody is in any more after so long without a question, and after so long at all. */
const IDLE_MS = 12 * 60 * MS_PER_MIN;
const LONGEST_MS = 14 * MS_PER_DAY;
/** What somebody tapped without a network is still theirs so long after they left the device. */
const TURN_MS = 3 * MS_PER_DAY;
/** A tablet's last sign of life is written down this often. */
const SEEN_MS = 5 * MS_PER_MIN;
const PAGE = 50;
const NETWORK = 'network-open';

/** What a session holds of who is in. */
export interface Standing {
  readonly tablet?: string | undefined;
  readonly guest?: string | undefined;
  readonly turns?: readonly Turn[] | undefined;
  readonly turn?: string | undefined;
}

/** Accounts, devices and guest links: who may come in, and who it is that asks. */
export function accountService(db: Db, changes: ChangeFeed, now: () => Date) {
  const people = peopleRepository(db);
  const tablets = tabletRepository(db);
  const links = guestLinkRepository(db);
  const deeds = auditRepository(db);
  const jobs = jobRepository(db);
  const settings = shopSettingsRepository(db);
  const attempts = throttle();
  const nowMs = () => now().getTime();
  const nowText = () => now().toISOString();
  const tell = () => changes.tell({ kind: 'people', id: 'all' });

  /** Counts an attempt, looks whether it is right, and forgets the slips before it where it is. */
  const tried = async <T>(
    keys: readonly (readonly [Limit, string])[],
    look: () => Promise<T | undefined> | T | undefined,
    wrong?: string,
  ): Promise<T> => {
    await attempts.attempt(...keys);
    const found = await look();
    if (found === undefined) throw wrongSecret(wrong);
    await attempts.right(...keys);
    return found;
  };

  const isOn = (turn: Turn | undefined): boolean =>
    turn !== undefined && nowMs() - turn.seenMs < IDLE_MS && nowMs() - turn.fromMs < LONGEST_MS;
  /** Whose turn it is, as long as they work here and nothing of theirs was changed since. */
  const personOf = (turn: Turn | undefined): KeptPerson | undefined => {
    const person = turn && people.get(turn.person);
    return person && person.leftAt === null && person.edition === turn.edition ? person : undefined;
  };
  const tabletOf = (id: string | undefined): Tablet | undefined => {
    const tablet = id === undefined ? undefined : tablets.get(id);
    return tablet?.cutAt === null ? tablet : undefined;
  };

  const requirePerson = (id: string): KeptPerson => {
    const person = people.get(id);
    if (!person) throw notFound('person', id);
    return person;
  };
  const requireJob = (id: string): string => {
    if (!jobs.get(id)) throw notFound('job', id);
    return id;
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
    /**
     * Who asks, by what their session holds.
     * @param earlier a turn of this session that is over: what was tapped in it arrives late
     */
    actorOf(standing: Standing, earlier?: string): Actor {
      if (!people.isAnybody()) return EVERYBODY;
      const tablet = tabletOf(standing.tablet);
      // A device that was cut off is nobody's, whoever is at it.
      if (standing.tablet !== undefined && !tablet) return NOBODY;
      const at = { ...(tablet && { tablet: { id: tablet.id, name: tablet.name } }) };
      const turns = standing.turns ?? [];
      const current = turns.find(({ id }) => id === standing.turn);
      const inNow = isOn(current) ? personOf(current) : undefined;
      if (inNow) {
        // Late taps are their maker's; what may be done is what whoever is at the device now may do.
        const late = turns.find(({ id, seenMs }) => id === earlier && nowMs() - seenMs < TURN_MS);
        const { id, name, role } = inNow;
        return { ...at, person: { id, name, role }, rights: new Set(RIGHTS_OF[role]), by: late?.person ?? id };
      }
      const link = standing.guest === undefined ? undefined : links.get(standing.guest);
      if (link && link.cutAt === null && Date.parse(link.until) > nowMs())
        return { ...NOBODY, ...at, guest: { job: link.job, until: link.until } };
      return { ...NOBODY, ...at };
    },
    /** The turns of a session with somebody new at it; those that are long over are forgotten. */
    turnsWith(
      turns: readonly Turn[] | undefined,
      { id: person, edition }: KeptPerson,
    ): { turns: Turn[]; turn: string } {
      const turn = token();
      const lately = (turns ?? []).filter(({ seenMs }) => nowMs() - seenMs < TURN_MS);
      return { turn, turns: [...lately, { id: turn, person, edition, fromMs: nowMs(), seenMs: nowMs() }] };
    },
    /** The same turns with the one that is on seen now; undefined: it was seen a moment ago. */
    seen({ turns, turn }: Standing): Turn[] | undefined {
      const on = turns?.find(({ id }) => id === turn);
      if (!on || nowMs() - on.seenMs < SEEN_MS) return undefined;
      return turns!.map((each) => (each === on ? { ...each, seenMs: nowMs() } : each));
    },
    seenTablet(id: string): void {
      const tablet = tabletOf(id);
      if (tablet && nowMs() - Date.parse(tablet.seenAt ?? tablet.pairedAt) >= SEEN_MS)
        tablets.put({ ...tablet, seenAt: nowText() });
    },

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
    signIn: (name: string, password: string, address: string): Promise<KeptPerson> =>
      tried(
        [
          ['name', name.trim().toLowerCase()],
          ['address', address],
        ],
        async () => {
          const person = people.called(name);
          const fits = await isSecret(password, person?.leftAt === null ? person.passwordHash : undefined);
          return fits ? person : undefined;
        },
      ),
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
        [['name', person.name.toLowerCase()]],
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
            hasLeft === undefined ? (known?.leftAt ?? null) : hasLeft ? (known?.leftAt ?? nowText()) : null;
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

    tablets: tablets.all,
    /** A code that lets one device in, once, within ten minutes. */
    pairing(name: string): Pairing {
      const made = code();
      tablets.offer(digest(made), name.trim(), nowMs() + PAIRING_MS, nowMs());
      return { code: made, until: new Date(nowMs() + PAIRING_MS).toISOString() };
    },
    /** @throws ProblemError (401) for a code that is none, was used, or is too old */
    pair: (said: string, address: string): Promise<Tablet> =>
      tried(
        [['address', address]],
        () => {
          const name = tablets.take(digest(said.trim().toUpperCase()), nowMs());
          if (name === undefined) return undefined;
          const tablet = { id: token(), name, pairedAt: nowText(), seenAt: nowText(), cutAt: null };
          tablets.put(tablet);
          tell();
          return tablet;
        },
        'That code is used, too old or mistyped. Ask for another at the desk: People, Devices.',
      ),
    /** A device that is lost: from now on it is let in no more. */
    cutTablet(id: string): Tablet {
      const tablet = tablets.get(id);
      if (!tablet) throw notFound('device', id);
      const cut = { ...tablet, cutAt: tablet.cutAt ?? nowText() };
      tablets.put(cut);
      tell();
      return cut;
    },

    guestLinks: (job: string): GuestLink[] => links.of(requireJob(job)),
    guestLink(job: string, days: number): MadeGuestLink {
      requireJob(job);
      const secret = token();
      const until = new Date(nowMs() + days * MS_PER_DAY).toISOString();
      const link = { id: token(), job, madeAt: nowText(), until, cutAt: null };
      links.add(link, digest(secret));
      return { ...link, token: secret };
    },
    /** @throws ProblemError (401) for a link that is none, was ended or is over */
    guest: (secret: string, address: string): Promise<GuestLink> =>
      tried(
        [['address', address]],
        () => {
          const link = links.find(digest(secret));
          return link && link.cutAt === null && Date.parse(link.until) > nowMs() && jobs.get(link.job)
            ? link
            : undefined;
        },
        'This link is over, or was ended. Ask the workshop for another.',
      ),
    cutGuestLink(id: string): void {
      if (!links.get(id)) throw notFound('link', id);
      links.cut(id, nowText());
    },

    /** Whether the door to the network was left open. */
    isNetworkKeptOpen: (): boolean => settings.get(NETWORK) === true,
    keepNetworkOpen: (open: boolean) => settings.put(NETWORK, open),

    /** Puts on record that something was done. */
    did: (deed: Omit<NewAuditEntry, 'at'>) => deeds.add({ ...deed, at: nowText() }),
    /**
     * Who did what, the last first: what was changed, laid and moved in stock.
     * @param from where the last page ended
     */
    deeds(from: string | undefined, person: string | undefined): AuditPage {
      const place = from === undefined ? LATEST : placeOf(from);
      const { deeds: changed, run, stock } = deeds.before(place, PAGE, person);
      const titles = new Map(people.all().map(({ id, name }) => [id, name]));
      const words = auditWords(db);
      const all = [
        ...changed.map((row) => ({ log: 'deed' as const, seq: row.seq, deed: words.ofAuditEntry(row) })),
        ...run.map((row) => ({ log: 'run' as const, seq: row.seq, deed: words.ofRun(row) })),
        ...stock.map((row) => ({ log: 'stock' as const, seq: row.seq, deed: words.ofStock(row) })),
      ]
        .sort((a, b) => Date.parse(b.deed.at) - Date.parse(a.deed.at))
        .slice(0, PAGE);
      const next = all.reduce((reached, { log, seq }) => ({ ...reached, [log]: Math.min(reached[log], seq) }), place);
      return {
        deeds: all.map(({ deed }): AuditEntry => ({
          ...deed,
          by: deed.by === null ? null : (titles.get(deed.by) ?? deed.by),
        })),
        next: all.length < PAGE ? null : [next.deed, next.run, next.stock].join('-'),
      };
    },
  };
}
export type AccountService = ReturnType<typeof accountService>;

/** @throws FaultsError for a place that is none */
function placeOf(said: string): AuditPlace {
  const [deed, run, stock] = said.split('-').map(Number);
  if (deed === undefined || run === undefined || stock === undefined || [deed, run, stock].some(Number.isNaN))
    throw new FaultsError([
      { path: 'from', message: 'is no place in the record; leave it out to begin with the latest' },
    ]);
  return { deed, run, stock };
}
