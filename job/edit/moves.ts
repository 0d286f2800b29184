import { coatKey, type CoatName, type Move } from '#core/plan/job';
import type { Job } from '#formats/job';
import { changeDocument, type Edit } from './edits';

const others = (moves: Job['moves'] = [], coat: CoatName) => moves.filter((move) => coatKey(move) !== coatKey(coat));

/** A coat moved on the run sheet; an earlier move of it gives way. */
export const moveCoat = ({ moves }: Pick<Job, 'moves'>, { surface, layer, coat, after, by }: Move): Edit =>
  changeDocument({
    moves: [
      ...others(moves, { surface, layer, coat }),
      {
        surface,
        layer,
        coat,
        after: after && { surface: after.surface, layer: after.layer, coat: after.coat },
        ...(by !== undefined && { by }),
      },
    ],
  });

/** A coat goes where the sheet has it again. */
export const unmoveCoat = ({ moves }: Pick<Job, 'moves'>, coat: CoatName): Edit => {
  const left = others(moves, coat);
  return changeDocument({ moves: left.length > 0 ? left : undefined });
};
