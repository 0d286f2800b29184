import { faultRemedy, faultsOf, LAYING_FAULT_IDS } from '#core/work/laying-faults';
import { filmSteps } from './film-steps';

test('film is wetted and placed, then squeegeed, wrapped, heated within what it bears, and looked over', () => {
  const steps = filmSteps({ maxSurfaceC: 70 });
  expect(steps.map(({ id }) => id)).toEqual(['wet', 'place', 'squeegee', 'wrap', 'post-heat', 'look-over']);
  expect(steps.map(({ when }) => when)).toEqual([...Array(2).fill('laying'), ...Array(4).fill('levelling')]);
  expect(steps.find(({ id }) => id === 'post-heat')!.what).toContain('to 65 °C, measured, never over 70 °C');
  expect(filmSteps(undefined).find(({ id }) => id === 'post-heat')!.what).toContain('never over 60 °C');
});
test('what hurts is said at its step: water on the floor, the knife, hot air', () => {
  const cautions = new Map(filmSteps(undefined).map(({ id, caution }) => [id, caution ?? '']));
  expect(cautions.get('wet')).toMatch(/floor/);
  expect(cautions.get('wrap')).toMatch(/knife near paint/);
  expect(cautions.get('post-heat')).toMatch(/burns/);
});
test('film has faults of its own, each with two remedies; what is poured has the others', () => {
  const [film, poured] = [faultsOf('film'), faultsOf('ceramic')];
  expect([...film, ...poured].sort()).toEqual([...LAYING_FAULT_IDS].sort());
  expect(film).toEqual(['fingers', 'bubbles', 'silvering', 'lift', 'dirt-under', 'stretch-marks']);
  for (const fault of film) {
    const [wet, set] = [faultRemedy(fault, 'clear-gloss', 'rewettable'), faultRemedy(fault, 'clear-matte', 'set')];
    expect(wet).not.toBe(set);
    // Film is not polished and paint under it neither, whatever it lies on.
    expect(`${wet}${set}`).not.toMatch(/polish/i);
  }
});
