/** What the models need to know of a product family where a sheet says nothing itself. */
export interface Family {
  readonly name: string;
  /** Usual life between renewals, months, where the sheet rates none. */
  readonly usualLifeMonths: number;
  /** How strongly parking and washing bear on its life: 1 as on a coating, less where it is renewed often anyway. */
  readonly exposureSensitivity: number;
  /** First careful wash where the sheet names none, days after hand-over. */
  readonly firstWashDays: number;
  /** Solvent a litre of it usually gives off where the sheet does not say, g. Engineering default. */
  readonly usualVocGPerL: number;
  /** Usual softening point of waxes, °C at the surface. */
  readonly meltsAtC?: number;
  /** It washes or wipes off what carries it and leaves that as it was: a sacrificial top can be renewed alone. */
  readonly comesOffAlone?: true;
}

const define = <T extends Record<string, Family>>(table: T) => table;

/** Orders of magnitude of the trade; a sheet overrides each. */
const TABLE = define({
  'cleaner-wax': {
    name: 'Cleaner wax',
    usualLifeMonths: 1,
    exposureSensitivity: 1.2,
    firstWashDays: 1,
    usualVocGPerL: 80,
    meltsAtC: 55,
    comesOffAlone: true,
  },
  'paste-wax': {
    name: 'Paste wax',
    usualLifeMonths: 2,
    exposureSensitivity: 1.2,
    firstWashDays: 1,
    usualVocGPerL: 90,
    meltsAtC: 70,
    comesOffAlone: true,
  },
  'liquid-wax': {
    name: 'Liquid wax',
    usualLifeMonths: 3,
    exposureSensitivity: 1.2,
    firstWashDays: 1,
    usualVocGPerL: 80,
    meltsAtC: 70,
    comesOffAlone: true,
  },
  sealant: {
    name: 'Polymer sealant',
    usualLifeMonths: 5,
    exposureSensitivity: 1,
    firstWashDays: 1,
    usualVocGPerL: 40,
    comesOffAlone: true,
  },
  'spray-coating': {
    name: 'Spray coating',
    usualLifeMonths: 15,
    exposureSensitivity: 1,
    firstWashDays: 3,
    usualVocGPerL: 30,
  },
  'ceramic-primer': {
    name: 'Priming polish',
    usualLifeMonths: 36,
    exposureSensitivity: 0.3,
    firstWashDays: 7,
    usualVocGPerL: 300,
  },
  'ceramic-base': {
    name: 'Ceramic base',
    usualLifeMonths: 48,
    exposureSensitivity: 0.8,
    firstWashDays: 7,
    usualVocGPerL: 550,
  },
  'ceramic-top': {
    name: 'Ceramic top',
    usualLifeMonths: 36,
    exposureSensitivity: 1,
    firstWashDays: 7,
    usualVocGPerL: 550,
  },
  ceramic: {
    name: 'Ceramic coating',
    usualLifeMonths: 36,
    exposureSensitivity: 1,
    firstWashDays: 7,
    usualVocGPerL: 550,
  },
  'glass-coating': {
    name: 'Glass coating',
    usualLifeMonths: 12,
    exposureSensitivity: 1.1,
    firstWashDays: 3,
    usualVocGPerL: 600,
  },
  'wheel-coating': {
    name: 'Wheel coating',
    usualLifeMonths: 18,
    exposureSensitivity: 1.2,
    firstWashDays: 7,
    usualVocGPerL: 550,
  },
  'trim-coating': {
    name: 'Trim coating',
    usualLifeMonths: 18,
    exposureSensitivity: 0.9,
    firstWashDays: 3,
    usualVocGPerL: 300,
  },
  'vinyl-coating': {
    name: 'Vinyl coating',
    usualLifeMonths: 18,
    exposureSensitivity: 1,
    firstWashDays: 7,
    usualVocGPerL: 450,
  },
  'fabric-guard': {
    name: 'Fabric guard',
    usualLifeMonths: 12,
    exposureSensitivity: 0.5,
    firstWashDays: 3,
    usualVocGPerL: 60,
  },
  topper: {
    name: 'Topper',
    usualLifeMonths: 3,
    exposureSensitivity: 1.2,
    firstWashDays: 1,
    usualVocGPerL: 10,
    comesOffAlone: true,
  },
  film: {
    name: 'Paint-protection film',
    usualLifeMonths: 84,
    exposureSensitivity: 0.5,
    firstWashDays: 7,
    usualVocGPerL: 0,
  },
  dressing: {
    name: 'Dressing',
    usualLifeMonths: 0.5,
    exposureSensitivity: 1.3,
    firstWashDays: 1,
    usualVocGPerL: 20,
    comesOffAlone: true,
  },
});

export type FamilyId = keyof typeof TABLE;
export const FAMILIES: Readonly<Record<FamilyId, Family>> = TABLE;
export const FAMILY_IDS = Object.keys(TABLE) as [FamilyId, ...FamilyId[]];

/** What may be found on a surface: a family, or something nobody has told or tested. */
export type FoundId = FamilyId | 'unknown';
export const FOUND_IDS = [...FAMILY_IDS, 'unknown'] as const satisfies readonly FoundId[];
/** Whether the topmost of what is found can be renewed by itself: a sacrificial layer over something else. */
export const topComesOffAlone = (found: readonly FoundId[]): boolean => {
  const top = found.at(-1);
  return found.length > 1 && top !== undefined && top !== 'unknown' && FAMILIES[top].comesOffAlone === true;
};
/** What is found, by its name. */
export const foundName = (id: FoundId): string => (id === 'unknown' ? 'Something unknown' : FAMILIES[id].name);
