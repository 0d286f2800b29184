import fc from 'fast-check';
import { SUBSTRATES } from '#core/item/substrates';
import { isPolishing, STEP_KINDS } from '#core/prepare/steps';
import { anyPanel, anySettings, panel, settings, swirled } from '../../testing/preparation';
import { compareLevels, prepareItem } from './item';
import { ledgerOf } from './ledger';
import { LEVEL_DEFINITIONS, LEVELS } from './levels';
import { preparePanel } from './panel';
import type { PanelCase, PrepareSettings } from './panel-case';
import { type PrepareSchools, SCHOOL_CHOICES, USUAL_SCHOOLS } from './schools';

const kinds = (prepared: { steps: readonly { kind: string }[] }) => prepared.steps.map(({ kind }) => kind);
const minutesOf = (subject: PanelCase, kind: string, changes: Partial<PrepareSettings> = {}) =>
  preparePanel(subject, settings(changes)).steps.find((step) => step.kind === kind)?.minutes;

describe('work rates, minutes', () => {
  const medium = panel({ marks: swirled('medium') });
  test.each([
    ['cutting', medium, 27],
    ['refining', medium, 10.5],
    ['cutting', panel({ marks: swirled('light') }), 18.9],
    ['cutting', panel({ marks: swirled('heavy') }), 43.2],
    ['cutting', { ...medium, hardness: 'very-hard' as const }, 48.6],
    ['cutting', { ...medium, hardness: 'soft' as const }, 18.9],
    ['refining', { ...medium, hardness: 'very-hard' as const }, 8.4],
    ['refining', { ...medium, hardness: 'soft' as const }, 14.7],
    ['refining', { ...medium, tone: 'dark' as const }, 12.6],
    ['inspection', { ...medium, tone: 'dark' as const }, 2.7],
    ['inspection', { ...medium, tone: 'pale' as const }, 1.8],
    ['cutting', { ...medium, handling: 2.5 }, 67.5],
    ['cutting', { ...medium, areaM2: 0.1, piece: 'lamp' as const, count: 2 }, 12],
    ['cutting', { ...medium, curvature: 1.3 }, 40.5],
    ['cutting', { ...medium, zone: 'under' as const }, 37.8],
    ['clay', panel({ touch: 'rough' }), 6],
    ['iron', panel({ iron: 'bleeds' }), 2.25],
    ['dry', panel(), 2.25],
    ['panel-wipe', panel(), 2.25],
    ['wheels', panel({ substrate: 'wheel', count: 4 }), 32],
    ['glass-polish', panel({ substrate: 'glass', toCome: ['glass-coating'] }), 4.5],
  ])('%s', (kind, subject, minutes) => {
    expect(minutesOf(subject, kind)).toBeCloseTo(minutes, 9);
  });

  test('pre-wash and wash together 2.5 a m², single stage 9, finishing 5, taping a quarter of a minute a metre', () => {
    const plain = { level: 'none' } as const;
    const washed = minutesOf(panel(), 'pre-wash', plain)! + minutesOf(panel(), 'wash', plain)!;
    expect(washed).toBeCloseTo(2.5 * 1.5, 9);
    expect(minutesOf(medium, 'single-stage', { level: 'one-step' })).toBeCloseTo(13.5, 9);
    expect(minutesOf(panel({ faultless: true }), 'finishing')).toBeCloseTo(5 * 1.5 * 0.7, 9);
    const many = { schools: { ...USUAL_SCHOOLS, masking: 'many' as const } };
    expect(minutesOf(medium, 'tape', many)).toBeCloseTo(1.25, 9);
  });
});

