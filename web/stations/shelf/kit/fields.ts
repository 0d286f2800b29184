import { SUBSTRATE_IDS, SUBSTRATES } from '#core/item/substrates';
import {
  CLAY_FORMS,
  CLAY_GRADES,
  CLEANER_PH,
  DRIVES,
  type KitSheet,
  LAMP_FORMS,
  LIQUID_GRADES,
  MACHINE_ACTIONS,
  PAD_MATERIALS,
} from '#core/prepare/kit';
import { STEP_KIND_IDS, STEP_KINDS } from '#core/prepare/steps';

export type SheetKind = KitSheet['kind'];

/** One field of a sheet as it is asked for. */
export type Field = { readonly key: string; readonly label: string } & (
  | { readonly as: 'text'; readonly optional?: true }
  | { readonly as: 'number'; readonly unit?: string; readonly optional?: true }
  | { readonly as: 'flag' }
  | { readonly as: 'choice' | 'several'; readonly options: readonly (readonly [string, string])[] }
);

const asWords = (ids: readonly string[]) => ids.map((id) => [id, id.replaceAll('-', ' ')] as const);
/** Steps a cleaner can serve. */
const CLEANED = STEP_KIND_IDS.filter((kind) => STEP_KINDS[kind].uses.some(({ unit }) => unit === 'ml')).filter(
  (kind) => !STEP_KINDS[kind].polishes,
);

export const KIND_NAMES: Readonly<Record<SheetKind, readonly [one: string, many: string]>> = {
  cleaner: ['Cleaner', 'Cleaners'],
  clay: ['Clay', 'Clays'],
  liquid: ['Liquid', 'Polishing liquids'],
  pad: ['Pad', 'Pads'],
  machine: ['Machine', 'Machines'],
  lamp: ['Lamp', 'Lamps'],
};
export const SHEET_KINDS = Object.keys(KIND_NAMES) as SheetKind[];

/** What each kind of sheet says, in the order it is asked. */
export const FIELDS: Readonly<Record<SheetKind, readonly Field[]>> = {
  cleaner: [
    { key: 'serves', label: 'For', as: 'several', options: CLEANED.map((id) => [id, STEP_KINDS[id].name] as const) },
    { key: 'mlPer', label: 'Ready mixed, on a m² (wheels: each)', as: 'number', unit: 'ml' },
    { key: 'dilution', label: 'Parts of water to one', as: 'number' },
    { key: 'dwellMin', label: 'Dwells, never to dry', as: 'number', unit: 'min', optional: true },
    { key: 'ph', label: 'Acid or alkaline', as: 'choice', options: asWords(CLEANER_PH) },
    { key: 'aviationApproved', label: 'Approved for aircraft', as: 'flag' },
    { key: 'notFor', label: 'Not for', as: 'several', options: SUBSTRATE_IDS.map((id) => [id, SUBSTRATES[id].name]) },
  ],
  clay: [
    { key: 'grade', label: 'Grade', as: 'choice', options: asWords(CLAY_GRADES) },
    { key: 'form', label: 'Form', as: 'choice', options: asWords(CLAY_FORMS) },
  ],
  liquid: [
    { key: 'grade', label: 'For', as: 'choice', options: asWords(LIQUID_GRADES) },
    { key: 'mlPerDot', label: 'A dot', as: 'number', unit: 'ml' },
    { key: 'dotsFirst', label: 'Dots on the first patch of a pad', as: 'number' },
    { key: 'dotsLoaded', label: 'Dots once the pad is loaded', as: 'number' },
    { key: 'diminishing', label: 'Breaks down as it works', as: 'flag' },
    { key: 'filling', label: 'Fills marks', as: 'flag' },
    { key: 'aviationApproved', label: 'Approved for aircraft', as: 'flag' },
  ],
  pad: [
    { key: 'material', label: 'Material', as: 'choice', options: asWords(PAD_MATERIALS) },
    { key: 'sizeMm', label: 'Size', as: 'number', unit: 'mm' },
    { key: 'driesH', label: 'Washed to dry', as: 'number', unit: 'h' },
  ],
  machine: [
    { key: 'action', label: 'Action', as: 'choice', options: asWords(MACHINE_ACTIONS) },
    { key: 'throwMm', label: 'Throw (rotary: 0)', as: 'number', unit: 'mm' },
    { key: 'plateMm', label: 'Plate', as: 'number', unit: 'mm' },
    { key: 'speedFrom', label: 'Slowest speed, as on its dial', as: 'number' },
    { key: 'speedTo', label: 'Fastest', as: 'number' },
    { key: 'drive', label: 'Driven by', as: 'choice', options: asWords(DRIVES) },
    { key: 'runMin', label: 'Runs on one battery', as: 'number', unit: 'min', optional: true },
    { key: 'serviceEveryDays', label: 'Service every', as: 'number', unit: 'days', optional: true },
  ],
  lamp: [
    { key: 'form', label: 'Form', as: 'choice', options: asWords(LAMP_FORMS) },
    { key: 'flickerFree', label: 'Flicker-free', as: 'flag' },
  ],
};

/** What a new sheet of a kind starts from. */
export const USUAL: Readonly<Record<SheetKind, Readonly<Record<string, unknown>>>> = {
  cleaner: { serves: [], notFor: [], dilution: 0 },
  clay: { grade: 'fine', form: 'bar' },
  liquid: { grade: 'one-step', mlPerDot: 0.5, dotsFirst: 5, dotsLoaded: 3, diminishing: false, filling: false },
  pad: { material: 'polishing-foam', sizeMm: 125, driesH: 18 },
  machine: { action: 'dual', throwMm: 15, plateMm: 125, speedFrom: 1, speedTo: 6, drive: 'cable' },
  lamp: { form: 'hand', flickerFree: true },
};

/** A sheet in one line. */
export function inShort(sheet: KitSheet): string {
  switch (sheet.kind) {
    case 'cleaner':
      return [
        sheet.serves.map((kind) => STEP_KINDS[kind].name.toLowerCase()).join(', '),
        `${sheet.mlPer} ml`,
        sheet.dwellMin === undefined ? undefined : `dwells ${sheet.dwellMin} min`,
        sheet.dilution > 0 ? `1 : ${sheet.dilution}` : undefined,
        sheet.notFor.length > 0
          ? `not for ${sheet.notFor.map((id) => SUBSTRATES[id].name.toLowerCase()).join(', ')}`
          : undefined,
      ]
        .filter(Boolean)
        .join(' · ');
    case 'clay':
      return `${sheet.grade} ${sheet.form}`;
    case 'liquid':
      return `${sheet.grade} · ${sheet.dotsFirst} dots, then ${sheet.dotsLoaded}, ${sheet.mlPerDot} ml each${sheet.diminishing ? ' · diminishing' : ''}${sheet.filling ? ' · fills' : ''}`;
    case 'pad':
      return `${sheet.material.replaceAll('-', ' ')} · ${sheet.sizeMm} mm · dries in ${sheet.driesH} h`;
    case 'machine':
      return `${sheet.action}${sheet.throwMm > 0 ? `, throw ${sheet.throwMm} mm` : ''} · plate ${sheet.plateMm} mm · ${sheet.drive}`;
    case 'lamp':
      return `${sheet.form}${sheet.flickerFree ? ' · flicker-free' : ' · flickers'}`;
  }
}
