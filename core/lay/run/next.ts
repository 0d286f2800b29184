import type { RunSheet, SheetPatch } from './sheet';
import type { WindowState } from './window-state';

/**
 * What the hands at one screen take on: `all` of it, where one screen leads everybody; `both`, what they have begun
 * themselves and what comes next; or only laying, or only levelling what others lay.
 */
export const HAND_ROLES = ['all', 'both', 'lay', 'level'] as const;
export type HandRole = (typeof HAND_ROLES)[number];

/** The hands at one screen. */
export interface Hand {
  readonly role: HandRole;
  /** Whether these hands began to lay, or to level, that patch. */
  readonly began: (patch: SheetPatch, what: 'lay' | 'level') => boolean;
  /** A panel wished for out of its turn. */
  readonly wish?: string | undefined;
}

/** How urgent a wet patch is: its window's state, and until it may be levelled, minutes. */
export interface Urgency {
  readonly state: WindowState;
  readonly opensInMin: number;
}

/** What hands do next. Watched: it is not to be touched yet, or others have it in hand; it is theirs as soon as it opens. */
export interface NextThing {
  readonly does: 'work' | 'watch';
  readonly patch: SheetPatch;
}

/** About to close, or closed: nothing else is worth doing. */
const presses = ({ state }: Urgency) => state === 'closing' || state === 'closed';
const RANK: Readonly<Record<WindowState, number>> = { closed: 0, closing: 0, open: 1, none: 1, opening: 2, before: 3 };

/**
 * What is wet in the order hands go to it: what is about to close, then what is open, each the oldest first; then what
 * opens first.
 */
export function byUrgency(wet: readonly SheetPatch[], urgencyOf: (patch: SheetPatch) => Urgency): SheetPatch[] {
  return wet
    .map((patch) => ({ patch, urgency: urgencyOf(patch) }))
    .sort(
      (a, b) =>
        RANK[a.urgency.state] - RANK[b.urgency.state] ||
        (RANK[a.urgency.state] > 1 ? a.urgency.opensInMin - b.urgency.opensInMin : 0) ||
        a.patch.startMin - b.patch.startMin,
    )
    .map(({ patch }) => patch);
}

/**
 * The one next thing for the hands at one screen. What they level is ended first; then what is about to close, even
 * from the midst of laying; then what they lay; then what the sheet has, or what was wished for.
 * @returns undefined where nothing is left for them
 */
export function nextFor(
  { patches, wet, current }: RunSheet,
  hand: Hand,
  urgencyOf: (patch: SheetPatch) => Urgency,
): NextThing | undefined {
  const { role, began, wish } = hand;
  const levelling = patches.find(({ state }) => state === 'levelling');
  const mine = (state: 'laying' | 'levelling') =>
    patches.find(
      (patch) => patch.state === state && (role === 'all' || began(patch, state === 'laying' ? 'lay' : 'level')),
    );
  const work = (patch: SheetPatch | undefined): NextThing | undefined => patch && { does: 'work', patch };
  const watch = (patch: SheetPatch | undefined): NextThing | undefined => patch && { does: 'watch', patch };

  // Whoever began it ends it: one who only lays may have helped.
  const inTowel = role === 'all' ? levelling : mine('levelling');
  if (inTowel) return work(inTowel);
  const waiting = byUrgency(wet, urgencyOf);
  const [first] = waiting;
  if (first && role !== 'lay' && presses(urgencyOf(first))) return work(first);
  const inHand = mine('laying');
  if (inHand) return work(inHand);
  if (role === 'level') {
    if (first) return work(first);
    // What is being laid comes next to whoever follows; else what the sheet has laid next.
    return watch(oldest(patches, 'laying') ?? patches.find(({ state }) => state === 'todo') ?? levelling);
  }
  const todo = patches.filter(({ state }) => state === 'todo');
  const wished = todo
    .filter(({ patch }) => patch.surface === wish)
    .sort((a, b) => a.patch.layer - b.patch.layer || a.patch.coat - b.patch.coat)[0];
  if (wished) return work(wished);
  const inOtherHands = oldest(patches, 'laying') ?? levelling;
  if (role === 'lay') return work(todo[0]) ?? watch(first ?? inOtherHands);
  // The sheet goes back to what is wet in its own time: then to the one that is due.
  if (current?.state === 'waiting') return work(first);
  if (current?.state === 'todo') return work(current);
  // Somebody else's hands are on what the sheet has first.
  return work(todo[0] ?? first) ?? watch(inOtherHands);
}

const oldest = (patches: readonly SheetPatch[], state: SheetPatch['state']): SheetPatch | undefined =>
  patches
    .filter((patch) => patch.state === state)
    .reduce<SheetPatch | undefined>((old, patch) => (old && old.startMin <= patch.startMin ? old : patch), undefined);
