import { FactTable, PanelName } from '../../../ui/FactTable';
import { shapeOutline } from '#core/item/geometry';
import { judgeReadings, judgeSpots, type TwoPaints, twoPaints, VERDICT_NAMES } from '#core/survey/paint';
import { type Surface, surfaceName } from '#formats/job';
import { placedReadings, setReadings, splitFault, splitSurface } from '#job/edit';
import { PanelHead, Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { um } from '../../../ui/measures';
import { NumbersField } from '../measure/ShapeForm';

/** The readings of one panel, and how they stand to the whole item. */
export function ThicknessPanel({ surface }: { readonly surface: Surface }) {
  const { document, edit } = useJob('document', 'edit');
  const paint = judgeReadings(document.surfaces)[document.surfaces.indexOf(surface)]!;
  const readings = placedReadings(surface);
  const twofold = twoPaints(readings);
  const simulated = readings.filter(({ source }) => source === 'simulated').length;
  const spots = judgeSpots(readings, shapeOutline(surface.shape));
  const remarkable = readings.flatMap((reading, index) => {
    const { outlying, thinEdge } = spots[index]!;
    return outlying || thinEdge ? [{ ...reading, index, thinEdge }] : [];
  });
  return (
    <>
      <PanelHead>
        {paint.medianUm !== undefined && (
          <p className="mt-1">
            <span className="figure text-3xl">{um(paint.medianUm)}</span>{' '}
            <span className="text-ink-2">
              median of {paint.count}, spread {paint.spreadUm!.toFixed(0)}
            </span>
          </p>
        )}
      </PanelHead>
      {twofold && <TwoPaintsHere surface={surface} twofold={twofold} />}
      <Part title="Readings">
        {paint.verdict === 'not-readable' && (
          <p className="mb-2 text-[14px] text-warn">
            A gauge reads coats on metal only: what it says here is kept, but not counted.
          </p>
        )}
        {paint.robustZ !== undefined && (
          <p className="mb-2 text-[14px] text-ink-2">
            Against the item: {paint.robustZ > 0 ? '+' : ''}
            {paint.robustZ.toFixed(1)} robust deviations, so{' '}
            <strong className="text-ink">{VERDICT_NAMES[paint.verdict]}</strong>.
          </p>
        )}
        {simulated > 0 && (
          <p className="mb-2 text-[14px] text-warn">
            {simulated} of {readings.length} by the simulated gauge: for trying things out, not for a customer.
          </p>
        )}
        <NumbersField
          label="µm, in the order they were taken"
          numbers={surface.readingsUm}
          onChange={(typed) =>
            // A reading typed over keeps its place where its number is unchanged.
            edit(
              setReadings(
                surface.id,
                typed
                  .filter((um) => um > 0)
                  .map((um, index) => (readings[index]?.um === um ? readings[index] : { um })),
              ),
            )
          }
        />
        <div className="mt-2 flex gap-2">
          <Button disabled={readings.length === 0} onClick={() => edit(setReadings(surface.id, readings.slice(0, -1)))}>
            Take back the last
          </Button>
        </div>
      </Part>
      {remarkable.length > 0 && (
        <Part title="Readings that stand out">
          <ul className="space-y-2 text-[14px]">
            {remarkable.map(({ um, index, thinEdge }) => (
              <li key={index} className="flex items-start justify-between gap-3 border-l-4 border-warn pl-3">
                <span>
                  <strong>{um} µm</strong>, the {ordinal(index + 1)}:{' '}
                  {thinEdge
                    ? 'thin at the edge. Tape it off; no pad on it.'
                    : 'far from the panel’s others. Read it again beside the spot: a repair, a burn-through, or a slip of the probe.'}
                </span>
                <Button
                  look="quiet"
                  onClick={() =>
                    edit(
                      setReadings(
                        surface.id,
                        readings.filter((_, other) => other !== index),
                      ),
                    )
                  }
                >
                  Leave out
                </Button>
              </li>
            ))}
          </ul>
        </Part>
      )}
    </>
  );
}

/** Two groups of readings on one panel: a blend or a repair. Its clear is not known until it is split where they part. */
function TwoPaintsHere({
  surface,
  twofold: { medianUm, line },
}: {
  readonly surface: Surface;
  readonly twofold: TwoPaints;
}) {
  const { edit } = useJob('edit');
  const fault = splitFault(surface);
  return (
    <Part title="Two paints on one panel">
      <p className="border-l-4 border-warn pl-3 text-[14px]">
        Some of it is {um(medianUm[0])}, some {um(medianUm[1])}, and nothing between: a repair or a blend ends on it.
        Its clear counts as not known until it is two panels.
      </p>
      {line && !fault ? (
        <Button className="mt-2" onClick={() => edit((draft) => splitSurface(draft, surface.id, line[0], line[1]))}>
          Split it where they part
        </Button>
      ) : (
        <p className="mt-2 text-[14px] text-ink-2">
          {fault ? `It cannot be split here: ${fault}.` : 'Take the readings with their places, or cut it on the map.'}
        </p>
      )}
    </Part>
  );
}

function ordinal(n: number): string {
  const teen = n % 100 >= 11 && n % 100 <= 13;
  return `${n}${teen ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th')}`;
}

export function ThicknessWhole() {
  const { document, choose } = useJob('choose', 'document');
  const judged = judgeReadings(document.surfaces)
    .map((paint, index) => ({ paint, surface: document.surfaces[index]! }))
    .filter(({ paint }) => paint.count > 0);
  const count = judged.reduce((sum, { paint }) => sum + paint.count, 0);
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <h2 className="figure text-xl">
          {count === 0 ? 'Nothing is read yet' : `${count} readings on ${judged.length} panels`}
        </h2>
        <p className="mt-1 text-[14px] text-ink-2">
          Thin is under 80 µm or far below the item; refinished over 180 or far above it; filler over 400.
        </p>
      </section>
      {judged.length > 0 && (
        <Part title="Panel by panel">
          <FactTable
            columns={['Panel', 'Median', 'Spread', 'Verdict']}
            rows={judged.map(({ paint, surface }) => ({
              key: surface.id,
              name: <PanelName onChoose={() => choose(surface.id)}>{surfaceName(surface)}</PanelName>,
              cells: [
                paint.medianUm?.toFixed(0) ?? '',
                paint.spreadUm?.toFixed(0) ?? '',
                <span key="verdict" className={paint.verdict === 'usual' ? 'text-ink-2' : 'font-semibold text-warn'}>
                  {VERDICT_NAMES[paint.verdict]}
                </span>,
              ],
            }))}
          />
        </Part>
      )}
    </>
  );
}
