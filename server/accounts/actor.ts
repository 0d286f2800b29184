import type { Right, Role } from '#formats/people';

/** Who asks: worked out from the session alone, never from what is sent. */
export interface Actor {
  readonly person?: { readonly id: string; readonly name: string; readonly role: Role } | undefined;
  /** The device of the shop it is asked from. */
  readonly tablet?: { readonly id: string; readonly name: string } | undefined;
  /** Somebody with a link to one job. */
  readonly guest?: { readonly job: string; readonly until: string } | undefined;
  readonly rights: ReadonlySet<Right>;
  /** Whose it is: goes with everything that is entered; undefined: nobody has an account yet. */
  readonly by: string | undefined;
  /** What the device takes it to be, ms; undefined: it does not say. */
  readonly deviceMs?: number | undefined;
}

/** Everybody at this machine, while nobody has an account. */
export const EVERYBODY: Actor = { rights: new Set(['look', 'run', 'work', 'own']), by: undefined };

/** Somebody who has not said who they are. */
export const NOBODY: Actor = { rights: new Set(), by: undefined };
