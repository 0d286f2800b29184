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
