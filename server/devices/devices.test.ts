import { DateTime } from 'luxon';
import { SUBSTRATE_IDS, SUBSTRATES } from '#core/item/substrates';
import type { Bay } from '#formats/job';
import { simulatedThermoHygrometer } from './thermo-hygrometer';
import { simulatedGlossMeter } from './gloss-meter';
import { simulatedThicknessGauge } from './thickness-gauge';
import { yardWeather } from './yard-forecast';

const bay: Bay = {
  id: 'b',
  name: 'Bay',
  version: 1,
  climate: { openC: 20, openRhPct: 50, nightC: 8, opensAtHour: 8, closesAtHour: 18, tauMin: 90 },
};
const at = (hour: number, minute = 0) => DateTime.local(2027, 3, 2, hour, minute).toJSDate();

test('the thermo-hygrometer follows the bay through its day, a little unsteadily, and the same moment reads the same', () => {
  const instrument = simulatedThermoHygrometer(bay);
  const reading = (hour: number) => instrument.read(at(hour))!;
  expect(reading(15).airC).toBeGreaterThan(18.5);
  expect(reading(6).airC).toBeLessThan(9.5);
  expect(reading(22).airC).toBeLessThan(reading(18).airC - 5);
  expect(reading(6).rhPct).toBeGreaterThan(reading(15).rhPct + 20);
  expect(instrument.read(at(12, 3))).toEqual(instrument.read(at(12, 3)));
  for (let hour = 0; hour < 24; hour++) {
    const said = instrument.read(at(hour));
    // Now and then it is silent.
    if (!said) continue;
    const { airC, rhPct, surfaceC } = said;
    expect(rhPct).toBeGreaterThan(0);
    expect(rhPct).toBeLessThan(100);
    expect(Math.abs(surfaceC - airC)).toBeLessThan(2);
  }
});

test('now and then it is silent, or says what no bay has, and drifts by less than half a kelvin', () => {
  const instrument = simulatedThermoHygrometer(bay);
  const start = at(12).getTime();
  const readings = Array.from({ length: 20_000 }, (_, nth) => instrument.read(new Date(start + nth * 5 * 60_000)));
  const silent = readings.filter((reading) => reading === undefined).length;
  const nonsense = readings.filter((reading) => reading && reading.airC > 60).length;
  expect(silent / readings.length).toBeGreaterThan(0.001);
  expect(silent / readings.length).toBeLessThan(0.01);
  expect(nonsense).toBeGreaterThan(5);
  expect(nonsense).toBeLessThan(60);
  // At the same minute of many days it differs by its drift and its swing alone.
  const noons = Array.from({ length: 40 }, (_, day) => instrument.read(new Date(start + day * 86_400_000)));
  const said = noons.flatMap((reading) => (reading && reading.airC < 60 ? [reading.airC] : []));
  expect(Math.max(...said) - Math.min(...said)).toBeLessThan(2 * 0.4 + 2 * 0.4 + 0.2);
  expect(Math.max(...said) - Math.min(...said)).toBeGreaterThan(0.4);
});

test('the yard’s forecast: a day between its night and its afternoon, showers of some hours, less certain further ahead', () => {
  const told = yardWeather.forecast(at(9));
  expect(told).toEqual(yardWeather.forecast(at(9)));
  expect(told.hours).toHaveLength(96);
  const spreads = told.hours.map(({ spreadK }) => spreadK);
  expect(spreads).toEqual(spreads.toSorted((a, b) => a - b));
  // The same hour is the same weather, whenever it is asked for.
  const later = yardWeather.forecast(at(15)).hours[0]!;
  expect(told.hours.find((hour) => hour.at === later.at)).toMatchObject({ airC: later.airC, rainMm: later.rainMm });
  const year = Array.from(
    { length: 90 },
    (_, nth) => yardWeather.forecast(new Date(at(0).getTime() + nth * 4 * 86_400_000)).hours,
  ).flat();
  const wet = year.filter(({ rainMm }) => rainMm > 0);
  expect(wet.length / year.length).toBeGreaterThan(0.01);
  expect(wet.length / year.length).toBeLessThan(0.12);
  expect(wet.every(({ rainPct, rhPct }) => rainPct >= 50 && rhPct > 85)).toBe(true);
  expect(Math.min(...year.map(({ airC }) => airC))).toBeGreaterThan(-12);
  expect(Math.max(...year.map(({ airC }) => airC))).toBeLessThan(32);
});

test('the gauge reads metal only, scatters as paint does, and tells a repaint from the factory', () => {
  const take = (substrate: (typeof SUBSTRATE_IDS)[number], paint: 'factory' | 'refinished', nth: number) =>
    simulatedThicknessGauge.read({ panel: 'door', substrate, paint, nth });
  for (const substrate of SUBSTRATE_IDS) {
    expect([substrate, take(substrate, 'factory', 1) !== null]).toEqual([
      substrate,
      SUBSTRATES[substrate].gaugeReads === true,
    ]);
  }
  const many = Array.from({ length: 40 }, (_, nth) => take('clear-gloss', 'factory', nth + 1)!);
  expect(new Set(many).size).toBeGreaterThan(5);
  expect(Math.max(...many) - Math.min(...many)).toBeLessThan(20);
  const repainted = Array.from({ length: 40 }, (_, nth) => take('clear-gloss', 'refinished', nth + 1)!);
  expect(Math.min(...repainted)).toBeGreaterThan(Math.max(...many));
});

test('a gloss meter reads satin low and gloss high, more where it was worked on, and the same spot the same', () => {
  const read = (substrate: (typeof SUBSTRATE_IDS)[number], worked: boolean, nth = 1) =>
    simulatedGlossMeter.read({ panel: 'bonnet', substrate, worked, nth });
  expect(read('clear-gloss', true)).toBeGreaterThan(read('clear-gloss', false) + 5);
  expect(read('clear-matte', false)).toBeLessThan(40);
  expect(read('clear-gloss', false, 3)).toBe(read('clear-gloss', false, 3));
  expect(read('clear-gloss', true, 2)).toBeLessThan(100);
});
