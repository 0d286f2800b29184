import { createListenerMiddleware } from '@reduxjs/toolkit';
import { api, problemOf } from '../app/api';
import type { AppDispatch, RootState } from '../app/state';
import { keepTap, type KeptTap, keptTaps, letGo, putAside } from './kept';
import { decided, outbox, tapped, waitingOf } from './slice';

const RETRY_MS = 1500;
/** One tab of this device sends at a time, and tells the others what has changed. */
const LOCK = 'glaphyra.outbox';
const { loaded, sent, setAside, unreachable, notKept } = outbox.actions;

interface Listener {
  readonly dispatch: AppDispatch;
  readonly getState: () => RootState;
}

/** Sends taps one after the other, in their order, until the server has acknowledged each. */
export function tapSending() {
  const sending = createListenerMiddleware<RootState, AppDispatch>();

  /** Taps that only this tab has: those the device could not keep, and those it is about to keep. */
  const onlyHere = new Set<string>();
  const keeping = new Map<string, Promise<void>>();
  /**
   * What this tab kept, or let go of, and in which turn: a look at what is kept that began before it is older than that.
   * Only what the last few looks could have missed is remembered.
   */
  const lately = new Map<string, { readonly turn: number; readonly isKept: boolean }>();
  let turn = 0;
  const MOST_LATELY = 200;

  function remember(id: string, isKept: boolean): void {
    lately.delete(id);
    lately.set(id, { turn, isKept });
    const [oldest] = lately.keys();
    if (lately.size > MOST_LATELY && oldest !== undefined) lately.delete(oldest);
  }

  sending.startListening({
    actionCreator: tapped,
    effect: async ({ payload }, listener) => {
      const { id } = payload.entry;
      const kept = keep(payload, listener).finally(() => keeping.delete(id));
      keeping.set(id, kept);
      // With nothing before it, it is sent while the device writes it down: whichever of the two has it first, it is not lost.
      if (busy || waiting(listener).length > 1) await kept;
      await changed(listener, waiting(listener).length === 1);
    },
  });

  async function keep(tap: KeptTap, { dispatch }: Listener): Promise<void> {
    const { id } = tap.entry;
    try {
      await keepTap(tap);
      remember(id, true);
      channel?.postMessage('changed');
    } catch {
      onlyHere.add(id);
      dispatch(notKept());
    }
  }

  sending.startListening({
    actionCreator: decided,
    effect: async ({ payload: { id, again } }, listener) => {
      onlyHere.delete(id);
      await (again ? putAside(id, undefined) : letGo(id)).catch(() => undefined);
      remember(id, again);
      await changed(listener);
    },
  });

  // The first query of a page also takes up what an earlier page left behind.
  sending.startListening({
    matcher: api.endpoints.log.matchFulfilled,
    effect: async (_action, listener) => {
      listen(listener);
      if (!busy) await changed(listener);
    },
  });

  let channel: BroadcastChannel | undefined;
  let busy = false;
  let again = false;
  let wake: (() => void) | undefined;

  /** Other tabs tell when something has changed, the browser when there is a network again. */
  function listen(listener: Listener): void {
    if (channel || typeof BroadcastChannel === 'undefined') return;
    channel = new BroadcastChannel(LOCK);
    channel.onmessage = () => void reload(listener);
    addEventListener('online', () => void changed(listener));
  }

  /** @param isAlone whether all that waits is the tap this tab has just taken: then nothing is looked up before it is sent */
  async function changed(listener: Listener, isAlone = false): Promise<void> {
    if (!isAlone) channel?.postMessage('changed');
    again = true;
    wake?.();
    if (busy) return;
    busy = true;
    try {
      for (let isFirst = true; again; isFirst = false) {
        again = false;
        await alone(async () => {
          if (!isFirst || !isAlone) await reload(listener);
          await sendAll(listener);
        });
        if (waiting(listener).length === 0 || again) continue;
        // Sooner where something is tapped, or there is a network again.
        await new Promise<void>((resolve) => {
          wake = resolve;
          setTimeout(resolve, RETRY_MS);
        });
        wake = undefined;
        again = true;
      }
    } finally {
      busy = false;
    }
  }

  /** What the device keeps is what is true: another tab may have sent, or tapped. */
  async function reload({ dispatch }: Listener): Promise<void> {
    const began = ++turn;
    const kept = await keptTaps().catch(() => undefined);
    if (!kept) return;
    const since = [...lately].filter(([, { turn: at }]) => at >= began);
    const gone = new Set(since.flatMap(([id, { isKept }]) => (isKept ? [] : [id])));
    const own = [...onlyHere, ...keeping.keys(), ...since.flatMap(([id, { isKept }]) => (isKept ? [id] : []))];
    dispatch(loaded({ kept: kept.filter(({ entry }) => !gone.has(entry.id)), own }));
  }

  async function sendAll(listener: Listener): Promise<void> {
    const { dispatch } = listener;
    /** Jobs whose next tap the server does not take for now: what follows it waits behind it, other jobs go on. */
    const stuck = new Set<string>();
    const next = (): KeptTap | undefined => waiting(listener).find(({ jobId }) => !stuck.has(jobId));
    for (let tap = next(); tap; tap = next()) {
      const { jobId, entry } = tap;
      const answer = await handedIn(tap, dispatch);
      await keeping.get(entry.id);
      const problem = answer.data ? undefined : problemOf(answer.error);
      if (answer.data) {
        onlyHere.delete(entry.id);
        await letGo(entry.id).catch(() => undefined);
        remember(entry.id, false);
        dispatch(sent(entry.id));
      } else if (problem && doesNotFit(problem.status)) {
        const why = problem.detail ?? problem.title;
        await putAside(entry.id, why).catch(() => undefined);
        dispatch(setAside({ id: entry.id, why }));
        dispatch(api.util.invalidateTags([{ type: 'log', id: jobId }]));
      } else {
        stuck.add(jobId);
        dispatch(unreachable(problem ? (problem.detail ?? problem.title) : ''));
        // No answer at all: nor will the next one have any.
        if (!problem || problem.status >= 500) return;
      }
      channel?.postMessage('changed');
    }
  }

  return sending;
}

