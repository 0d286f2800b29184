import { shapeAreaM2 } from '#core/item/geometry';
import { SUBSTRATES } from '#core/item/substrates';
import { inOnePiece } from '#core/plan/job';
import { Part } from '../../../job/Station';
import { Button } from '../../../ui/Button';
import { NumberField } from '../../../ui/NumberField';
import type { SurfacePartProps } from './MaterialPart';
import { ShapeForm } from './ShapeForm';

/** The shape of a surface, how often it is there, and whether it is laid in one piece. */
export function MeasurePart({ surface, change }: SurfacePartProps) {
  const { shape, count, curvature = 1, measuredBy } = surface;
  const { matte } = SUBSTRATES[surface.substrate];
  return (
    <Part title="How it was measured">
      {measuredBy === 'template' ? (
        <div className="flex items-center justify-between gap-3">
          <p className="text-[14px] text-ink-2">Its outline comes from the stretched template.</p>
          <Button
            onClick={() => change({ measuredBy: 'tape', shape: { kind: 'area', areaM2: round(shapeAreaM2(shape)) } })}
          >
            Measure by tape
          </Button>
        </div>
      ) : (
        <ShapeForm
          shape={shape}
          onChange={(next) =>
            change({ shape: next, measuredBy: 'tape', ...(next.kind === 'area' && { curvature: undefined }) })
          }
        />
      )}
      <div className="mt-3 grid grid-cols-2 gap-3">
        <NumberField
          label="Identical copies"
          value={count}
          check={(value) =>
            Number.isInteger(value) && value >= 1 && value <= 100 ? undefined : 'a whole number, 1 to 100'
          }
          onChange={(next) => change({ count: next ?? 1 })}
        />
        {shape.kind !== 'area' && (
          <NumberField
            label="Curvature, ×"
            value={curvature}
            check={(value) => (value > 0 && value <= 3 ? undefined : 'more than 0, at most 3')}
            onChange={(next) => change({ curvature: next })}
          />
        )}
      </div>
      <label className="mt-3 flex min-h-9 items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-(--over)"
          checked={inOnePiece(surface)}
          disabled={matte}
          onChange={({ target }) => change({ onePiece: target.checked })}
        />
        In one piece, without seams {matte && <span className="text-ink-3">(matte always)</span>}
      </label>
    </Part>
  );
}

const round = (area: number) => Number(area.toFixed(3));
