import { DateTime } from 'luxon';
import { SUBSTRATE_IDS, SUBSTRATES } from '#core/item/substrates';
import type { Bay } from '#formats/job';
import { simulatedThermoHygrometer } from './thermo-hygrometer';
import { simulatedThicknessGauge } from './thickness-gauge';

const bay: Bay = {
  id: 'b',
  name: 'Bay',
  version: 1,
  climate: { openC: 20, openRhPct: 50, nightC: 8, opensAtHour: 8, closesAtHour: 18, tauMin: 90 },
};
const at = (hour: number, minute = 0) => DateTime.local(2027, 3, 2, hour, minute).toJSDate();

test('the thermo-hygrometer follows the bay through its day, a little unsteadily, and the same moment reads the same', () => {
  const instrument = simulatedThermoHygrometer(bay);
  const reading = (hour: number) => instrument.read(at(hour));
  expect(reading(15).airC).toBeGreaterThan(18.5);
  expect(reading(6).airC).toBeLessThan(9.5);
  expect(reading(22).airC).toBeLessThan(reading(18).airC - 5);
  expect(reading(6).rhPct).toBeGreaterThan(reading(15).rhPct + 20);
  expect(instrument.read(at(12, 3))).toEqual(instrument.read(at(12, 3)));
  for (let hour = 0; hour < 24; hour++) {
    const { airC, rhPct, surfaceC } = reading(hour);
    expect(rhPct).toBeGreaterThan(0);
    expect(rhPct).toBeLessThan(100);
    expect(Math.abs(surfaceC - airC)).toBeLessThan(2);
  }
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
