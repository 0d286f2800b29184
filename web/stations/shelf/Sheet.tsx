import { zodResolver } from '@hookform/resolvers/zod';
import { Plus, Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import {
  type FieldErrors,
  type FieldPath,
  FormProvider,
  useFieldArray,
  useForm,
  useFormContext,
  useWatch,
} from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { CLOCK_NAMES, MECHANISMS, MILESTONES } from '#core/clocks';
import { FAMILIES, FAMILY_IDS } from '#core/families';
import { ANSWERS, UNITS } from '#core/products';
import { SUBSTRATE_IDS, SUBSTRATES } from '#core/substrates';
import {
  type ProductSheet,
  type ProductSheetInput,
  productSchema,
  productSenseFaults,
  SOURCED_FIELDS,
  usualSheet,
} from '#formats';
import {
  errorText,
  useAddProductMutation,
  useProductsQuery,
  useRemoveProductMutation,
  useSaveProductMutation,
} from '../../app/api';
import { Button } from '../../ui/Button';
import { ConfirmButton } from '../../ui/ConfirmButton';
import { useTyped } from '../../ui/useTyped';

type Form = ProductSheetInput;

/** One product sheet, all that the models use of it. */
export function Component() {
  const { productId } = useParams();
  const { data: products } = useProductsQuery();
  if (!products) return <p className="p-10 text-ink-2">Opening the sheet …</p>;
  const stored = products.find(({ id }) => id === productId);
  if (productId !== 'new' && !stored) {
    return (
      <main className="p-10">
        <p>There is no such sheet on the shelf.</p>
        <Link to="/shelf" className="text-over underline">
          Back to the shelf
        </Link>
      </main>
    );
  }
  // A sheet saved elsewhere begins this form anew.
  return <SheetForm key={`${productId}-${stored?.version ?? 0}`} sheet={stored?.sheet} version={stored?.version} />;
}

interface Props {
  readonly sheet: ProductSheet | undefined;
  readonly version: number | undefined;
}

function SheetForm({ sheet, version }: Props) {
  const navigate = useNavigate();
  const [add, adding] = useAddProductMutation();
  const [save, saving] = useSaveProductMutation();
  const [remove, removing] = useRemoveProductMutation();
  const initial = useMemo<Form>(() => sheet ?? { id: '', name: '', ...usualSheet('ceramic') }, [sheet]);
  const form = useForm<Form, unknown, ProductSheet>({
    defaultValues: initial,
    mode: 'onBlur',
    resolver: async (values, context, options) => {
      const cleaned = withoutBlanks(values);
      const parsed = await zodResolver<Form, unknown, ProductSheet>(productSchema)(cleaned, context, options);
      const [fault] = Object.keys(parsed.errors).length > 0 ? [] : productSenseFaults(cleaned);
      if (!fault) return parsed;
      return { values: {}, errors: { root: { type: 'sense', message: `${fault.path}: ${fault.message}` } } };
    },
  });
  const { errors, isDirty, isSubmitting } = form.formState;
  const store = form.handleSubmit(async (values) => {
    if (version === undefined) await add(values).unwrap();
    else await save({ version, sheet: values }).unwrap();
    await navigate('/shelf');
  });
  const takeOff = async (id: string, of: number) => {
    await remove({ id, version: of }).unwrap();
    await navigate('/shelf');
  };
  const failed = adding.error ?? saving.error ?? removing.error;
  /** A new sheet begins from what is usual for its family; its name stays. */
  const startFrom = (family: string) => {
    const { id, name } = form.getValues();
    form.reset({ id, name, ...usualSheet(family as ProductSheet['family']) });
  };
  return (
    <FormProvider {...form}>
      <form
        noValidate
        className="mx-auto max-w-4xl px-6 py-6"
        onSubmit={(event) => void store(event).catch(() => undefined)}
      >
        <Link to="/shelf" className="text-[14px] text-ink-2 underline">
          Shelf
        </Link>
        <div className="flex items-end justify-between gap-4">
          <h1 className="figure text-3xl">{sheet?.name ?? 'New sheet'}</h1>
          <Button
            look="main"
            type="submit"
            disabled={isSubmitting || (!isDirty && sheet !== undefined)}
            className="min-h-11 px-6"
          >
            Save the sheet
          </Button>
        </div>
        {(failed || Object.keys(errors).length > 0) && (
          <p role="alert" className="mt-3 border-l-4 border-stop bg-stop-soft px-4 py-2">
            {failed ? errorText(failed) : `Not saved. ${faultsInWords(errors).join('; ')}.`}
          </p>
        )}
        <Group title="What it is">
          <Text name="name" label="Name" />
          {sheet === undefined && <Text name="id" label="Short id, as in files" />}
          <Choice
            name="family"
            label="Family"
            options={FAMILY_IDS.map((id) => [id, FAMILIES[id].name])}
            onChange={sheet === undefined ? startFrom : undefined}
          />
          <Text name="sheetVersion" label="Version of the sheet" />
          <Text name="sheetDate" label="Date of the sheet" type="date" />
          <Numeric name="ratedMonths" label="Rated life, months" />
          <Text name="hardness" label="Hardness, as the sheet says it" />
          <Numeric name="meltsAtC" label="Wax: melts at, °C" />
          <Text name="batch" label="Batch in use" />
          <Numeric name="shelfMonths.closed" label="Keeps closed, months" />
          <Numeric name="shelfMonths.open" label="Keeps once opened, months" />
          <Text name="comesOffBy" label="Comes off by" />
        </Group>
        <Group title="How much">
          <Choice
            name="unit"
            label="Sold by"
            options={UNITS.map((unit) => [unit, unit === 'm2' ? 'm² (film)' : unit])}
          />
          <Numeric name="coveragePerM2" label="Coverage on gloss, units per m² and coat" />
          <Numeric name="onHand" label="In stock, units" />
          <Numeric name="prime" label="Wets one applicator, units" />
          <Numeric name="applicatorM2" label="One applicator lasts, m²" />
          <Numeric name="residue" label="Stays in the bottle, units" />
          <Numeric name="densityGPerMl" label="Density, g/ml" />
          <Numeric name="vocGPerL" label="Solvent (VOC), g/l" />
          <Packs />
        </Group>
        <Group title="When: at the sheet’s reference conditions, 20 °C and 50 % unless said">
          {CLOCK_NAMES.map((clock) => (
            <Choice
              key={clock}
              name={`clocks.${clock}.mechanism`}
              label={clock === 'flash' ? 'Flash is driven by' : 'Cure is driven by'}
              options={[['', 'no such clock (film)'], ...MECHANISMS.map((id) => [id, id] as const)]}
            />
          ))}
          <Numeric name="layPace" label="Lays, × a person’s pace" />
          <Numeric name="levelPace" label="Levels, × a person’s pace" />
          <Milestones />
        </Group>
        <Group title="Where">
          <Substrates />
        </Group>
        <Group title="On what, and with what care">
          <Lines name="over" label="May lie on: bare, self, families or product ids" />
          <Lines name="properties" label="Properties, such as gloss-enhancer, filler, strong-solvent, not-for-wipers" />
          <Lines name="hazards" label="Cautions in plain words" long />
          <Numeric name="freshPaintDays" label="Fresh paint breathes, days" />
          <Numeric name="limits.airC.0" label="Air not below, °C" />
          <Numeric name="limits.airC.1" label="Air not above, °C" />
          <Numeric name="limits.rhPct.0" label="Humidity not below, %" />
          <Numeric name="limits.rhPct.1" label="Humidity not above, %" />
        </Group>
        <Group title="Where each figure came from">
          {SOURCED_FIELDS.map((field) => (
            <Choice key={field} name={`sources.${field}`} label={SOURCED_NAMES[field]} options={SOURCE_NAMES} />
          ))}
        </Group>
        {sheet && version !== undefined && (
          <div className="mt-6">
            <ConfirmButton
              action="Take it off the shelf"
              consequence="Jobs that were planned with it keep their copy."
              onConfirm={() => void takeOff(sheet.id, version).catch(() => undefined)}
            />
          </div>
        )}
      </form>
    </FormProvider>
  );
}

/** Empty fields are absent ones; limits are given whole or not at all. */
function withoutBlanks(values: Form): Form {
  const blank = (value: unknown) =>
    value === '' || value === undefined || (typeof value === 'number' && Number.isNaN(value));
  const clean = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(clean);
    if (typeof value !== 'object' || value === null) return value;
    const entries = Object.entries(value)
      .map(([key, inner]) => [key, clean(inner)] as const)
      .filter(([, inner]) => !blank(inner))
      .filter(([, inner]) => !(Array.isArray(inner) && inner.length === 2 && inner.every(blank)));
    return Object.fromEntries(entries);
  };
  const cleaned = clean(values) as Record<string, unknown>;
  const clocks = (cleaned.clocks ?? {}) as Record<string, { mechanism?: string }>;
  const substrates = (cleaned.substrates ?? {}) as Record<string, { use?: string }>;
  return {
    ...cleaned,
    clocks: Object.fromEntries(Object.entries(clocks).filter(([, clock]) => clock.mechanism)),
    substrates: Object.fromEntries(Object.entries(substrates).filter(([, sheet]) => sheet.use)),
  } as Form;
}

