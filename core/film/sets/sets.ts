import type { SubstrateId } from '#core/item/substrates';
import type { Zone } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';

/** What the trade sells film by: one tap, and film goes on those panels. */
export const FILM_SETS = {
  'partial-front': {
    name: 'Partial front',
    covers:
      'Front bumper, mirrors and lamps: where most stones strike. Bonnet and wings stay bare; split them under Survey where their front is to have film.',
  },
  'full-front': { name: 'Full front', covers: 'The same, with the whole bonnet and the front wings.' },
  'full-wrap': { name: 'Full wrap', covers: 'Everything painted on the outside, lamps and gloss-black trim.' },
  'wear-spots': {
    name: 'Wear spots',
    covers: 'Where hands, shoes and luggage touch: handle recesses, sills, jambs, loading lip and pillars.',
  },
} as const;
export type FilmSetId = keyof typeof FILM_SETS;
export const FILM_SET_IDS = Object.keys(FILM_SETS) as FilmSetId[];

interface SetPanel {
  readonly id: string;
  readonly substrate: SubstrateId;
  readonly zone?: Zone | undefined;
  readonly piece?: string | undefined;
}

/** Panels by what they are called on every net. */
const FACE = /^(front-bumper|mirror|headlamp|fairing|front-mudguard|cowling|nose-spat)/;
const FRONT = /^(bonnet|front-wing|tank)/;
const WEAR = /(^sill|handle|jamb|pillar|loading|footrest|top-case-lid|coaming)/;

const takesFilm = ({ substrate }: SetPanel) => {
  const { gaugeReads, polishable, keepClear, inside } = SUBSTRATES[substrate];
  return !keepClear && !inside && (gaugeReads === true || polishable === true) && !/^(wheel|caliper)$/.test(substrate);
};

/** Panels of an item that a set covers, in their order. */
export function panelsOfSet<P extends SetPanel>(set: FilmSetId, panels: readonly P[]): P[] {
  const able = panels.filter(takesFilm);
  switch (set) {
    case 'partial-front':
      return able.filter(({ id }) => FACE.test(id));
    case 'full-front':
      return able.filter(({ id }) => FACE.test(id) || FRONT.test(id));
    case 'full-wrap':
      return able;
    case 'wear-spots':
      return panels.filter(
        (panel) =>
          (WEAR.test(panel.id) || panel.piece === 'handle-recess') &&
          !SUBSTRATES[panel.substrate].keepClear &&
          !SUBSTRATES[panel.substrate].glass,
      );
  }
}
