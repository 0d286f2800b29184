import { foldLog, type LoggedEntry, patchKey, type RunEntry, runSheet } from '#core/lay/run';
import { loggedEntries } from '#formats/log';
import { planInput } from '#job/plan';
import { prepareSettings } from '#job/prepare';
import { preparedWith } from '#job/view';
import { NO_KIT } from '#core/prepare/kit';
import { playedLog } from '../../demo/play';
import { yardThatMorning } from '../../demo/that-morning';
import { checkNet, checkView, closingView, keepDryUntilMin, patchAt, remediesFor } from '.';

const yard = yardThatMorning();
const documentOf = (id: string) => yard.jobs.find((job) => job.id === id)!.draft.document;

/** A job laid whole as its sheet has it, with more taps after it. */
function laidWhole(id: string, ...more: readonly RunEntry[]) {
  const document = documentOf(id);
  const played = loggedEntries(document.startAt, playedLog(document, Infinity));
  const endMin = Math.max(...played.map(({ atMin }) => atMin));
  const log = [
    ...played,
    ...more.map((entry, nth): LoggedEntry => ({ id: `m${nth}`, atMin: endMin + 1 + nth, entry })),
  ];
  const record = foldLog(log);
  const planned = planInput(document);
  const sheet = runSheet(planned, record, endMin);
  const net = checkNet(document, new Set([...record.patches.values()].map(({ patch }) => patch.surface)));
  return { document, record, planned, sheet, net, endMin, check: checkView(net, planned, record, sheet) };
}
const look = (place: string): RunEntry => ({ type: 'looked', place, light: 'hand-light' });

test('every laid panel is walked to by hand light and every side by the others; looked at, it is seen until hands are on it again', () => {
  const { check, record } = laidWhole('teal-hatchback');
  const laid = new Set([...record.patches.values()].map(({ patch }) => patch.surface));
  const reached = new Set(check.places.flatMap(({ surface, beside }) => [surface, ...beside]));
  for (const surface of laid) expect(reached).toContain(surface);
  expect(check.looks.daylight.length).toBeLessThanOrEqual(6);
  const [first] = check.looks['hand-light'];
  expect(check.looks['hand-light'].every(({ seen }) => !seen)).toBe(true);
  const seen = laidWhole('teal-hatchback', look(first!.key)).check.looks['hand-light'];
  expect(seen.filter((each) => each.seen).map(({ key }) => key)).toEqual([first!.key]);
  const all = check.looks['hand-light'].map(({ key }) => look(key));
  expect(laidWhole('teal-hatchback', ...all).check.isDone).toBe(false);
  const others = (['overhead', 'daylight'] as const).flatMap((light) =>
    check.looks[light].map(({ key }): RunEntry => ({ type: 'looked', place: key, light })),
  );
  expect(laidWhole('teal-hatchback', ...all, ...others).check.isDone).toBe(true);
});

test('what went as its own sheet has it was not levelled late; a patch left lying past its window was, and is looked at', () => {
  const lateOn = ({ check }: ReturnType<typeof laidWhole>) => check.places.filter(({ why }) => why === 'late');
  for (const id of ['teal-hatchback', 'moss-saloon', 'satin-tourer'])
    expect([id, lateOn(laidWhole(id))]).toEqual([id, []]);
  const { document, planned, sheet } = laidWhole('teal-hatchback');
  const roof = sheet.patches.find(({ patch }) => patch.surface === 'roof' && patch.section === 1)!;
  const [laidMin, byMin] = [roof.record!.layStartMin, roof.laid.window.levelByMin!];
  const of = (type: 'lay-end' | 'level-start' | 'level-end', atMin: number): LoggedEntry => ({
    id: type,
    atMin: laidMin + atMin,
    entry: { type, patch: roof.patch },
  });
  const { start, patch } = roof.record!;
  const slow = (startMin: number, endMin: number) => {
    const record = foldLog([
      { id: 'a', atMin: laidMin, entry: { type: 'lay-start', patch, start } },
      of('lay-end', 2),
      of('level-start', startMin),
      of('level-end', endMin),
    ]);
    const own = runSheet(planned, record, laidMin + endMin);
    return checkView(checkNet(document, new Set(['roof'])), planned, record, own).places.some(
      ({ why }) => why === 'late',
    );
  };
  // Its first point is as old as levelling began, its last as levelling ended since it was laid.
  expect([slow(byMin - 1, byMin + 1.5), slow(byMin + 0.5, byMin + 1.5), slow(byMin - 1, byMin + 3)]).toEqual([
    false,
    true,
    true,
  ]);
});

