import { MS_PER_DAY, MS_PER_MIN } from '#core/measures';
import { RIGHTS_OF } from '#formats/people';
import { type Actor, EVERYBODY, NOBODY } from '../../accounts/actor';
import { token } from '../../accounts/secrets';
import type { Turn } from '../../accounts/sessions';
import type { Db } from '../../db/open';
import { guestLinkRepository } from '../../repositories/guest-links';
import { type KeptPerson, peopleRepository } from '../../repositories/people';
import { tabletRepository } from '../../repositories/tablets';
import { pairedTablet } from './tablets';

/** Nobody is in any more after so long without a question, and after so long at all. */
const IDLE_MS = 12 * 60 * MS_PER_MIN;
const LONGEST_MS = 14 * MS_PER_DAY;
/** What somebody tapped without a network is still theirs so long after they left the device. */
const TURN_MS = 3 * MS_PER_DAY;
/** A tablet's last sign of life is written down this often. */
const SEEN_MS = 5 * MS_PER_MIN;

/** What a session holds of who is signed in, and where. */
export interface SignedIn {
  readonly tablet?: string | undefined;
  readonly guest?: string | undefined;
  readonly turns?: readonly Turn[] | undefined;
  readonly turn?: string | undefined;
}

/** Who it is that asks: by their turn at a device, or by a guest link. */
export function presence(db: Db, now: () => Date) {
  const people = peopleRepository(db);
  const tablets = tabletRepository(db);
  const links = guestLinkRepository(db);
  const nowMs = () => now().getTime();
  const tabletOf = pairedTablet(tablets);

  const isOn = (turn: Turn | undefined): boolean =>
    turn !== undefined && nowMs() - turn.seenMs < IDLE_MS && nowMs() - turn.fromMs < LONGEST_MS;
  /** Whose turn it is, as long as they work here and nothing of theirs was changed since. */
  const personOf = (turn: Turn | undefined): KeptPerson | undefined => {
    const person = turn && people.get(turn.person);
    return person && person.leftAt === null && person.edition === turn.edition ? person : undefined;
  };

  return {
    /**
     * Who asks, by what their session holds.
     * @param earlier the turn of this session something was tapped in: it arrives late, and is by whose turn that was, or
     * by nobody where that is not known
     */
    actorOf(signedIn: SignedIn, earlier?: string): Actor {
      if (!people.isAnybody()) return EVERYBODY;
      const tablet = tabletOf(signedIn.tablet);
      // A device that was cut off is nobody's, whoever is at it.
      if (signedIn.tablet !== undefined && !tablet) return NOBODY;
      const at = { ...(tablet && { tablet: { id: tablet.id, name: tablet.name } }) };
      const turns = signedIn.turns ?? [];
      const current = turns.find(({ id }) => id === signedIn.turn);
      const inNow = isOn(current) ? personOf(current) : undefined;
      if (inNow) {
        // Late taps are their maker's; what may be done is what whoever is at the device now may do.
        const late = turns.find(({ id, seenMs }) => id === earlier && nowMs() - seenMs < TURN_MS);
        const { id, name, role } = inNow;
        const by = earlier === undefined ? id : late?.person;
        return { ...at, person: { id, name, role }, rights: new Set(RIGHTS_OF[role]), by };
      }
      const link = signedIn.guest === undefined ? undefined : links.get(signedIn.guest);
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
    /** The same turns with the one that is on seen now; undefined: it was seen a moment ago, or is over and stays so. */
    seen({ turns, turn }: SignedIn): Turn[] | undefined {
      const on = turns?.find(({ id }) => id === turn);
      if (!on || !isOn(on) || nowMs() - on.seenMs < SEEN_MS) return undefined;
      return turns!.map((each) => (each === on ? { ...each, seenMs: nowMs() } : each));
    },
    seenTablet(id: string): void {
      const tablet = tabletOf(id);
      if (tablet && nowMs() - Date.parse(tablet.seenAt ?? tablet.pairedAt) >= SEEN_MS)
        tablets.put({ ...tablet, seenAt: now().toISOString() });
    },
  };
}
