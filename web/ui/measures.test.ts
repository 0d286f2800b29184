import { celsius, m2, measured, um, unitTyped } from './measures';

const as = (system: string) => localStorage.setItem('glaphyra.measures', system);
afterEach(() => localStorage.clear());

test('a figure is told in the measures of the device, or in both', () => {
  expect([m2(12.84), um(112), celsius(20)]).toEqual(['12.8 m²', '112 µm', '20.0 °C']);
  as('imperial');
  expect([m2(12.84), um(112), celsius(20)]).toEqual(['138.2 sq ft', '4.4 mil', '68.0 °F']);
  as('both');
  expect(measured('volume', 30, 0)).toBe('30 ml (1.01 fl oz)');
  as('furlongs');
  expect(m2(1)).toBe('1.00 m²');
  expect([celsius(-0.04), celsius(-0.06), celsius(0)]).toEqual(['0.0 °C', '-0.1 °C', '0.0 °C']);
});

test.each([
  ['68 °F', 'temperature', { number: '68 ', system: 'imperial' }],
  ['20c', 'temperature', { number: '20', system: 'metric' }],
  ['-4,5', 'temperature', { number: '-4,5', system: undefined }],
  ['12 in', 'length', { number: '12 ', system: 'imperial' }],
  ['5"', 'length', { number: '5', system: 'imperial' }],
  ['1 440 mm', 'length', { number: '1 440 ', system: 'metric' }],
  ['10 sq ft', 'area', { number: '10 ', system: 'imperial' }],
  ['3 kg', 'length', undefined],
] as const)('%j of %s is read as %j', (text, id, parted) => {
  expect(unitTyped(text, id)).toEqual(parted);
});