test('a fault stands open with what helps at its age; mended, its place is looked at again before it counts', () => {
  const { sheet, net, check } = laidWhole('satin-tourer');
  const { surface, at } = check.places.find(({ surface: id }) => patchAt(net, sheet, id, [0.5, 0.5]) !== undefined)!;
  const { patch } = patchAt(net, sheet, surface, at)!;
  const fault: RunEntry = { type: 'fault', patch, fault: 'high-spot', at: [0.4, 0.6] };
  const found = laidWhole('satin-tourer', fault);
  expect(found.check.open.map(({ entry }) => entry)).toEqual(['m0']);
  const { document, planned, record, endMin } = found;
  const prepared = preparedWith(document, prepareSettings(document, undefined, NO_KIT));
  const ways = (later: number) =>
    remediesFor({ planned, record, sheet: found.sheet, prepared }, found.check.open[0]!, endMin + later);
  // Days later, on satin: nothing that polishes.
  expect(
    ways(5000)
      .filter(({ never }) => never === undefined)
      .map(({ how }) => how),
  ).toEqual(['accepted']);
  const key = `panel:${surface}`;
  const mended = laidWhole('satin-tourer', fault, look(key), { type: 'remedied', fault: 'm0', how: 're-wet' });
  expect([mended.check.open.length, mended.check.looks['hand-light'].find((each) => each.key === key)!.seen]).toEqual([
    0,
    false,
  ]);
  const again = laidWhole('satin-tourer', fault, { type: 'remedied', fault: 'm0', how: 're-wet' }, look(key));
  expect(again.check.looks['hand-light'].find((each) => each.key === key)!.seen).toBe(true);
  expect(patchKey(again.record.faults.get('m0')!.patch)).toBe(patchKey(patch));
});

test('a patch found missing when wet is a small job that has to stay dry again, and then the whole item has', () => {
  const { sheet, planned, record, endMin, document } = laidWhole('slate-estate');
  const { patch } = sheet.patches.find(({ patch: { surface } }) => surface === 'bonnet')!;
  const dryMin = keepDryUntilMin({ planned, record, sheet })!;
  expect(dryMin).toBeGreaterThan(endMin);
  const missed: RunEntry = { type: 'fault', patch, fault: 'missed-patch', at: [0.6, 0.5] };
  const found = laidWhole('slate-estate', missed);
  const prepared = preparedWith(document, prepareSettings(document, undefined, NO_KIT));
  const [way] = remediesFor({ ...found, prepared }, found.check.open[0]!, endMin + 5000);
  expect(way).toMatchObject({
    how: 'laid-again',
    steps: [expect.stringContaining('Dry it'), expect.stringContaining('Lay it again'), 'Keep it dry'],
  });
  expect(way!.dryForMin!).toBeGreaterThan(60);
  const mended = laidWhole('slate-estate', missed, { type: 'remedied', fault: 'm0', how: 'laid-again' });
  const again = keepDryUntilMin(mended)!;
  expect(again).toBeGreaterThanOrEqual(endMin + 2 + way!.dryForMin! * 0.5);
  expect(again).toBeGreaterThanOrEqual(dryMin);
});

test('a place of a panel in sections is in one of them, and each of them is reached', () => {
  const { sheet, net } = laidWhole('teal-hatchback');
  const roof = sheet.patches.filter(({ patch }) => patch.surface === 'roof' && patch.layer === 1);
  const sections = Math.max(...roof.map((each) => each.sections));
  expect(sections).toBeGreaterThan(1);
  const reached = new Set<number>();
  for (let x = 0.02; x < 1; x += 0.04)
    for (let y = 0.02; y < 1; y += 0.04) reached.add(patchAt(net, sheet, 'roof', [x, y])!.patch.section);
  expect([...reached].sort()).toEqual(Array.from({ length: sections }, (_, nth) => nth + 1));
});

test('what is not done is told, one side done and the other forgotten first; left out with a reason it is closed', () => {
  const document = documentOf('teal-hatchback');
  const played = playedLog(document, Infinity).filter(
    ({ entry }) => !('patch' in entry) || entry.patch.surface !== 'mirror-left',
  );
  const view = (...more: readonly RunEntry[]) => {
    const log = loggedEntries(document.startAt, played);
    const endMin = Math.max(...log.map(({ atMin }) => atMin));
    const record = foldLog([
      ...log,
      ...more.map((entry, nth): LoggedEntry => ({ id: `m${nth}`, atMin: endMin + nth, entry })),
    ]);
    return closingView(document, runSheet(planInput(document), record, endMin), record);
  };
  const open = view();
  expect(open.lacking).toEqual([
    expect.objectContaining({ surface: 'mirror-left', twinDone: expect.stringContaining('ight') as string }),
  ]);
  const ticks = open.ticks.map(({ line }): RunEntry => ({ type: 'answered', list: 'closing', line, answer: 'yes' }));
  expect(ticks.length).toBeGreaterThan(5);
  // What gets nothing is told, and asks for no tick.
  expect(open.bare.length).toBeGreaterThan(0);
  expect(open.bare.filter((each) => !/: (nothing is planned on it|not in this job)$/.test(each))).toEqual([]);
  const left: RunEntry = { type: 'left-out', surface: 'mirror-left', reason: 'damaged' };
  expect([view(...ticks).isDone, view(left).isDone, view(left, ...ticks).isDone]).toEqual([false, false, true]);
});
