import { reserveOf } from '#core/survey/paint';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import type { FamilyId, FoundId } from '#core/products/families';
import type { Ledger } from '#core/prepare/stages';
import type { Fill } from '../net/fills';
import { um as micrometres } from '../ui/measures';

/** One stratum of the ground a stack stands on, from the top down. Heights are for the eye, not to scale. */
export interface Stratum {
  readonly name: string;
  readonly detail?: string | undefined;
  readonly fill: Fill;
  readonly heightPx: number;
  /** Share of its height, from the bottom, that stays whatever is done. */
  readonly reserveShare?: number | undefined;
}

interface Ground {
  readonly substrate: SubstrateId;
  readonly clearUm?: number | undefined;
  /** Stays whatever is done, µm; absent: as usual for such paint. */
  readonly reserveUm?: number | undefined;
}

const body = (name: string, fill: Fill): Stratum => ({ name, fill, heightPx: 40 });
const PAINTED_BODY: readonly Stratum[] = [
  { name: 'Colour', fill: 'tint-4', heightPx: 20 },
  { name: 'Primer', fill: 'tint-1', heightPx: 18 },
  { name: 'Panel', fill: 'hatch', heightPx: 34 },
];

/** Clear, gelcoat or single-stage colour: what a polish takes from, with its reserve line. */
function polished(name: string, { substrate, clearUm, reserveUm }: Ground): Stratum {
  const reserve = reserveUm ?? reserveOf({ substrate, paint: 'factory' });
  const { polishable } = SUBSTRATES[substrate];
  const known = clearUm !== undefined;
  return {
    name,
    fill: 'glass',
    heightPx: 46,
    detail: known
      ? `${micrometres(clearUm)}${polishable ? `, reserve ${reserve}` : ', never polished'}`
      : 'thickness not known',
    reserveShare: polishable ? (known ? Math.min(1, reserve / Math.max(1, clearUm)) : 0.5) : undefined,
  };
}

const GROUND: Readonly<Partial<Record<SubstrateId, (ground: Ground) => readonly Stratum[]>>> = {
  'clear-gloss': (ground) => [polished('Clear coat', ground), ...PAINTED_BODY],
  'clear-matte': (ground) => [polished('Matte clear coat', ground), ...PAINTED_BODY],
  'aircraft-paint': (ground) => [polished('Topcoat', ground), ...PAINTED_BODY.slice(1)],
  'single-stage': (ground) => [polished('Colour, single stage', ground), ...PAINTED_BODY.slice(1)],
  gelcoat: (ground) => [polished('Gelcoat', ground), body('Laminate', 'hatch')],
  'film-gloss': () => [{ name: 'Film', fill: 'hatch', heightPx: 30 }, ...PAINTED_BODY],
  'film-matte': () => [{ name: 'Matte film', fill: 'dots', heightPx: 30 }, ...PAINTED_BODY],
  vinyl: () => [{ name: 'Coloured wrap', fill: 'hatch', heightPx: 26 }, ...PAINTED_BODY],
  wheel: (ground) => [polished('Clear coat', ground), body('Alloy', 'rules')],
  glass: () => [body('Glass', 'glass')],
  windscreen: () => [body('Windscreen glass', 'glass')],
  'lens-plastic': () => [body('Lens', 'glass')],
  'acrylic-window': () => [body('Acrylic', 'glass')],
  chrome: () => [{ name: 'Chrome', fill: 'tint-2', heightPx: 14 }, body('Metal', 'rules')],
};

/** The ground under a stack, from the top down. */
export function groundOf(ground: Ground): readonly Stratum[] {
  return GROUND[ground.substrate]?.(ground) ?? [body(SUBSTRATES[ground.substrate].name, 'cross')];
}

const FAMILY_FILLS: Readonly<Partial<Record<FamilyId, Fill>>> = {
  'cleaner-wax': 'buff',
  'paste-wax': 'buff',
  'liquid-wax': 'buff',
  sealant: 'tint-2',
  topper: 'tint-2',
  dressing: 'dots',
  'spray-coating': 'tint-2',
  'ceramic-primer': 'tint-1',
  'ceramic-base': 'tint-3',
  'ceramic-top': 'tint-4',
  ceramic: 'tint-3',
  'glass-coating': 'glass',
  'wheel-coating': 'rules',
  'trim-coating': 'cross',
  'vinyl-coating': 'tint-3',
  'fabric-guard': 'dots',
  film: 'hatch',
};

/** How a family of layers is drawn, on the net and in the core sample alike. */
export function familyFill(family: FoundId): Fill {
  return (family === 'unknown' ? undefined : FAMILY_FILLS[family]) ?? 'tint-3';
}

/** Pixels a micrometre of clear is drawn with, and the least a part is drawn with. */
const PX_PER_UM = 2.4;
const LEAST_PX = 20;

/** The clear coat parted by what becomes of it, from the top down, to scale but for the smallest parts. */
export function ledgerGround(substrate: SubstrateId, ledger: Ledger): readonly Stratum[] {
  const { thisCorrectionUm, removalsUm, spareUm, reserveUm, clearNowUm, correctionsLeft } = ledger;
  const part = (name: string, um: number, fill: Fill, detail = `${micrometres(um, 1)}`): Stratum[] =>
    um > 0 ? [{ name, detail, fill, heightPx: Math.max(LEAST_PX, um * PX_PER_UM) }] : [];
  const more =
    Number.isFinite(correctionsLeft) && spareUm > 0
      ? `, ${correctionsLeft} more such ${correctionsLeft === 1 ? 'correction' : 'corrections'}`
      : '';
  return [
    ...part('This correction, at most', thisCorrectionUm, 'stop'),
    ...part('Kept for taking the protection off', removalsUm, 'warn'),
    ...part('To spare', spareUm, 'glass', `${micrometres(spareUm, 1)}${more}`),
    ...part('Reserve, never touched', Math.min(reserveUm, clearNowUm), 'ok'),
    ...groundOf({ substrate, clearUm: clearNowUm }).slice(1),
  ];
}
