import type { Mark } from '#core/survey/condition';
import { SUBSTRATES } from '#core/item/substrates';
import type { FoundId } from '#core/products/families';
import type { PrepareSchools } from './schools';
import { type Want, type WantCase, when } from './want';

const seen = ({ panel: { marks } }: WantCase, ...kinds: readonly Mark['kind'][]) =>
  marks.some(({ kind }) => kinds.includes(kind));
/** Washed, and more than only washed: what is to stay clear gets nothing stronger. */
const decontaminated = ({ washed, panel: { substrate } }: WantCase) => washed && !SUBSTRATES[substrate].keepClear;
const isWheel = ({ panel: { substrate } }: WantCase) => substrate === 'wheel';
const isPainted = ({ panel: { substrate } }: WantCase) =>
  SUBSTRATES[substrate].gaugeReads === true || substrate === 'gelcoat';

/** Paint and trim of what runs on the road: boats and aeroplanes carry no road film. */
const meetsRoad = ({ panel: { substrate, aircraft } }: WantCase) =>
  !aircraft &&
  substrate !== 'wheel' &&
  (SUBSTRATES[substrate].gaugeReads === true || SUBSTRATES[substrate].trim === true);

/** How a surface is dried: minutes against the blower, and towels a m². */
const DRYING: Readonly<Record<PrepareSchools['drying'], { readonly factor: number; readonly towelsPerM2: number }>> = {
  blower: { factor: 1, towelsPerM2: 0.15 },
  air: { factor: 0.8, towelsPerM2: 0.1 },
  towel: { factor: 0.7, towelsPerM2: 0.4 },
  mixed: { factor: 0.9, towelsPerM2: 0.25 },
};

/** Of the time wheels take before they are coated. Engineering default. */
export const CARE_WHEELS = 0.4;

/** Coatings that carry another over them once their skin is opened. */
const OPENED: readonly FoundId[] = ['ceramic', 'ceramic-base', 'ceramic-top', 'spray-coating', 'wheel-coating'];

/** Everything up to the dry, clean surface. */
export const CLEANING: readonly Want[] = [
  ({ panel: { aircraft, substrate, count } }) =>
    when(aircraft === true && substrate === 'sensor', {
      kind: 'cover',
      reason: 'ports, pitot and vents are closed before any water',
      pieces: count,
    }),
  ({ washed, settings }) =>
    when(washed && settings.salted === true, {
      kind: 'melt',
      reason: 'it comes salted or iced: melted off and drained before anything rubs, the day before where it can be',
    }),
  (subject) =>
    // The barrel of a wheel is cleaned with its face.
    when(isWheel(subject) && subject.panel.piece !== 'wheel-barrel', {
      kind: 'wheels',
      reason: 'brake dust, with cleaners of their own',
      pieces: subject.panel.count,
      // Their faces only, on the car: what was cleaned to the barrel at the coating is kept up.
      ...(subject.settings.forCare && { factor: CARE_WHEELS }),
    }),
  (subject) => {
    if (!subject.washed || isWheel(subject)) return [];
    if (subject.dry) return [{ kind: 'rinseless', reason: `washed without rinsing, since ${subject.dry}` }];
    return [
      { kind: 'pre-wash', reason: 'loosens grit before anything touches it' },
      subject.polished
        ? { kind: 'wash', reason: 'one bucket is enough, since it is polished after', factor: 0.8 }
        : { kind: 'wash', reason: 'everything after it is done on clean paint' },
    ];
  },
  (subject) =>
    // A degreaser takes what is laid with it.
    when(decontaminated(subject) && !subject.settings.forCare && subject.panel.low === true && meetsRoad(subject), {
      kind: 'degrease',
      reason: 'road film sits on the lower half and in the arches, new or not',
    }),
  ({ washed, settings, panel: { substrate } }) =>
    when(washed && !settings.forCare && SUBSTRATES[substrate].moulding === true, {
      kind: 'brush-gaps',
      reason: 'dirt creeps out from under mouldings, lamps and badges after the wash',
    }),
  (subject) => {
    const { iron } = subject.panel;
    const untried = iron === undefined && subject.bonds && isPainted(subject);
    return when(decontaminated(subject) && (iron === 'bleeds' || untried), {
      kind: 'iron',
      reason: iron === 'bleeds' ? 'the iron test bled' : 'not tried for iron, and a coating is to come',
    });
  },
  (subject) =>
    when(decontaminated(subject) && seen(subject, 'contamination'), {
      kind: 'tar',
      reason: 'bonded contamination was marked',
    }),
  (subject) => {
    const { touch, substrate } = subject.panel;
    const rough = touch === 'rough' || seen(subject, 'contamination', 'dry-spray');
    return when(decontaminated(subject) && rough && !SUBSTRATES[substrate].glass, {
      kind: 'clay',
      reason: touch === 'rough' ? 'rough to the fingertip' : 'what is bonded to it was marked',
    });
  },
  (subject) => {
    if (!decontaminated(subject)) return [];
    const { factor, towelsPerM2 } = DRYING[subject.settings.schools.drying];
    // Bare paint clings to water, and a blower wants current: by towel where there is none.
    const how = subject.settings.schools.drying === 'towel' ? 'dry-by-towel' : 'dry';
    return [
      {
        kind: how,
        reason: 'water hides in gaps and comes out later',
        factor,
        uses: [{ what: 'drying towels', unit: '', perM2: towelsPerM2 }],
      },
    ];
  },
  (subject) =>
    when(decontaminated(subject) && seen(subject, 'transit-film'), {
      kind: 'peel-transit',
      reason: 'transit film was marked: nothing bonds on it, and it bakes on',
    }),
  (subject) => {
    const last = subject.panel.existing.at(-1);
    return when(decontaminated(subject) && last !== undefined && OPENED.includes(last) && subject.bonds, {
      kind: 'abrade',
      reason: 'what is laid goes over an old coating: its skin is opened first',
    });
  },
  ({ panel: { substrate, toCome } }) =>
    when(SUBSTRATES[substrate].inside === true && toCome.length > 0, {
      kind: 'interior-clean',
      reason: 'a guard locks in whatever dirt is under it',
    }),
];