describe('the paint ledger', () => {
  test('clear now, less this correction at its most, less the removals, against the reserve', () => {
    expect(ledgerOf({ clearUm: 45, paint: 'factory', reserveUm: 25, removalsUm: 2 }, 5)).toEqual({
      clearNowUm: 45,
      thisCorrectionUm: 5,
      removalsUm: 2,
      reserveUm: 25,
      spareUm: 13,
      correctionsLeft: 2,
    });
    expect(ledgerOf({ clearUm: undefined, paint: 'factory', reserveUm: 25, removalsUm: 0 }, 0)).toBeUndefined();
  });

  test('what breaks the reserve is refused with the milder choice and the sum', () => {
    const thin = preparePanel(panel({ marks: swirled('heavy'), clearUm: 30 }), settings({ level: 'full' }));
    expect(thin.level).toEqual({
      level: 'one-step',
      why: expect.stringContaining('µm short: of 30 µm it takes up to 10'),
    });
    expect(kinds(thin)).toContain('single-stage');
    expect(kinds(thin)).not.toContain('cutting');
    const gone = preparePanel(panel({ marks: swirled('heavy'), clearUm: 0 }), settings());
    expect(gone.level.level).toBe('none');
  });

  test('nobody knows the clear: one careful step at most; over a burn-through no machine at all', () => {
    const unknown = preparePanel(panel({ marks: swirled('heavy'), clearUm: undefined }), settings());
    expect(unknown.level).toEqual({ level: 'one-step', why: expect.stringContaining('not known') });
    const burnt = panel({ marks: [...swirled('heavy'), { id: 'b', kind: 'burn-through', severity: 'light' }] });
    expect(preparePanel(burnt, settings()).level).toEqual({
      level: 'none',
      why: expect.stringContaining('no machine'),
    });
  });
});

