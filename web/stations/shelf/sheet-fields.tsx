import { Plus, Trash2 } from 'lucide-react';
import { type FieldPath, useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { REMOVAL_METHOD_IDS, REMOVAL_METHODS } from '#core/products/removal-methods';
import { SUBSTRATE_IDS, SUBSTRATES } from '#core/item/substrates';
import { ANSWERS } from '#core/products/sheets';
import { CLOCK_NAMES, MILESTONES } from '#core/time/clocks';
import type { MakerSheetInput } from '#formats/shelf';
import { Button } from '../../ui/Button';
import { useTyped } from '../../ui/useTyped';

export type Form = MakerSheetInput;

export function Group({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  return (
    <fieldset className="mt-6 border-t-2 border-line-strong bg-sheet px-5 py-4">
      <legend className="float-left w-full pb-3 font-semibold">{title}</legend>
      <div className="clear-both grid grid-cols-2 gap-4 md:grid-cols-3">{children}</div>
    </fieldset>
  );
}

interface FieldProps {
  readonly name: FieldPath<Form> | `limits.${'airC' | 'rhPct' | 'surfaceC'}.${0 | 1}`;
  readonly label: string;
}

const idOf = (name: string) => `sheet-${name.replaceAll('.', '-')}`;

interface LabelledProps {
  readonly name: string;
  readonly label: string;
  readonly className?: string;
  readonly children: React.ReactNode;
}

function Labelled({ name, label, className, children }: LabelledProps) {
  return (
    <div className={className}>
      <label className="label block" htmlFor={idOf(name)}>
        {label}
      </label>
      {children}
    </div>
  );
}

export function Text({ name, label }: FieldProps) {
  const { register } = useFormContext<Form>();
  return (
    <Labelled name={name} label={label}>
      <input id={idOf(name)} className="field" {...register(name)} />
    </Labelled>
  );
}

/** A decimal comma is as good as a point; what is no number stays as typed and is refused with its place. */
function asNumber(value: unknown): unknown {
  if (typeof value !== 'string') return value;
  if (value.trim() === '') return undefined;
  const number = Number(value.trim().replace(',', '.'));
  return Number.isNaN(number) ? value : number;
}

export function Numeric({ name, label }: FieldProps) {
  const { register, getFieldState, formState } = useFormContext<Form>();
  const { error } = getFieldState(name, formState);
  return (
    <Labelled name={name} label={label}>
      <input
        id={idOf(name)}
        inputMode="decimal"
        className={`field ${error ? 'border-stop' : ''}`}
        aria-invalid={error !== undefined}
        {...register(name, {
          setValueAs: (value: unknown) => (name === 'applicatorM2' && value === '' ? null : asNumber(value)),
        })}
      />
      {error?.message && <p className="text-[13px] text-stop">{error.message}</p>}
    </Labelled>
  );
}

interface ChoiceProps extends FieldProps {
  readonly options: readonly (readonly [value: string, name: string])[];
  readonly onChange?: ((value: string) => void) | undefined;
}

export function Choice({ name, label, options, onChange }: ChoiceProps) {
  const { register } = useFormContext<Form>();
  return (
    <Labelled name={name} label={label}>
      <select
        id={idOf(name)}
        className="field"
        {...register(name, {
          onChange: ({ target }) => onChange?.((target as HTMLSelectElement).value),
        })}
      >
        {options.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

/** A list of words, one a line. */
export function Lines({
  name,
  label,
  long,
}: {
  readonly name: 'over' | 'hazards';
  readonly label: string;
  readonly long?: boolean;
}) {
  const { control, setValue } = useFormContext<Form>();
  const listed = useWatch({ control, name });
  const [text, setText] = useTyped((listed ?? []).join('\n'));
  const lines = () =>
    text
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean);
  return (
    <Labelled name={name} label={`${label}, one a line`} className={long ? 'col-span-2 md:col-span-3' : 'col-span-2'}>
      <textarea
        id={idOf(name)}
        rows={3}
        className="field py-2"
        value={text}
        onChange={({ target }) => setText(target.value)}
        onBlur={() => setValue(name, lines(), { shouldDirty: true })}
      />
    </Labelled>
  );
}

/** Methods of removal the maker names; what is not ticked is as usual for its family. */
export function ComesOffBy() {
  const { register } = useFormContext<Form>();
  return (
    <ul className="col-span-2 grid gap-x-6 gap-y-1 md:col-span-3 md:grid-cols-2">
      {REMOVAL_METHOD_IDS.map((id) => (
        <li key={id}>
          <label className="flex min-h-8 items-center gap-2 text-[14px]">
            <input type="checkbox" value={id} {...register('comesOffBy')} />
            {REMOVAL_METHODS[id].name}
          </label>
        </li>
      ))}
    </ul>
  );
}

export function Packs() {
  const { control } = useFormContext<Form>();
  const { fields, append, remove } = useFieldArray({ control, name: 'packs' });
  return (
    <div className="col-span-2 md:col-span-3">
      <p className="font-semibold">Packs on sale</p>
      <ul className="mt-1 space-y-2">
        {fields.map((field, index) => (
          <li key={field.id} className="flex items-end gap-3">
            <Numeric name={`packs.${index}.size`} label="Size, units" />
            <Numeric name={`packs.${index}.price`} label="Price, minor units (cents)" />
            <Button
              look="quiet"
              aria-label={`Remove pack ${index + 1}`}
              onClick={() => remove(index)}
              disabled={fields.length === 1}
            >
              <Trash2 size={16} />
            </Button>
          </li>
        ))}
      </ul>
      <Button className="mt-2" onClick={() => append({ size: 0, price: 0 })}>
        <Plus size={16} /> Another pack
      </Button>
    </div>
  );
}

export function Milestones() {
  const { control } = useFormContext<Form>();
  const { fields, append, remove } = useFieldArray({ control, name: 'milestones' });
  const taken = new Set(useWatch({ control, name: 'milestones' }).map(({ name }) => name));
  const free = MILESTONES.find((name) => !taken.has(name));
  return (
    <div className="col-span-2 md:col-span-3">
      <p className="font-semibold">Milestones</p>
      <ul className="mt-1 space-y-2">
        {fields.map((field, index) => (
          <li key={field.id} className="flex items-end gap-3">
            <Choice name={`milestones.${index}.name`} label="What" options={MILESTONES.map((name) => [name, name])} />
            <Choice
              name={`milestones.${index}.clock`}
              label="On the clock"
              options={CLOCK_NAMES.map((name) => [name, name === 'set' ? 'cure' : name])}
            />
            <Numeric name={`milestones.${index}.min`} label="Minutes" />
            <Button look="quiet" aria-label={`Remove milestone ${index + 1}`} onClick={() => remove(index)}>
              <Trash2 size={16} />
            </Button>
          </li>
        ))}
      </ul>
      {free && (
        <Button className="mt-2" onClick={() => append({ name: free, clock: 'set', min: 60 })}>
          <Plus size={16} /> Another milestone
        </Button>
      )}
    </div>
  );
}

const USE_WORDS = { yes: 'Yes', test: 'Test spot', no: 'No' } as const;

export function Substrates() {
  const { register } = useFormContext<Form>();
  return (
    <ul className="col-span-2 grid gap-x-6 gap-y-1.5 md:col-span-3 md:grid-cols-2">
      {SUBSTRATE_IDS.map((id) => (
        <li key={id} className="flex items-center gap-2">
          <label htmlFor={idOf(`use-${id}`)} className="w-44 shrink-0 text-[14px]">
            {SUBSTRATES[id].name}
          </label>
          <select id={idOf(`use-${id}`)} className="field w-28" {...register(`substrates.${id}.use`)}>
            <option value="">not named</option>
            {ANSWERS.map((answer) => (
              <option key={answer} value={answer}>
                {USE_WORDS[answer]}
              </option>
            ))}
          </select>
          <input
            aria-label={`Coverage on ${SUBSTRATES[id].name}, times that on gloss`}
            placeholder="×"
            inputMode="decimal"
            className="field w-14"
            {...register(`substrates.${id}.coverage`, { setValueAs: asNumber })}
          />
          <input
            aria-label={`Why, for ${SUBSTRATES[id].name}`}
            placeholder="why"
            className="field min-w-0 flex-1"
            {...register(`substrates.${id}.why`)}
          />
        </li>
      ))}
    </ul>
  );
}
