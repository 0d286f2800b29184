/** Cutting a panel by two taps: what each tap says and does. */
import type { JobInput } from '#formats/job';
import { plainJob } from '../../../../job/testing/plain-job';
import type { JobView } from '../../../job/useJobView';
import { type Cut, cutFurther, withCutMark } from './cut';

const square = (id: string, name: string): NonNullable<JobInput['surfaces']>[number] => ({
  id,
  name,
  substrate: 'clear-gloss',
  shape: {
    kind: 'polygon',
    pointsMm: [
      [0, 0],
      [1000, 0],
      [1000, 1000],
      [0, 1000],
    ],
  },
  layers: [],
});
const drawn = plainJob({ surfaces: [square('door', 'Door'), square('roof', 'Roof')] });

/** A job whose edits are kept, as a station sees it. */
function open(laid: readonly string[] = []) {
  let draft = drawn;
  const job = {
    get draft() {
      return draft;
    },
    get document() {
      return draft.document;
    },
    laid: new Set(laid),
    edit: (change: (before: typeof draft) => typeof draft) => (draft = change(draft)),
  } as unknown as JobView;
  const surface = (id: string) => draft.document.surfaces.find((each) => each.id === id)!;
  const tap = (cut: Cut, id: string, at: readonly [number, number]) => cutFurther(cut, surface(id), at, job);
  return { job, tap };
}

test('the first tap waits for the second, which cuts along the line and says what undo does', () => {
  const { job, tap } = open();
  const first = tap({}, 'door', [0, 0.5]);
  expect(first).toEqual({ first: { panel: 'door', at: [0, 0.5] } });
  expect(job.document.surfaces).toHaveLength(2);
  expect(tap(first, 'door', [1, 0.5])).toEqual({ said: 'Door is in 2 pieces; Undo joins them again.' });
  expect(job.document.surfaces).toHaveLength(3);
});

test('a tap on another panel begins anew there, and nothing is cut', () => {
  const { job, tap } = open();
  const elsewhere = tap(tap({}, 'door', [0, 0.5]), 'roof', [0, 0.2]);
  expect(elsewhere).toEqual({ first: { panel: 'roof', at: [0, 0.2] } });
  expect(job.document).toBe(drawn.document);
});

test('a line that parts nothing says so and forgets its first end', () => {
  const { job, tap } = open();
  expect(tap(tap({}, 'door', [0, 0]), 'door', [0, 0])).toEqual({ said: 'The line misses the panel; begin again.' });
  expect(job.document).toBe(drawn.document);
});

test('a panel at which work is logged is not cut under it', () => {
  const { job, tap } = open(['door']);
  expect(tap({}, 'door', [0, 0.5]).said).toBe('Door cannot be split: work has been logged on it.');
  expect(job.document).toBe(drawn.document);
});

test('the first end is shown where it was tapped, on its panel alone', () => {
  const lens = withCutMark(() => ({ fill: 'blank' }), { first: { panel: 'door', at: [0.2, 0.3] } });
  expect(lens('door').spots).toEqual([{ key: 'cut', at: [0.2, 0.3], sign: '1', size: 'small' }]);
  expect(lens('roof').spots).toBeUndefined();
  expect(withCutMark(() => ({ fill: 'blank' }), {})('door').spots).toBeUndefined();
});
