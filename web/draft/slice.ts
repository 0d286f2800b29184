import { createSlice, original, type PayloadAction } from '@reduxjs/toolkit';
import isEqual from 'fast-deep-equal';
import type { Problem } from '#formats/api';
import type { JobDraft, JobRecord } from '#formats/job';
import { type Clash, mergeThree } from '#formats/values';
import { joinedDrafts } from './join';
import { lastSent, type Unsaved } from './unsaved';

export type SaveState =
  | { readonly kind: 'saved' | 'dirty' | 'saving' | 'unreachable' }
  /** Someone else saved first, or what was edited does not fit what was laid. */
  | {
      readonly kind: 'refused';
      readonly problem: Problem;
      /** Someone else was first: what stands there, and the facts both changed. */
      readonly theirs?: JobRecord;
      readonly clashes?: readonly Clash[];
    };

/** A job as it is being edited here: what the server has, what stands on the screen, and the way back. */
export interface Draft {
  readonly version: number;
  readonly draft: JobDraft;
  /** What the server had under that version: what this was made of. */
  readonly base: JobDraft;
  /** What was sent since and never answered, the last few: should one of them stand on the server, it is one's own. */
  readonly sent?: readonly JobDraft[] | undefined;
  readonly past: readonly JobDraft[];
  readonly future: readonly JobDraft[];
  readonly state: SaveState;
  /** The device could not keep what is unsaved: it is only in this tab. */
  readonly isNotKept?: boolean;
}

const STEPS_KEPT = 100;

function draftOf({ document, bayId, airSource }: JobRecord): JobDraft {
  return { document, bayId, airSource };
}

/** As it went over the network: what is undefined is not there. */
const asSent = (draft: JobDraft): unknown => JSON.parse(JSON.stringify(draft));

type Drafts = Readonly<Record<string, Draft>>;

/** What is unsaved of a draft, as the device keeps it. */
export const unsavedOf = ({ version, draft, base, sent }: Draft): Unsaved => ({
  version,
  draft,
  base,
  ...(sent && sent.length > 0 && { sent }),
});

/**
 * A draft with what others changed: the way forward would lead back behind it. Where the server has all of it there is
 * nothing to save: two tabs would otherwise save the same for each other without end.
 */
function joinedInto(current: Draft, draft: JobDraft): Draft {
  const isOnServer = isEqual(asSent(draft), asSent(current.base));
  const state = { kind: isOnServer ? 'saved' : 'dirty' } as const;
  if (isEqual(current.draft, draft)) return { ...current, state };
  const past = [...current.past, current.draft].slice(-STEPS_KEPT);
  return { ...current, draft, past, future: [], state };
}

/** Puts a draft that is no draft of the state's own in its place. */
const put = (state: object, id: string, draft: Draft): void => void ((state as Record<string, Draft>)[id] = draft);

const NONE: Drafts = {};