describe('what is done, and why', () => {
  test('a panel without marks gets gloss, not cutting; without a job for it, nothing to bond is wiped', () => {
    const looked = panel({ faultless: true });
    expect(kinds(preparePanel(looked, settings()))).toContain('finishing');
    expect(kinds(preparePanel(looked, settings()))).not.toContain('cutting');
    expect(kinds(preparePanel(panel({ toCome: [] }), settings()))).not.toContain('panel-wipe');
    expect(kinds(preparePanel(panel({ toCome: ['paste-wax'] }), settings()))).not.toContain('panel-wipe');
  });

  test('schools change what they say they change', () => {
    const with_ = (schools: Partial<PrepareSchools>, subject = panel()) =>
      kinds(preparePanel(subject, settings({ schools: { ...USUAL_SCHOOLS, ...schools } })));
    const bled = panel({ iron: 'bleeds' });
    expect(with_({ iron: 'before-wash' }, bled).indexOf('iron')).toBeLessThan(
      with_({ iron: 'before-wash' }, bled).indexOf('wash'),
    );
    expect(with_({ iron: 'after-wash' }, bled).indexOf('iron')).toBeGreaterThan(with_({}, bled).indexOf('wash'));
    expect(with_({ wipe: 'twice' }).filter((kind) => kind === 'panel-wipe')).toHaveLength(2);
    expect(with_({ wipe: 'none-over-primer' })).toContain('panel-wipe');
    const primed = panel({ toCome: ['ceramic-primer', 'ceramic-base'] });
    expect(with_({ wipe: 'none-over-primer' }, primed)).not.toContain('panel-wipe');
    // One that lies there already is never wiped, unless polishing takes it off anyway.
    const lying = panel({ existing: ['ceramic-primer'], toCome: ['ceramic-base'] });
    const wiped = preparePanel(lying, settings({ level: 'none' })).steps.find(({ kind }) => kind === 'panel-wipe')!;
    expect(wiped.impossible).toBe('a panel wipe would take the priming polish found on it off again');
    expect(kinds(preparePanel(lying, settings({ level: 'one-step' })))).toContain('panel-wipe');
    const chipped = panel({ marks: [{ id: 'c', kind: 'chip', severity: 'light' }] });
    expect(with_({ chips: 'fill' }, chipped)).toContain('chip-fill');
    expect(with_({ chips: 'seal' }, chipped)).not.toContain('chip-fill');
    const first = (schools: Partial<PrepareSchools>) =>
      prepareItem(
        [panel(), panel({ id: 'wheel', substrate: 'wheel', count: 4 })],
        settings({ schools: { ...USUAL_SCHOOLS, ...schools } }),
      ).stages.map(({ kind }) => kind);
    expect(first({ wheels: 'first' })[0]).toBe('wheels');
    expect(first({ wheels: 'last' }).indexOf('wheels')).toBeGreaterThan(first({ wheels: 'last' }).indexOf('dry'));
    expect(Object.keys(SCHOOL_CHOICES).sort()).toEqual(Object.keys(USUAL_SCHOOLS).sort());
  });

  test('a step left out costs nothing, says what follows, and takes no paint', () => {
    const whole = prepareItem([panel({ marks: swirled('medium') })], settings());
    const without = prepareItem([panel({ marks: swirled('medium') })], settings({ leftOut: new Set(['cutting']) }));
    expect(whole.minutes - without.minutes).toBeCloseTo(27, 9);
    const left = without.panels[0]!.steps.find(({ kind }) => kind === 'cutting')!;
    expect(left.leftOut).toBe(STEP_KINDS.cutting.leftOut);
    expect(without.panels[0]!.ledger!.thisCorrectionUm).toBe(1);
  });

  test('what is agreed: partly is one level milder, unpaid is counted by itself, hidden is filled and said to be', () => {
    const agreed = (state: 'partly' | 'unpaid' | 'hidden-only', changes = {}) =>
      panel({ marks: swirled('medium'), scope: { state, reason: 'said at the walk-round' }, ...changes });
    expect(preparePanel(agreed('partly'), settings()).level).toEqual({
      level: 'one-step',
      why: 'partly, as agreed: said at the walk-round',
    });
    const unpaid = prepareItem([agreed('unpaid'), panel({ id: 'roof' })], settings());
    const alone = prepareItem([agreed('unpaid')], settings());
    expect(unpaid.unpaidMin).toBeGreaterThan(27);
    expect(unpaid.unpaidMin).toBeLessThanOrEqual(alone.minutes);
    const waxed = preparePanel(agreed('hidden-only', { toCome: ['paste-wax'] }), settings());
    expect(waxed.goes).toEqual([{ mark: 'm', share: 0, hidden: true }]);
    expect(waxed.ledger!.thisCorrectionUm).toBe(0.5);
    const coated = preparePanel(agreed('hidden-only'), settings());
    expect(coated.steps.find(({ kind }) => kind === 'filling-polish')!.impossible).toMatch(/priming polish/);
    expect(coated.goes[0]).toEqual({ mark: 'm', share: 0 });
    const primed = preparePanel(agreed('hidden-only', { toCome: ['ceramic-primer', 'ceramic-base'] }), settings());
    expect(kinds(primed)).not.toContain('filling-polish');
    expect(primed.goes[0]).toEqual({ mark: 'm', share: 0, hidden: true });
  });

  test('satin is masked beside polished glass in every school, and trim by the school', () => {
    const glass = panel({ id: 'window', substrate: 'glass', toCome: ['glass-coating'] });
    const tank = panel({ id: 'tank', substrate: 'clear-matte' });
    const trim = panel({ id: 'trim', substrate: 'textured-plastic' });
    for (const masking of ['many', 'obvious', 'none'] as const) {
      const { panels } = prepareItem([glass, tank, trim], settings({ schools: { ...USUAL_SCHOOLS, masking } }));
      expect(kinds(panels[1]!)).toContain('tape');
      expect(kinds(panels[2]!).includes('tape')).toBe(masking !== 'none');
    }
    const away = prepareItem([{ ...glass, zone: 'left' }, tank], settings());
    expect(kinds(away.panels[1]!)).not.toContain('tape');
  });

  test('what is excluded gets nothing, and keeps its reason', () => {
    const prepared = preparePanel(
      panel({ scope: { state: 'excluded', reason: 'wheels will be swapped: treat the new set' } }),
      settings(),
    );
    expect(prepared).toMatchObject({ steps: [], excluded: 'wheels will be swapped: treat the new set' });
  });

  test('a panel of which nothing is said is asked about, and not quietly downgraded', () => {
    const unsaid = preparePanel(panel(), settings());
    expect([unsaid.unknown, unsaid.level.level]).toEqual([true, 'two-step']);
    expect(unsaid.steps.find(({ kind }) => kind === 'cutting')!.reason).toMatch(/not looked at/);
    expect(preparePanel(panel({ marks: swirled('light') }), settings()).unknown).toBeUndefined();
    expect(preparePanel(panel({ faultless: true }), settings())).toMatchObject({ level: { level: 'gloss-refresh' } });
    expect(compareLevels([panel(), panel({ id: 'roof', faultless: true })], settings())[0]!.unknownOn).toBe(1);
  });

  test('a heavy correction of hard paint cuts five to six times as long as it refines', () => {
    const hard = panel({ marks: swirled('heavy'), hardness: 'hard', clearUm: 60 });
    const ratio = minutesOf(hard, 'cutting')! / minutesOf(hard, 'refining')!;
    expect(ratio).toBeGreaterThan(5);
    expect(ratio).toBeLessThan(6);
  });

  test('what a level is said to do is what it does here: nearly all is never said of less than nine tenths', () => {
    const seen = new Set<string>();
    for (const kind of ['swirls', 'deep-scratch', 'etching', 'chip'] as const)
      for (const severity of ['light', 'medium', 'heavy'] as const) {
        const marked = panel({ marks: [{ id: 'm', kind, severity }] });
        for (const { level, says, goneShare } of compareLevels([marked], settings())) {
          if (level === 'none' || goneShare === undefined) continue;
          expect(says).toContain(`about ${Math.round(100 * goneShare)} %`);
          expect([kind, severity, level, says.startsWith('Nearly all')]).toEqual([
            kind,
            severity,
            level,
            goneShare >= 0.9,
          ]);
          seen.add(says.split(' of ')[0]!);
        }
      }
    expect(seen.size).toBeGreaterThan(3);
    // Nothing is marked: what the level usually does.
    expect(compareLevels([panel({})], settings()).at(-1)!.says).toBe(LEVEL_DEFINITIONS.full.says);
  });

  test('levels side by side: each takes longer, more goes, and more paint', () => {
    const options = compareLevels([panel({ marks: swirled('medium') })], settings());
    expect(options.map(({ level }) => level)).toEqual([...LEVELS]);
    for (const [index, option] of options.slice(1).entries()) {
      const milder = options[index]!;
      expect(option.minutes).toBeGreaterThan(milder.minutes);
      expect(option.goneShare!).toBeGreaterThanOrEqual(milder.goneShare!);
      expect(option.mostUm).toBeGreaterThanOrEqual(milder.mostUm);
    }
    expect(options[0]!.stays).toEqual(['m']);
    expect(options.at(-1)!.stays).toEqual([]);
  });
});

