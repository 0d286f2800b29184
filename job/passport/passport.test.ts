/** What travels with the item: made from the record, readable as a file, and taken in again as its past. */
import { passportSchema, signedText } from '#formats/passport';
import type { LogEntry } from '#formats/log';
import { neverOn, warrantyStands } from '#core/care/upkeep';
import { minutesBetween } from '#formats/values';
import { yardThatMorning } from '../../demo/that-morning';
import type { ItemVisit } from '#job/return';
import { passportOf } from '.';

const yard = yardThatMorning();
const visit = (id: string): ItemVisit => {
  const { draft, log } = yard.jobs.find((job) => job.id === id)!;
  return {
    document: draft.document,
    log: log.map((entry, nth): LogEntry => ({ ...entry, seq: nth + 1, recordedAt: entry.at, by: 'wren' })),
  };
};
const NOW = '2027-03-02T10:40:00+01:00';
const of = (...visits: readonly ItemVisit[]) =>
  passportOf({ visits, issuedAt: NOW, shop: 'Ternmouth Yard', nameOf: (by) => by.toUpperCase() });

test('a passport says of each panel what lies on it, who laid it, in what air, and what follows; it is one by its schema', () => {
  const passport = of(visit('slate-estate'));
  expect(passportSchema.parse(JSON.parse(JSON.stringify(passport)))).toEqual(JSON.parse(JSON.stringify(passport)));
  const bonnet = passport.panels.find(({ surface }) => surface === 'bonnet')!;
  const [layer] = bonnet.layers;
  expect(layer).toMatchObject({ product: 'Breakwater Sealant', family: 'sealant', coats: 1, share: 1, by: ['WREN'] });
  expect(layer!.air.airC).toBeGreaterThan(10);
  const order = [
    layer!.laidAt,
    layer!.endAt,
    layer!.wetFrom!,
    layer!.firstWash!,
    layer!.renew.from,
    layer!.renew.about,
    layer!.renew.until,
  ];
  const sorted = order.toSorted((a, b) => Date.parse(a) - Date.parse(b));
  expect(order).toEqual(sorted);
  expect(bonnet.comesOff.length).toBeGreaterThan(0);
  // The control stays bare, and the fault found is on it with what was done.
  expect(passport.panels.map(({ surface }) => surface)).not.toContain('rear-bumper-corner-left');
  expect(passport.visits[0]!.faults).toEqual([{ surface: 'bonnet', what: 'High spot', remedy: 're-wet' }]);
  expect(passport.visits[0]!.drops).toHaveLength(2);
  // A sealant lasts no year: only what is on the wheels is warranted.
  expect(passport.warranty!.covers).toMatchObject([{ product: 'Bollard Wheel', months: 24 }]);
  expect(passport.warranty!.inspections).toHaveLength(1);
});

test('the whole history: visits in their order, what was laid then is found now, the clear is what was left', () => {
  const passport = of(visit('teal-hatchback-sealant'), visit('teal-hatchback'));
  expect(passport.visits.map(({ title }) => title)).toEqual(['Teal hatchback, sealant', 'Teal hatchback, full coat']);
  const bonnet = passport.surfaces.find(({ id }) => id === 'bonnet')!;
  expect(bonnet.layers).toEqual([]);
  expect(bonnet.existing).toContain('ceramic-base');
  expect(bonnet.clearBefore!.um).toBeGreaterThan(10);
  expect(passport.item.name).toBe('Teal hatchback');
  expect(JSON.stringify(passport)).not.toContain('Imke Varga');
});

test('satin must never be polished, nor waxed, whatever lies on it; a coating never by machine', () => {
  for (const families of [[], ['ceramic'], ['film']] as const) {
    expect(neverOn('clear-matte', families)[0]).toMatch(/^any polish, wax/);
    expect(neverOn('clear-gloss', families).join()).not.toMatch(/any polish/);
  }
  expect(neverOn('clear-gloss', ['ceramic']).join()).toMatch(/machine polisher/);
});

test('a coating for years is warranted, and inspected each year', () => {
  const never = (id: string, surface: string) =>
    of(visit(id))
      .panels.find((panel) => panel.surface === surface)!
      .neverUse.join('; ');
  expect(never('slate-estate', 'bonnet')).toContain('alkaline');
  const classic = of(visit('two-door-classic'));
  for (const { neverUse, layers } of classic.panels) if (layers.length > 0) expect(neverUse.length).toBeGreaterThan(0);
  for (const { warranty } of [of(visit('slate-estate')), of(visit('teal-hatchback'))]) {
    const months = Math.max(...warranty!.covers.map((cover) => cover.months));
    // The same days as those by which Items says whether the warranty is kept.
    const fromMs = Math.max(...warranty!.covers.map(({ from }) => Date.parse(from)));
    const { looks } = warrantyStands({ fromMs, months }, [], fromMs);
    expect(warranty!.inspections.map((at) => Date.parse(at))).toEqual(looks.map(({ dueMs }) => dueMs));
    expect(warranty!.conditions.length).toBeGreaterThan(2);
  }
  for (const { care } of [classic, of(visit('marrow-launch'))]) {
    const dated = care.flatMap(({ at }) => (at === undefined ? [] : [minutesBetween(NOW, at)]));
    expect(dated).toEqual(dated.toSorted((a, b) => a - b));
  }
});

test('its text to sign is the same however the file was written, and another with any word changed', () => {
  const passport = of(visit('slate-estate'));
  const turned = JSON.parse(JSON.stringify(Object.fromEntries(Object.entries(passport).reverse()))) as object;
  expect(signedText(turned)).toBe(signedText(JSON.parse(JSON.stringify(passport))));
  expect(signedText({ ...passport, shop: 'Another' })).not.toBe(signedText(passport));
});

test('without a visit there is nothing to say', () => {
  expect(() => of()).toThrow(RangeError);
});
