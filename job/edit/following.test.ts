import { templateById } from '#core/item/nets';
import { type JobDraft, readJob } from '#formats/job';
import { plainJob } from '../testing/plain-job';
import {
  changeSurface,
  mergeSurfaces,
  moveCoat,
  removeSurface,
  splitSurface,
  switchGroup,
  templateSurfaces,
  unmoveCoat,
} from './index';

const template = templateById('hatchback')!;
const draft = plainJob({
  surfaces: templateSurfaces(template.unfold(template.usual)),
  item: { name: 'Hatchback', template: { id: 'hatchback', ...template.usual } },
});
const waits = (who: string, follows: string[]) => changeSurface(who, { follows });
const followsOf = ({ document }: JobDraft, who: string) =>
  readJob(JSON.parse(JSON.stringify(document))).surfaces.find(({ id }) => id === who)!.follows;

test('what waited for a panel waits for its pieces, for what it was joined to, or for nothing: the job can always be read', () => {
  const after = waits('roof', ['front-door-left', 'bonnet'])(draft);
  expect(followsOf(splitSurface(after, 'front-door-left', [0.02, 0.5], [0.98, 0.5]), 'roof')).toEqual([
    'front-door-a-left',
    'front-door-b-left',
    'bonnet',
  ]);
  expect(followsOf(removeSurface('bonnet')(after), 'roof')).toEqual(['front-door-left']);
  const joined = mergeSurfaces(after, 'rear-door-left', 'front-door-left');
  expect(joined.document.surfaces).toHaveLength(draft.document.surfaces.length - 1);
  expect(followsOf(joined, 'roof')).toEqual(['rear-door-left', 'bonnet']);
  // Its own other half is nothing to wait for, nor what waits for that.
  const circle = waits('rear-door-left', ['roof'])(after);
  expect(followsOf(mergeSurfaces(circle, 'rear-door-left', 'front-door-left'), 'rear-door-left')).toEqual([]);
  const seals = waits('roof', ['number-plate'])(switchGroup(draft, 'plates', true));
  expect(followsOf(switchGroup(seals, 'plates', false), 'roof')).toEqual([]);
});

test('a coat is moved once: the later word stands, and taken back nothing is left of it', () => {
  const bonnet = { surface: 'bonnet', layer: 0, coat: 1 };
  const first = moveCoat(draft.document, { ...bonnet, after: null })(draft);
  const { document } = moveCoat(first.document, { ...bonnet, after: { ...bonnet, surface: 'roof' }, by: 'Ada' })(first);
  expect(readJob(JSON.parse(JSON.stringify(document))).moves).toEqual([
    { ...bonnet, after: { ...bonnet, surface: 'roof' }, by: 'Ada' },
  ]);
  expect(unmoveCoat(document, bonnet)(first).document.moves).toBeUndefined();
});
