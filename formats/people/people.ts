/** People, the devices they work at, and what they did, as the server and the interface tell each other. */
import { z } from 'zod';
import { flag, id, instant, nonEmpty, object, oneOf, text, wholePositive } from '#formats/values';

export const ROLES = ['owner', 'installer', 'helper'] as const;
export type Role = (typeof ROLES)[number];

/** What somebody may do, each with the words of a refusal. */
export const RIGHTS = {
  look: 'look at the workshop',
  run: 'log what was done at the bay',
  work: 'change jobs and stock',
  own: 'change sheets, prices, bays and people',
} as const;
export type Right = keyof typeof RIGHTS;

/** Who may do what: a helper runs and ticks, an installer plans and keeps the stock too, an owner everything. */
export const RIGHTS_OF: Readonly<Record<Role, readonly Right[]>> = {
  owner: ['look', 'run', 'work', 'own'],
  installer: ['look', 'run', 'work'],
  helper: ['look', 'run'],
};

const SHORTEST_PASSWORD = 10;
const LONGEST_PASSWORD = 128;

/** A new password: long enough; whether it is easily guessed is seen where it is set. */
const newPassword = () =>
  text(LONGEST_PASSWORD).min(SHORTEST_PASSWORD, { error: `expected at least ${SHORTEST_PASSWORD} letters` });
const PIN = 'expected 4 to 8 digits that are not all alike or in a row';
const newPin = () =>
  text(8)
    .regex(/^\d{4,8}$/, { error: PIN })
    .refine((pin) => !isEasyPin(pin), { error: PIN });

/** All alike, or counted up or down. */
function isEasyPin(pin: string): boolean {
  const steps = new Set([...pin].slice(1).map((digit, index) => (Number(digit) - Number(pin[index]) + 10) % 10));
  return steps.size === 1 && [0, 1, 9].includes([...steps][0]!);
}

/** A name as it is called across the yard. */
const name = () => nonEmpty(60);

export const personSchema = object({
  id: id(),
  name: name(),
  role: oneOf(ROLES),
  /** Signs in at a desk. */
  hasPassword: flag(),
  /** Is switched to at a tablet of the shop. */
  hasPin: flag(),
  /** Left: signs in no more, and stays on the record. */
  leftAt: instant().nullable(),
});
export type Person = z.output<typeof personSchema>;

/** What is kept of a person; a secret that is not said stays as it was, null takes it away. */
export const personDraftSchema = object({
  name: name(),
  role: oneOf(ROLES),
  password: newPassword().nullable().optional(),
  pin: newPin().nullable().optional(),
  hasLeft: flag().optional(),
});
export type PersonDraft = z.input<typeof personDraftSchema>;

export const firstOwnerSchema = object({ name: name(), password: newPassword() });
export const signInSchema = object({ name: text(200), password: text(1000) });
export const pinSignInSchema = object({ person: text(64), pin: text(64) });
export const ownPasswordSchema = object({ password: text(1000), newPassword: newPassword() });

/** A device of the shop: it is let in by itself, and whoever works at it is switched to by a PIN. */
export const tabletSchema = object({
  id: id(),
  name: name(),
  pairedAt: instant(),
  seenAt: instant().nullable(),
  cutAt: instant().nullable(),
});
export type Tablet = z.output<typeof tabletSchema>;

export const newPairingSchema = object({ name: name() });
export const pairingSchema = object({ code: text(64), until: instant() });
export type Pairing = z.output<typeof pairingSchema>;
export const pairSchema = object({ code: text(64) });

/** Guest links: one job, read only, until a day. */
export const newGuestLinkSchema = object({
  job: id(),
  days: wholePositive().max(365, { error: 'expected at most 365' }),
});
export const guestLinkSchema = object({
  id: id(),
  job: id(),
  madeAt: instant(),
  until: instant(),
  cutAt: instant().nullable(),
});
export type GuestLink = z.output<typeof guestLinkSchema>;
/** The token is told once, when the link is made. */
export const madeGuestLinkSchema = guestLinkSchema.extend({ token: z.string() });
export type MadeGuestLink = z.output<typeof madeGuestLinkSchema>;
export const guestSchema = object({ token: text(200) });

/** A name to go with an id on the record. */
export const nameSchema = personSchema.pick({ id: true, name: true, role: true, hasPin: true, leftAt: true });
export type PersonName = z.output<typeof nameSchema>;

/** Who this device is to the server. */
export const meSchema = object({
  /** Whether anybody has an account: until then everybody at this machine may do everything. */
  accounts: flag(),
  person: object({ id: id(), name: name(), role: oneOf(ROLES) }).nullable(),
  tablet: object({ id: id(), name: name() }).nullable(),
  guest: object({ job: id(), until: instant() }).nullable(),
  rights: z.array(oneOf(Object.keys(RIGHTS) as [Right, ...Right[]])),
  /** The stretch of this device's time that is this person's: taps made in it are theirs, whenever they arrive. */
  turn: z.string().nullable(),
});
export type Me = z.output<typeof meSchema>;

/** Something done, by whom and where. */
export const auditEntrySchema = object({
  at: instant(),
  by: z.string().nullable(),
  tablet: z.string().nullable(),
  what: z.string(),
  /** What it was done to: its kind and name. */
  of: object({ kind: z.string(), id: z.string(), title: z.string() }).nullable(),
});
export type AuditEntry = z.output<typeof auditEntrySchema>;
export const auditPageSchema = object({ entries: z.array(auditEntrySchema), next: z.string().nullable() });
export type AuditPage = z.output<typeof auditPageSchema>;

/** How the workshop is reached from outside its machine. */
export const networkStateSchema = object({
  open: flag(),
  /** Where it is reached from the workshop's network. */
  urls: z.array(z.string()),
  /** Where a proxy shows it. */
  proxy: z.string().optional(),
  /** Until when its certificate holds; it is renewed before. */
  until: instant().optional(),
  /** Of the authority tablets have to trust: the same on both screens, or somebody sits between. */
  fingerprint: z.string().optional(),
});
export type NetworkState = z.output<typeof networkStateSchema>;
export const networkSwitchSchema = object({ open: flag() });

/** Copies of the workshop, the latest first. */
export const keptCopiesSchema = object({
  /** Where they lie on the server's machine. */
  folder: z.string(),
  /** Each is let go of on its day, where one more is made every day until then. */
  copies: z.array(object({ name: z.string(), at: instant(), bytes: z.int(), until: instant() })),
  /** How the last putting back ended. */
  putBack: object({ at: instant(), isDone: flag(), said: z.string() }).optional(),
});
export type KeptCopies = z.output<typeof keptCopiesSchema>;
export const putBackSchema = object({ overNewer: flag() });
/** A copy that is whole and is being put back. */
export const puttingBackSchema = object({ at: instant(), jobs: z.int(), entries: z.int(), pictures: z.int() });
