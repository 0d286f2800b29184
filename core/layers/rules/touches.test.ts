import { SUBSTRATES } from '#core/item/substrates';
import { on, product } from '../../testing/shelf';
import { RULE_IDS } from './rules';
import { touchedBy } from './touches';

const name = (id: keyof typeof SUBSTRATES) => SUBSTRATES[id].name;
const film = product('film', {
  family: 'film',
  substrates: on('clear-gloss', 'clear-matte'),
  film: { thicknessUm: 190, finish: 'matte', rollWidthsMm: [1524], stretchPct: 30, maxSurfaceC: 60 },
});
const primer = product('primer', { family: 'ceramic-primer' });
const base = product('base', {
  family: 'ceramic-base',
  over: ['bare', 'ceramic-primer'],
  milestones: [
    { name: 'recoatFrom', clock: 'set', min: 60 },
    { name: 'recoatBy', clock: 'set', min: 600 },
  ],
});
const top = product('top', { family: 'ceramic-top', over: ['base'] });
const SHELF = [film, primer, base, top];

test('a rule of surfaces names the surfaces, one of what lies below what lies below', () => {
  const bySubstrate = touchedBy('substrate', SHELF, name).find((each) => each.product === 'film')!;
  expect(bySubstrate.on).toContain('Glass');
  expect(bySubstrate.on).not.toContain(name('clear-gloss'));
  expect(touchedBy('film-first', SHELF, name)).toEqual([
    { product: 'film', answer: 'no', on: expect.arrayContaining(['Paste wax', 'Ceramic coating']) as string[] },
  ]);
  expect(touchedBy('film-finish', SHELF, name)).toEqual([
    { product: 'film', answer: 'test', on: expect.arrayContaining([name('clear-gloss')]) as string[] },
  ]);
});

test('rules of time and of the wipe name the product below, and only where something may lie on it', () => {
  expect(touchedBy('recoat-early', SHELF, name)).toEqual([{ product: 'top', answer: 'no', on: ['base'] }]);
  expect(touchedBy('recoat-late', SHELF, name)).toEqual([{ product: 'top', answer: 'no', on: ['base'] }]);
  expect(touchedBy('primer-wipe', SHELF, name)).toEqual([{ product: 'base', answer: 'no', on: ['primer'] }]);
});

test('whatever a rule touches is of the shelf, told once an answer, and on something', () => {
  for (const rule of RULE_IDS) {
    const touched = touchedBy(rule, SHELF, name);
    expect(new Set(touched.map((each) => `${each.product} ${each.answer}`)).size).toBe(touched.length);
    for (const each of touched) {
      expect(SHELF.map(({ id }) => id)).toContain(each.product);
      expect(each.on.length).toBeGreaterThan(0);
      expect(new Set(each.on).size).toBe(each.on.length);
    }
    expect(touchedBy(rule, [], name)).toEqual([]);
  }
});
