/** What travels with the item: made from the record, readable as a file, and taken in again as its past. */
import { CHECK_LIGHTS, foldLog, type RunEntry, runSheet } from '#core/lay/run';
import { loggedEntries } from '#formats/log';
import { planInput } from '#job/plan';
import { closingView } from '#job/check';
import { warrantyLines } from '#job/handover';
import { passportSchema, signedText } from '#formats/passport';
import type { LogEntry } from '#formats/log';
import { neverOn, standingSurfaces, warrantyStands } from '#core/care/upkeep';
import { instantAfter, minutesBetween } from '#formats/values';
import { playedLog } from '../../demo/play';
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
  // Rated for 24 by its maker, granted for 14 by the workshop; nothing is granted on the sealant.
  expect(passport.warranty!.covers).toMatchObject([{ product: 'Bollard Wheel', months: 14 }]);
  expect(passport.warranty!.inspections).toHaveLength(1);
});

test('signed before Check is closed it says what is open; looked at by every light and answered it says nothing', () => {
  const { document, log } = visit('slate-estate');
  const open = of({ document, log }).unchecked!;
  expect(open.some((line) => line.startsWith('Not looked at by hand light'))).toBe(true);
  expect(open.some((line) => /^\d+ places of the closing list not answered for$/.test(line))).toBe(true);
  const at = '2027-03-02T10:00:00+01:00';
  const surfaces = document.surfaces.map(({ id }) => id);
  const lines = closingView(document, runSheet(planInput(document), foldLog([]), 0), foldLog([])).ticks;
  const entries: RunEntry[] = [
    ...CHECK_LIGHTS.flatMap((light) =>
      [
        ...surfaces.map((id) => `panel:${id}`),
        ...['front', 'right', 'rear', 'left', 'top', 'under', 'apart'].map((side) => `side:${side}`),
      ].map((place): RunEntry => ({ type: 'looked', place, light })),
    ),
    ...lines.map(({ line }): RunEntry => ({ type: 'answered', list: 'closing', line, answer: 'yes' })),
  ];
  const closed = [
    ...log,
    ...entries.map((entry, nth): LogEntry => ({ id: `c${nth}`, at, recordedAt: at, seq: 900 + nth, entry })),
  ];
  expect(of({ document, log: closed }).unchecked).toBeUndefined();
  // A fault found since is open again, by its name.
  const patch = { surface: 'bonnet', layer: 0, coat: 1, copy: 1, section: 1 };
  const fault: LogEntry = { id: 'f', at, recordedAt: at, seq: 2000, entry: { type: 'fault', patch, fault: 'haze' } };
  expect(of({ document, log: [...closed, fault] }).unchecked![0]).toMatch(/left as it is: Bonnet$/);
});

test('of an aircraft it names the licensed engineer who signed, or says that nobody has', () => {
  const { document } = visit('two-seater');
  const played = playedLog(document, 4).map((entry, nth): LogEntry => ({
    ...entry,
    seq: nth + 1,
    recordedAt: entry.at,
  }));
  const line = 'Not signed by a licensed engineer: what was covered is clear again';
  expect(of({ document, log: played }).unchecked).toContain(line);
  const at = instantAfter(document.startAt, 3000);
  const entry: RunEntry = { type: 'released', name: 'Wren Ashdown', licence: 'EX-66.1204', strokes: [[0, 0, 1, 1]] };
  const signed = of({ document, log: [...played, { id: 'r', at, recordedAt: at, seq: 999, entry }] });
  expect(signed.unchecked).not.toContain(line);
  expect(signed.visits.at(-1)!.released).toEqual({ name: 'Wren Ashdown', licence: 'EX-66.1204', at });
  // No car is asked for one.
  expect(of(visit('slate-estate')).unchecked).not.toContain(line);
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
    const { looks } = warrantyStands({ fromMs, months, everyDays: 365 }, [], fromMs);
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

test('a warranty is what the workshop granted: without a grant none, whatever a maker rates; never on what was not laid', () => {
  const estate = visit('slate-estate');
  const granting = (warranty: ItemVisit['document']['warranty']) =>
    of({ ...estate, document: { ...estate.document, warranty } }).warranty;
  expect(granting(undefined)).toBeNull();
  expect(granting({ covers: [{ product: 'ledger-top', months: 60 }], conditions: [] })).toBeNull();
  const granted = granting({
    number: 'A-1',
    registeredOn: '2027-03-05',
    covers: [{ product: 'bollard', months: 30 }],
    conditions: ['Washed by hand.'],
  })!;
  expect(granted).toMatchObject({ number: 'A-1', registeredOn: '2027-03-05', conditions: ['Washed by hand.'] });
  expect(granted.covers.map(({ product, months }) => [product, months])).toEqual([['Bollard Wheel', 30]]);
  // Two and a half years: twice a year on, but not within the last weeks.
  expect(granted.inspections).toHaveLength(2);
});

test('a term longer than the product is expected to last here is told; an unknown life is not invented', () => {
  const { document, log } = visit('slate-estate');
  const record = foldLog(loggedEntries(document.startAt, log));
  const standing = standingSurfaces(planInput(document), record, document.owner ?? {});
  const linesFor = (months: number) =>
    warrantyLines({ warranty: { covers: [{ product: 'bollard', months }], conditions: [] } }, standing);
  const { expectedMonths } = linesFor(1).find(({ product }) => product === 'bollard')!;
  const isLonger = (months: number) => linesFor(months).find(({ product }) => product === 'bollard')!.isLonger;
  expect([isLonger(expectedMonths - 0.5), isLonger(expectedMonths + 0.5)]).toEqual([false, true]);
  expect(linesFor(12).filter(({ grantedMonths }) => grantedMonths !== undefined)).toHaveLength(1);
});
