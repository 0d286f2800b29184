import fc from 'fast-check';
import { SUBSTRATE_IDS, SUBSTRATES } from '#core/item/substrates';
import { faultsOf, LAYING_FAULT_IDS } from '#core/lay/faults';
import { remedyOptions } from '.';

const found = {
  fault: 'high-spot',
  substrate: 'clear-gloss',
  family: 'ceramic-base',
  nowMin: 30,
  rewetByMin: 68,
  polishUm: 2,
  spareUm: 12,
} as const;
const hows = (options: ReturnType<typeof remedyOptions>) =>
  options.map(({ how, never }) => (never ? `never ${how}` : how));

test('a high spot is re-wetted as long as it can be, later polished where the clear allows, on matte not at all', () => {
  const [rewet] = remedyOptions(found);
  expect(rewet).toMatchObject({ how: 're-wet', untilMin: 68, clearUm: 0 });
  expect(hows(remedyOptions({ ...found, nowMin: 69 }))).toEqual(['polished', 'accepted']);
  expect(remedyOptions({ ...found, nowMin: 69 })[0]).toMatchObject({ clearUm: 2 });
  expect(remedyOptions({ ...found, nowMin: 69, spareUm: 1.5 })[0]!.never).toBe(
    'A polish takes up to 2.0 µm, and only 1.5 µm may go here.',
  );
  const matte = { ...found, substrate: 'clear-matte', nowMin: 69 } as const;
  expect(hows(remedyOptions(matte))).toEqual(['never polished', 'accepted']);
  expect(remedyOptions(matte)[0]!.never).toContain('cannot be polished');
  expect(hows(remedyOptions({ ...matte, nowMin: 30 }))).toEqual(['re-wet', 'accepted']);
});

test('law: there is always a way out, matte is never polished, and the wet way is there up to its minute and not after', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...LAYING_FAULT_IDS),
      fc.constantFrom(...SUBSTRATE_IDS),
      fc.constantFrom('ceramic-base', 'paste-wax', 'film'),
      fc.integer({ min: 0, max: 200 }),
      fc.option(fc.integer({ min: 1, max: 150 })),
      fc.option(fc.double({ min: -3, max: 30, noNaN: true }), { nil: undefined }),
      (fault, substrate, family, nowMin, rewetByMin, spareUm) => {
        const options = remedyOptions({ ...found, fault, substrate, family, nowMin, rewetByMin, spareUm });
        expect(options.filter(({ never }) => never === undefined).length).toBeGreaterThan(0);
        const polish = options.find(({ how }) => how === 'polished');
        if (polish && SUBSTRATES[substrate].matte) expect(polish.never).toBeDefined();
        if (polish && spareUm !== undefined && spareUm < found.polishUm) expect(polish.never).toBeDefined();
        const until = options.find(({ untilMin }) => untilMin !== undefined)?.untilMin;
        if (until !== undefined) expect(nowMin).toBeLessThanOrEqual(until);
      },
    ),
  );
});

test('film has faults of its own, each with two remedies and no polish; what is poured has the others', () => {
  const [film, poured] = [faultsOf('film'), faultsOf('ceramic')];
  expect([...film, ...poured].sort()).toEqual([...LAYING_FAULT_IDS].sort());
  expect(film).toEqual(['fingers', 'bubbles', 'silvering', 'lift', 'dirt-under', 'stretch-marks']);
  for (const fault of film) {
    const at = (nowMin: number) => remedyOptions({ ...found, family: 'film', fault, nowMin })[0]!;
    expect(at(60).step).not.toBe(at(80).step);
    for (const nowMin of [60, 80])
      expect(remedyOptions({ ...found, family: 'film', fault, nowMin }).map(({ how }) => how)).not.toContain(
        'polished',
      );
  }
});

test('a sheet that does not say how long a patch can be re-wetted: until it was to be levelled, on every screen', () => {
  const untold = { ...found, rewetByMin: undefined, levelByMin: 12 };
  expect(hows(remedyOptions({ ...untold, nowMin: 12 }))).toEqual(['re-wet', 'accepted']);
  expect(hows(remedyOptions({ ...untold, nowMin: 13 }))).toEqual(['polished', 'accepted']);
});