export const drafts = createSlice({
  name: 'drafts',
  initialState: NONE,
  reducers: {
    /** What an earlier page, or another tab of this device, has not saved yet. */
    found(state, { payload: { id, unsaved } }: PayloadAction<{ id: string; unsaved: Unsaved }>) {
      const current = original(state)?.[id];
      if (!current) {
        put(state, id, { ...unsaved, past: [], future: [], state: { kind: 'dirty' } });
        return;
      }
      const draft = joinedDrafts(unsaved.base, current.draft, unsaved.draft);
      const { version, base } = current.version > unsaved.version ? current : unsaved;
      put(state, id, joinedInto({ ...current, version, base }, draft));
    },
    /** What is unsaved here was joined with another tab's; edits made meanwhile are joined once more. */
    joinedWithOthers(
      state,
      { payload: { id, kept, joined } }: PayloadAction<{ id: string; kept: JobDraft; joined: Unsaved }>,
    ) {
      const current = original(state)?.[id];
      if (!current) return;
      const draft = current.draft === kept ? joined.draft : joinedDrafts(kept, current.draft, joined.draft);
      const { version, base } = joined.version > current.version ? joined : current;
      put(state, id, joinedInto({ ...current, version, base }, draft));
    },
    /** Another tab of this device saved: what it did not have is still to be saved from here. */
    savedElsewhere(
      state,
      { payload: { id, version, draft: theirs } }: PayloadAction<{ id: string; version: number; draft: JobDraft }>,
    ) {
      const current = original(state)?.[id];
      if (!current || current.version >= version) return;
      const own = current.sent?.find((each) => isEqual(asSent(each), theirs));
      const draft = joinedDrafts(own ?? current.base, current.draft, theirs);
      put(state, id, joinedInto({ ...current, version, base: theirs, sent: [] }, draft));
    },
    /** Whether the device keeps what is unsaved. */
    keeping(state, { payload: { id, isKept } }: PayloadAction<{ id: string; isKept: boolean }>) {
      const current = original(state)?.[id];
      if (!current || (current.isNotKept ?? false) === !isKept) return;
      const { isNotKept: _, ...rest } = current;
      put(state, id, isKept ? rest : { ...rest, isNotKept: true });
    },
    /** The server's state came in. Edits not yet saved stand, and are refused later if they no longer fit. */
    opened(state, { payload: record }: PayloadAction<JobRecord>) {
      const current = state[record.id];
      if (current && (current.state.kind !== 'saved' || current.version >= record.version)) return;
      state[record.id] = {
        version: record.version,
        draft: draftOf(record),
        base: draftOf(record),
        past: [],
        future: [],
        state: { kind: 'saved' },
      };
    },
    edited(state, { payload: { id, draft } }: PayloadAction<{ id: string; draft: JobDraft }>) {
      const current = state[id];
      if (!current || original(state)?.[id]?.draft === draft) return;
      const past = [...current.past, current.draft].slice(-STEPS_KEPT);
      state[id] = { ...current, draft, past, future: [], state: { kind: 'dirty' } };
    },
    undone(state, { payload: id }: PayloadAction<string>) {
      const current = state[id];
      const before = current?.past.at(-1);
      if (!current || !before) return;
      const future = [current.draft, ...current.future];
      state[id] = { ...current, draft: before, past: current.past.slice(0, -1), future, state: { kind: 'dirty' } };
    },
    redone(state, { payload: id }: PayloadAction<string>) {
      const current = state[id];
      const [next, ...future] = current?.future ?? [];
      if (!current || !next) return;
      state[id] = { ...current, draft: next, past: [...current.past, current.draft], future, state: { kind: 'dirty' } };
    },
    saveStarted(state, { payload: id }: PayloadAction<string>) {
      const current = original(state)?.[id];
      if (!current) return;
      const earlier = (current.sent ?? []).filter((each) => each !== current.draft);
      put(state, id, { ...current, sent: lastSent([...earlier, current.draft]), state: { kind: 'saving' } });
    },
    /** What was sent now stands on the server; edits made meanwhile are still to be saved. */
    saved(state, { payload: { sent, record } }: PayloadAction<{ sent: JobDraft; record: JobRecord }>) {
      const current = original(state)?.[record.id];
      if (!current) return;
      put(state, record.id, {
        ...current,
        version: record.version,
        base: sent,
        sent: [],
        state: { kind: current.draft === sent ? 'saved' : 'dirty' },
      });
    },
    saveFailed(state, { payload: { id, problem } }: PayloadAction<{ id: string; problem: Problem | undefined }>) {
      if (state[id]) state[id].state = problem ? { kind: 'refused', problem } : { kind: 'unreachable' };
    },
    /** Someone else saved first: what does not touch the same facts is put together, the rest is shown beside it. */
    overtaken(state, { payload: { record, problem } }: PayloadAction<{ record: JobRecord; problem: Problem }>) {
      const current = original(state)?.[record.id];
      if (!current) return;
      const theirs = draftOf(record);
      // Sent from here, by a page that was left or over a network that went before the answer came.
      const own = current.sent?.find((each) => isEqual(asSent(each), theirs));
      const { merged, clashes } = mergeThree(own ?? current.base, current.draft, theirs);
      put(
        state,
        record.id,
        clashes.length > 0
          ? { ...current, state: { kind: 'refused', problem, theirs: record, clashes } }
          : {
              ...current,
              version: record.version,
              draft: merged,
              base: theirs,
              sent: [],
              past: [...current.past, current.draft],
              // What was undone was undone of something else.
              future: [],
              state: { kind: isEqual(asSent(merged), theirs) ? 'saved' : 'dirty' },
            },
      );
    },
    /** After a clash: fact by fact, mine at these paths and theirs at the others. */
    chosen(state, { payload: { id, mineAt } }: PayloadAction<{ id: string; mineAt: readonly string[] }>) {
      const current = original(state)?.[id];
      if (current?.state.kind !== 'refused' || !current.state.theirs) return;
      const { theirs: record } = current.state;
      const theirs = draftOf(record);
      put(state, id, {
        version: record.version,
        draft: mergeThree(current.base, current.draft, theirs, new Set(mineAt)).merged,
        base: theirs,
        past: [...current.past, current.draft],
        future: [],
        state: { kind: 'dirty' },
      });
    },
    /** After a refusal: take what stands on the server, or put what stands here over it. */
    settled(state, { payload: { record, keep } }: PayloadAction<{ record: JobRecord; keep: 'theirs' | 'mine' }>) {
      const current = state[record.id];
      if (!current) return;
      const theirs = draftOf(record);
      const past = [...current.past, keep === 'theirs' ? current.draft : theirs];
      state[record.id] = {
        version: record.version,
        draft: keep === 'theirs' ? theirs : current.draft,
        base: theirs,
        past,
        future: [],
        state: { kind: keep === 'theirs' ? 'saved' : 'dirty' },
      };
    },
  },
});

export const { opened, edited, undone, redone, settled, chosen } = drafts.actions;
