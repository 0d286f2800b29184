import fc from 'fast-check';
import { airAt } from '#core/time/air';
import { type JobDraft, type JobRecord, readJob } from '#formats/job';
import { readProduct } from '#formats/shelf';
import { changeDocument, changeSurface, moveToBay, removeSurface, setLayers, startAt, typeAir } from '#job/edit';
import { drafts, edited, opened, redone, settled, undone } from './slice';
import satinTourer from '../../demo/jobs/satin-tourer.json';

const document = readJob(satinTourer);
const record: JobRecord = {
  id: 'tourer',
  document,
  bayId: null,
  airSource: 'typed',
  version: 3,
  createdAt: document.startAt,
  updatedAt: document.startAt,
};
const { reducer, actions } = drafts;
const start = reducer({}, opened(record));
const rename = (title: string) => (draft: JobDraft) => changeDocument({ title })(draft);
const at = (state: typeof start) => state.tourer!;
const edit = (state: typeof start, change: (draft: JobDraft) => JobDraft) =>
  reducer(state, edited({ id: 'tourer', draft: change(at(state).draft) }));
const sheet = readProduct({ ...satinTourer.products[0], id: 'other', name: 'Other' });

const reversed = <T extends object>(of: T): T => Object.fromEntries(Object.entries(of).reverse()) as T;

describe('editing a job', () => {
  test('any edits can be undone to the beginning and redone to the end', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ minLength: 1, maxLength: 8 }), { maxLength: 20 }), (titles) => {
        const done = titles.reduce((state, title) => edit(state, rename(title)), start);
        const back = titles.reduce((state) => reducer(state, undone('tourer')), done);
        expect(at(back).draft).toEqual(at(start).draft);
        const again = titles.reduce((state) => reducer(state, redone('tourer')), back);
        expect(at(again).draft).toEqual(at(done).draft);
      }),
    );
  });

  test('what is edited while a save is on its way is still to be saved', () => {
    const first = edit(start, rename('first'));
    const sent = at(first).draft;
    const saving = reducer(first, actions.saveStarted('tourer'));
    const answer = { sent, record: { ...record, version: 4 } };
    expect(at(reducer(saving, actions.saved(answer))).state.kind).toBe('saved');
    const meanwhile = edit(saving, rename('second'));
    const after = at(reducer(meanwhile, actions.saved(answer)));
    expect(after).toMatchObject({ version: 4, state: { kind: 'dirty' }, draft: { document: { title: 'second' } } });
  });

  test('what was sent and not answered is one’s own: taken back meanwhile, it stays taken back', () => {
    const taken = reducer(edit(start, rename('sent, then the page was left')), actions.saveStarted('tourer'));
    const left = edit(taken, rename(document.title));
    // In other order of facts, as another program writes them.
    const own = { ...record, version: 4, document: { ...reversed(document), title: 'sent, then the page was left' } };
    const problem = { type: 'about:blank', status: 412, title: 'Somebody else was first' };
    const after = at(reducer(left, actions.overtaken({ record: own, problem })));
    expect(after).toMatchObject({
      version: 4,
      draft: { document: { title: document.title } },
      state: { kind: 'dirty' },
    });
    // Anybody else's stands: to have it otherwise again was no change of it.
    const theirs = { ...own, document: { ...own.document, title: 'theirs' } };
    expect(at(reducer(left, actions.overtaken({ record: theirs, problem }))).draft.document.title).toBe('theirs');
  });

  test('what comes from the server never takes away what is not saved yet', () => {
    const mine = edit(start, rename('mine'));
    const theirs = { ...record, version: 9, document: { ...document, title: 'theirs' } };
    expect(at(reducer(mine, opened(theirs))).draft.document.title).toBe('mine');
    expect(at(reducer(start, opened(theirs))).draft.document.title).toBe('theirs');
    const taken = reducer(mine, settled({ record: theirs, keep: 'theirs' }));
    expect(at(taken)).toMatchObject({ version: 9, draft: { document: { title: 'theirs' } }, state: { kind: 'saved' } });
    expect(at(reducer(taken, undone('tourer'))).draft.document.title).toBe('mine');
    const kept = at(reducer(mine, settled({ record: theirs, keep: 'mine' })));
    expect(kept).toMatchObject({ version: 9, draft: { document: { title: 'mine' } }, state: { kind: 'dirty' } });
  });
});

describe('the steps of an edit', () => {
  const draft = at(start).draft;
  const layer = (product: string) => [{ product, coats: 1, method: 'small-block' as const }];

  test('a job carries the sheets its layers name, those and no others, and keeps its own copy', () => {
    const both = setLayers(['screen'], layer('other'), [sheet])(draft);
    expect(both.document.products.map(({ id }) => id)).toEqual(['slack-water', 'other']);
    const newer = { ...sheet, name: 'Newer' };
    const same = setLayers(['tank'], layer('other'), [newer])(both);
    expect(same.document.products.find(({ id }) => id === 'other')!.name).toBe('Other');
    const bare = document.surfaces.reduce((now, { id }) => removeSurface(id)(now), both);
    expect(bare.document).toMatchObject({ surfaces: [], products: [] });
    expect(readJob(JSON.parse(JSON.stringify(same.document)))).toEqual(same.document);
  });

  test('in a bay the air follows the hour the job starts; typed in, it holds', () => {
    const climate = { openC: 20, openRhPct: 50, nightC: 8, opensAtHour: 8, closesAtHour: 18, tauMin: 60 };
    const bay = { id: 'b', name: 'Bay', version: 1, climate };
    const inBay = moveToBay(bay)(draft);
    const airOf = ({ document: { ambient } }: JobDraft, min: number) =>
      airAt([ambient[0]!, ...ambient.slice(1)], min).airC;
    const night = startAt('2027-05-20T23:00:00+02:00', bay)(inBay);
    expect(airOf(night, 0)).toBeLessThan(airOf(inBay, 0) - 5);
    const typed = typeAir({ airC: 25, rhPct: 40, airSpeed: 0.1 }, undefined)(inBay);
    expect(typed.document.ambient).toEqual([{ atMin: 0, airC: 25, rhPct: 40, airSpeed: 0.1 }]);
    const measured = typeAir({ airC: 25, rhPct: 40, airSpeed: 0.1 }, bay)(inBay);
    expect(airOf(measured, 0)).toBe(25);
    expect(airOf(measured, 16 * 60)).toBeLessThan(12);
  });

  test('only what is changed is made anew', () => {
    const next = changeSurface('tank', { note: 'dent' })(draft);
    expect(next.document.surfaces[1]).toBe(draft.document.surfaces[1]);
    expect(next.document.surfaces[0]).toMatchObject({ id: 'tank', note: 'dent' });
  });
});

test('after somebody else’s change was put in there is no way forward behind it', () => {
  const back = reducer(edit(start, rename('mine, then undone')), undone('tourer'));
  const mine = reducer(back, actions.saveStarted('tourer'));
  const theirs = { ...record, version: 4, document: { ...document, title: 'theirs' } };
  const problem = { type: 'about:blank', status: 412, title: 'Somebody else was first' };
  const after = reducer(mine, actions.overtaken({ record: theirs, problem }));
  expect(at(after).draft.document.title).toBe('theirs');
  expect(at(reducer(after, redone('tourer'))).draft.document.title).toBe('theirs');
});
