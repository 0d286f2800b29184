import { SUBSTRATES } from '#core/item/substrates';
import type { WorkPatch } from '#core/plan/section-map';
import type { Surface } from '#formats/job';
import { changeSurface } from '#job/edit';
import { PanelHead, Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { m2 } from '../../ui/measures';
import { Tick } from '../../ui/Tick';

interface Props {
  readonly surface: Surface;
  readonly patches: readonly WorkPatch[];
  readonly said: (amount: number) => string;
  /** The next tap on the sheet says what it waits for. */
  readonly waiting: boolean;
  readonly onWait: (waiting: boolean) => void;
}

/** One panel: its sections with their numbers and amounts, whether it goes in one piece, and what it waits for. */
export function PanelSections({ surface, patches, said, waiting, onWait }: Props) {
  const job = useJob('edit', 'nameOf');
  const own = patches.filter(({ pieces }) => pieces.some((piece) => piece.surface === surface.id));
  const others = own.flatMap(({ pieces }) => pieces.map((piece) => piece.surface)).filter((id) => id !== surface.id);
  const matte = SUBSTRATES[surface.substrate].matte === true;
  const follows = surface.follows ?? [];
  return (
    <>
      <PanelHead>
        {own.length === 0 && <p className="text-ink-2">Not in this coat.</p>}
        {others.length > 0 && <p className="text-ink-2">Laid in one go with {others.map(job.nameOf).join(', ')}.</p>}
      </PanelHead>
      {own.length > 0 && (
        <Part title={own.length === 1 ? 'One section' : `${own.length} sections`}>
          <ol className="divide-y border-y bg-sheet text-[14px]">
            {own.flatMap(({ number, pieces, tooLarge }) =>
              pieces
                .filter((piece) => piece.surface === surface.id)
                .map(({ section, areaM2, amount }) => (
                  <li key={section} className="flex items-baseline justify-between gap-3 px-3 py-1.5">
                    <span className="figure text-over">{number}</span>
                    <span className="flex-1">
                      {m2(areaM2)}
                      {tooLarge && <span className="font-semibold text-stop"> larger than today’s limit</span>}
                    </span>
                    <strong>{said(amount)}</strong>
                  </li>
                )),
            )}
          </ol>
        </Part>
      )}
      <Part title="How it is worked">
        {matte ? (
          <p className="text-[14px] text-ink-2">Satin and matte go in one piece: a seam would stay to be seen.</p>
        ) : (
          <Tick
            label="In one piece, whatever its size"
            on={surface.onePiece}
            onChange={(onePiece) => job.edit(changeSurface(surface.id, { onePiece }))}
          />
        )}
      </Part>
      <Part title="It waits for">
        {follows.length === 0 && <p className="text-[14px] text-ink-2">Nothing: it is reached when its turn comes.</p>}
        <ul className="text-[14px]">
          {follows.map((id) => (
            <li key={id} className="flex items-center justify-between">
              {job.nameOf(id)}
              <Button
                look="quiet"
                onClick={() =>
                  job.edit(changeSurface(surface.id, { follows: follows.filter((other) => other !== id) }))
                }
              >
                No longer
              </Button>
            </li>
          ))}
        </ul>
        <Button
          className="mt-2"
          look={waiting ? 'main' : 'plain'}
          aria-pressed={waiting}
          onClick={() => onWait(!waiting)}
        >
          {waiting ? 'Tap what comes before it' : 'Wait for another panel'}
        </Button>
      </Part>
    </>
  );
}