describe('laws', () => {
  test('a matte finish never receives a polishing step, nor does what has nothing to take from', () => {
    fc.assert(
      fc.property(anyPanel, anySettings, (subject, how) => {
        const polished = preparePanel(subject, how).steps.some(({ kind }) => isPolishing(kind));
        const { matte, polishable } = SUBSTRATES[subject.substrate];
        if (matte || !polishable) expect(polished).toBe(false);
      }),
      { numRuns: 300 },
    );
  });

  test('the ledger never goes below the reserve by what is accepted, and what is refused says why', () => {
    fc.assert(
      fc.property(anyPanel, anySettings, (subject, how) => {
        const { ledger, level } = preparePanel(subject, how);
        if (ledger && ledger.thisCorrectionUm > 0) expect(ledger.spareUm).toBeGreaterThanOrEqual(0);
        if (level.level !== how.level && subject.marks.some(({ kind }) => kind === 'swirls')) {
          const takes = SUBSTRATES[subject.substrate].polishable && subject.scope?.state !== 'excluded';
          if (takes) expect(level.why).toBeDefined();
        }
      }),
      { numRuns: 300 },
    );
  });

  test('graver marks never shorten a plan', () => {
    fc.assert(
      fc.property(anyPanel, anySettings, fc.nat(4), (subject, how, index) => {
        const graver = subject.marks.map((one, at) => (at === index ? { ...one, severity: 'heavy' as const } : one));
        const before = prepareItem([subject], how).minutes;
        expect(prepareItem([{ ...subject, marks: graver }], how).minutes).toBeGreaterThanOrEqual(before - 1e-9);
      }),
      { numRuns: 300 },
    );
  });

  test('stages keep the order of the work, and every step stands in one of them', () => {
    fc.assert(
      fc.property(fc.array(anyPanel, { minLength: 1, maxLength: 6 }), anySettings, (subjects, how) => {
        const panels = subjects.map((subject, index) => ({ ...subject, id: `p${index}` }));
        const { stages, panels: prepared, minutes } = prepareItem(panels, how);
        const inStages = stages.flatMap(({ steps }) => steps);
        expect(inStages).toHaveLength(prepared.flatMap(({ steps }) => steps).length);
        expect(stages.reduce((sum, stage) => sum + stage.minutes, 0)).toBeCloseTo(minutes, 6);
        const at = (kind: string) => stages.findIndex((stage) => stage.kind === kind);
        for (const [first, then] of [
          ['clay', 'cutting'],
          ['dry', 'cutting'],
          ['cutting', 'refining'],
          ['refining', 'finishing'],
          ['finishing', 'panel-wipe'],
          ['prep-wash', 'panel-wipe'],
        ] as const) {
          if (at(first) !== -1 && at(then) !== -1) expect(at(first)).toBeLessThan(at(then));
        }
        for (const { steps } of stages) {
          const zones = steps.map(({ surface }) => panels.find(({ id }) => id === surface)!.zone ?? 'left');
          expect(zones.indexOf('under') === -1 || zones.indexOf('under') > zones.lastIndexOf('top')).toBe(true);
        }
      }),
      { numRuns: 120 },
    );
  });
});
