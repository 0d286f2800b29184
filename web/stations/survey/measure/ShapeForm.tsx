import { useId, useState } from 'react';
import type { Shape, ShapeKind } from '#core/item/geometry';
import { shapeFault, shapeSchema, type Surface } from '#formats/job';
import { faultsOfIssues } from '#formats/values';
import { NumberField } from '../../../ui/NumberField';
import { SelectField } from '../../../ui/SelectField';
import { parseNumber } from '../../../ui/numbers';
import { useTyped } from '../../../ui/useTyped';

const KIND_NAMES: Readonly<Record<ShapeKind, string>> = {
  rectangle: 'Rectangle: two sides',
  trapezoid: 'Trapezoid: two parallel sides, height',
  polygon: 'Outline by points',
  ring: 'Ring: wheel face, two diameters',
  cylinder: 'Cylinder: barrel, tube',
  offsets: 'Girths at equal stations',
  area: 'Area as told',
};

/** Where a form of each kind begins. */
const FIRST: { readonly [K in ShapeKind]: Extract<Shape, { kind: K }> } = {
  rectangle: { kind: 'rectangle', aMm: 1000, bMm: 600 },
  trapezoid: { kind: 'trapezoid', aMm: 900, bMm: 1200, hMm: 700 },
  polygon: {
    kind: 'polygon',
    pointsMm: [
      [0, 0],
      [900, 0],
      [820, 600],
      [60, 600],
    ],
  },
  ring: { kind: 'ring', outerMm: 430, innerMm: 120 },
  cylinder: { kind: 'cylinder', diameterMm: 400, lengthMm: 200 },
  offsets: { kind: 'offsets', stationMm: 900, offsetsMm: [200, 740, 980, 740, 200] },
  area: { kind: 'area', areaM2: 0.5 },
};
export const firstShape = (kind: ShapeKind): Surface['shape'] => FIRST[kind] as Surface['shape'];

const LENGTHS: Readonly<Record<string, string>> = {
  aMm: 'Side a',
  bMm: 'Side b',
  hMm: 'Height between them',
  outerMm: 'Outer diameter',
  innerMm: 'Inner diameter',
  diameterMm: 'Diameter',
  lengthMm: 'Length',
  stationMm: 'Distance of stations',
};

interface Props {
  readonly shape: Surface['shape'];
  readonly onChange: (shape: Surface['shape']) => void;
}

/** A shape as the tape gives it. Only what encloses an area is handed over; anything else says why not. */
export function ShapeForm({ shape, onChange }: Props) {
  const [fault, setFault] = useState<string>();
  const offer = (next: unknown) => {
    const parsed = shapeSchema.safeParse(next);
    const why = parsed.success
      ? shapeFault(parsed.data)?.message
      : faultsOfIssues(parsed.error.issues)
          .map(({ path, message }) => `${path} ${message}`.trim())
          .join('; ');
    setFault(why);
    if (parsed.success && !why) onChange(parsed.data);
  };
  const lengths = Object.entries(shape).filter(
    (entry): entry is [string, number] => typeof entry[1] === 'number' && entry[0] in LENGTHS,
  );
  return (
    <div className="space-y-3">
      <SelectField
        label="Measured as"
        value={shape.kind}
        options={Object.entries(KIND_NAMES) as [ShapeKind, string][]}
        onChange={(kind) => {
          setFault(undefined);
          onChange(firstShape(kind));
        }}
      />
      <div className="grid grid-cols-2 gap-3">
        {lengths.map(([key, value]) => (
          <NumberField
            key={key}
            label={LENGTHS[key]!}
            unit="mm"
            value={value}
            check={lengthFault}
            onChange={(next) => offer({ ...shape, [key]: next })}
          />
        ))}
        {shape.kind === 'area' && (
          <NumberField
            label="Area"
            unit="m²"
            value={shape.areaM2}
            check={(value) => (value > 0 ? undefined : 'must be more than nothing')}
            onChange={(areaM2) => offer({ kind: 'area', areaM2 })}
          />
        )}
      </div>
      {shape.kind === 'offsets' && (
        <NumbersField
          label="Developed girths in order, mm (an odd number of them)"
          numbers={shape.offsetsMm}
          onChange={(offsetsMm) => offer({ ...shape, offsetsMm })}
        />
      )}
      {shape.kind === 'polygon' && (
        <NumbersField
          label="Corners in order, x y in mm, one pair after the other"
          numbers={shape.pointsMm.flat()}
          onChange={(flat) => offer({ ...shape, pointsMm: inPairs(flat) })}
        />
      )}
      {fault && (
        <p role="alert" className="text-[13px] text-stop">
          Not taken: {fault}.
        </p>
      )}
    </div>
  );
}

/** A tape on anything here reads millimetres; a slip of unit is caught. */
function lengthFault(value: number): string | undefined {
  if (!(value > 0)) return 'must be more than nothing';
  if (value < 10) return `${value} mm is hardly a surface; was that in metres? Then ${Math.round(value * 1000)} mm`;
  return value > 60_000 ? 'longer than 60 m; millimetres are meant' : undefined;
}

function inPairs(flat: readonly number[]): number[][] {
  return Array.from({ length: Math.ceil(flat.length / 2) }, (_, index) => flat.slice(2 * index, 2 * index + 2));
}

interface NumbersProps {
  readonly label: string;
  readonly numbers: readonly number[];
  readonly onChange: (numbers: readonly number[]) => void;
}

/** A row of numbers, typed or pasted from a sheet; split at blanks, tabs and semicolons. */
export function NumbersField({ label, numbers, onChange }: NumbersProps) {
  const id = useId();
  const shown = numbers.map((n) => Number(n.toFixed(1))).join(' ');
  const [text, setText] = useTyped(shown);
  const [fault, setFault] = useState<string>();
  const commit = () => {
    if (text === shown) return;
    const words = text.split(/[\s;]+/).filter(Boolean);
    const bad = words.find((word) => parseNumber(word) === undefined);
    setFault(bad === undefined ? undefined : `“${bad}” is not a number`);
    if (bad === undefined) onChange(words.map((word) => parseNumber(word)!));
  };
  return (
    <div>
      <label htmlFor={id} className="label block">
        {label}
      </label>
      <textarea
        id={id}
        rows={2}
        className={`field py-2 ${fault ? 'border-stop' : ''}`}
        value={text}
        aria-invalid={fault !== undefined}
        onChange={({ target }) => setText(target.value)}
        onBlur={commit}
      />
      {fault && <p className="text-[13px] text-stop">{fault}</p>}
    </div>
  );
}