function faultsInWords(errors: FieldErrors<Form>, at = ''): string[] {
  return Object.entries(errors).flatMap(([key, error]) => {
    if (!error || typeof error !== 'object') return [];
    const path = key === 'root' ? at : at ? `${at}.${key}` : key;
    const { message } = error as { message?: unknown };
    if (typeof message === 'string') return [path ? `${path}: ${message}` : message];
    return faultsInWords(error as FieldErrors<Form>, path);
  });
}

function Group({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  return (
    <fieldset className="mt-6 border-t-2 border-line-strong bg-sheet px-5 py-4">
      <legend className="float-left w-full pb-3 font-semibold">{title}</legend>
      <div className="clear-both grid grid-cols-2 gap-4 md:grid-cols-3">{children}</div>
    </fieldset>
  );
}

interface FieldProps {
  readonly name: FieldPath<Form> | `limits.airC.${0 | 1}` | `limits.rhPct.${0 | 1}`;
  readonly label: string;
}

const idOf = (name: string) => `sheet-${name.replaceAll('.', '-')}`;

function Text({ name, label, type = 'text' }: FieldProps & { readonly type?: string }) {
  const { register } = useFormContext<Form>();
  return (
    <div>
      <label className="label block" htmlFor={idOf(name)}>
        {label}
      </label>
      <input id={idOf(name)} type={type} className="field" {...register(name as FieldPath<Form>)} />
    </div>
  );
}

function Numeric({ name, label }: FieldProps) {
  const { register, getFieldState, formState } = useFormContext<Form>();
  const { error } = getFieldState(name as FieldPath<Form>, formState);
  return (
    <div>
      <label className="label block" htmlFor={idOf(name)}>
        {label}
      </label>
      <input
        id={idOf(name)}
        inputMode="decimal"
        className={`field ${error ? 'border-stop' : ''}`}
        aria-invalid={error !== undefined}
        {...register(name as FieldPath<Form>, {
          // A decimal comma is as good as a point; what is no number stays as typed and is refused with its place.
          setValueAs: (value: unknown) => {
            if (typeof value !== 'string') return value;
            if (value.trim() === '') return name === 'applicatorM2' ? null : undefined;
            const number = Number(value.trim().replace(',', '.'));
            return Number.isNaN(number) ? value : number;
          },
        })}
      />
      {error?.message && <p className="text-[13px] text-stop">{error.message}</p>}
    </div>
  );
}

const SOURCE_NAMES = [
  ['', 'the data sheet'],
  ['measured', 'measured here'],
  ['assumed', 'assumed: usual for its family'],
] as const;
const SOURCED_NAMES: Readonly<Record<(typeof SOURCED_FIELDS)[number], string>> = {
  coveragePerM2: 'Coverage',
  densityGPerMl: 'Density',
  vocGPerL: 'Solvent',
  packs: 'Packs and prices',
  prime: 'Wetting an applicator',
  applicatorM2: 'Life of an applicator',
  residue: 'Left in the bottle',
  layPace: 'Pace of laying',
  levelPace: 'Pace of levelling',
  clocks: 'Clocks',
  milestones: 'Milestones',
  limits: 'Limits of air and surface',
  substrates: 'Kinds of surface',
  over: 'What it may lie on',
  freshPaintDays: 'Days of fresh paint',
  ratedMonths: 'Rated life',
  meltsAtC: 'Melting point',
};

interface ChoiceProps extends FieldProps {
  readonly options: readonly (readonly [value: string, name: string])[];
  readonly onChange?: ((value: string) => void) | undefined;
}

function Choice({ name, label, options, onChange }: ChoiceProps) {
  const { register } = useFormContext<Form>();
  return (
    <div>
      <label className="label block" htmlFor={idOf(name)}>
        {label}
      </label>
      <select
        id={idOf(name)}
        className="field"
        {...register(name as FieldPath<Form>, {
          onChange: ({ target }) => onChange?.((target as HTMLSelectElement).value),
        })}
      >
        {options.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
    </div>
  );
}

/** A list of words, one a line. */
function Lines({
  name,
  label,
  long,
}: {
  readonly name: 'over' | 'properties' | 'hazards';
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
    <div className={long ? 'col-span-2 md:col-span-3' : 'col-span-2'}>
      <label className="label block" htmlFor={idOf(name)}>
        {label}, one a line
      </label>
      <textarea
        id={idOf(name)}
        rows={3}
        className="field py-2"
        value={text}
        onChange={({ target }) => setText(target.value)}
        onBlur={() => setValue(name, lines(), { shouldDirty: true })}
      />
    </div>
  );
}

function Packs() {
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

function Milestones() {
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

function Substrates() {
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