const waiting = ({ getState }: Listener) => waitingOf(getState().outbox);

/** Where a browser has no locks there are not several tabs either, or each entry is sent twice and logged once. */
const alone = (work: () => Promise<void>): Promise<void> =>
  'locks' in navigator ? navigator.locks.request(LOCK, work) : work();

/** What was tapped while nobody was in is nobody's, whoever is in when it is sent. */
const NOBODYS_TURN = 'none';

/** Hands one in by the door of its kind. */
async function handedIn(tap: KeptTap, dispatch: AppDispatch): Promise<{ data?: unknown; error?: unknown }> {
  const { jobId, turn = NOBODYS_TURN } = tap;
  switch (tap.kind) {
    case 'tick': {
      const { line, ticked } = tap.entry;
      return dispatch(api.endpoints.tick.initiate({ id: jobId, body: { line, ticked }, turn }, { track: false }));
    }
    case 'stock': {
      const answer = await dispatch(api.endpoints.noteStock.initiate({ body: tap.entry, turn }, { track: false }));
      // What stands in hand is read before the tap is let go of, so that it does not step back for a moment.
      if (answer.data)
        await dispatch(api.endpoints.jobStock.initiate({ id: jobId }, { forceRefetch: true, subscribe: false }));
      return answer;
    }
    default:
      return dispatch(api.endpoints.appendLog.initiate({ id: jobId, body: tap.entry, turn }, { track: false }));
  }
}

/**
 * Whether an answer says that this very entry can never be logged as it is: it contradicts the record, or cannot be read.
 * Any other refusal is of the server as it is now (another database, nobody signed in, too many at once): it waits.
 */
const doesNotFit = (status: number): boolean => NEVER_TAKEN.includes(status);
/** Not readable, no such job or bottle (any more), contradicted, too large. */
const NEVER_TAKEN: readonly number[] = [400, 404, 409, 410, 413, 422];
