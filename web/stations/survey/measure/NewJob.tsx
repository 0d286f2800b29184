import { zodResolver } from '@hookform/resolvers/zod';
import { nanoid } from '@reduxjs/toolkit';
import { useEffect, useMemo } from 'react';
import { Controller, useForm, type UseFormRegisterReturn, useWatch } from 'react-hook-form';
import {
  arrange,
  asksFor,
  DIMENSION_IDS,
  type ItemTemplate,
  sizeFaults,
  type Sizes,
  templateById,
} from '#core/item/nets';
import { FIRST_CREW, type JobInput } from '#formats/job';
import { expectedAir } from '#job/edit';
import { errorText, useBaysQuery } from '../../../app/api';
import { useMakeJob } from '../../../app/calls';
import { Net } from '../../../net/Net';
import { Button } from '../../../ui/Button';
import { StartDoubts } from '../../../hours/StartDoubts';
import { DateTimeField } from '../../../ui/DateField';
import { fromInput, nowInstant, toInput } from '../../../ui/moments';
import { parseNumber } from '../../../ui/numbers';
import { kindLegend, kindLens } from './kind-lens';
import { type Source, useSources } from './sources';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { z } from 'zod';
import { PageTitle } from '../../../ui/PageTitle';

const BY_TAPE = 'tape';

const schema = z
  .object({
    title: z.string().trim().min(1, { error: 'Give the job a name.' }),
    ownerName: z.string().trim(),
    plate: z.string().trim(),
    /** What it is measured from, and the template that is stretched for it. */
    source: z.string(),
    stretched: z.string(),
    bayId: z.string(),
    startAt: z.string().min(1, { error: 'When does the work begin?' }),
    needsBy: z.string(),
    lengthMm: z.string(),
    widthMm: z.string(),
    heightMm: z.string(),
    wheelbaseMm: z.string(),
    spanMm: z.string(),
  })
  .superRefine((form, context) => {
    const template = templateById(form.stretched);
    if (!template) return;
    const unread = asksFor(template).filter(({ key }) => parseNumber(form[key]) === undefined);
    for (const { key } of unread) context.addIssue({ code: 'custom', path: [key], message: 'a number of millimetres' });
    if (unread.length > 0) return;
    for (const fault of sizeFaults(template, sizesOf(template, form))) {
      context.addIssue({ code: 'custom', path: [fault.dimension], message: `${fault.message}.` });
    }
  });
type Form = z.input<typeof schema>;
type SizeFields = Pick<Form, (typeof DIMENSION_IDS)[number]>;

/** What is typed for the measurements a template asks for; what is no number counts as nothing. */
function sizesOf(template: ItemTemplate, form: SizeFields): Sizes {
  return Object.fromEntries(asksFor(template).map(({ key }) => [key, parseNumber(form[key]) ?? 0]));
}

function sizeFields({ lengthMm, widthMm, heightMm, wheelbaseMm, spanMm }: Sizes): SizeFields {
  const field = (mm: number | undefined) => (mm === undefined ? '' : String(mm));
  return {
    lengthMm: field(lengthMm),
    widthMm: field(widthMm),
    heightMm: field(heightMm),
    wheelbaseMm: field(wheelbaseMm),
    spanMm: field(spanMm),
  };
}

/** Starts a job: whose, which item, where and when. The net stretches to the tape as it is typed. */
export function Component() {
  const { data: bays = [] } = useBaysQuery();
  const [params] = useSearchParams();
  const itemId = params.get('item') ?? undefined;
  const sources = useSources(itemId);
  const [makeJob, { error }] = useMakeJob();
  const navigate = useNavigate();
  const [first] = sources.all;
  const {
    register,
    handleSubmit,
    control,
    setValue,
    formState: { errors, isSubmitting },
  } = useForm<Form, unknown, z.output<typeof schema>>({
    resolver: zodResolver(schema),
    mode: 'onTouched',
    defaultValues: {
      title: '',
      ownerName: '',
      plate: '',
      source: first!.key,
      stretched: first!.template?.id ?? '',
      bayId: '',
      startAt: toInput(nowInstant()),
      needsBy: '',
      ...sizeFields(first!.sizes),
    },
  });
  const form = useWatch({ control }) as Form;
  const source = sources.all.find(({ key }) => key === form.source);
  const template = source?.template;
  const measureFrom = (next: Source | undefined) => {
    setValue('source', next?.key ?? BY_TAPE);
    setValue('stretched', next?.template?.id ?? '');
    // Another kind of item, other usual sizes to begin from.
    const fields = sizeFields(next?.sizes ?? {});
    for (const key of DIMENSION_IDS) setValue(key, fields[key]);
  };
  // An item that has come back arrives a moment after the form.
  const { back } = sources;
  useEffect(() => {
    if (!back) return;
    setValue('source', back.key);
    setValue('stretched', back.template?.id ?? '');
    const fields = sizeFields(back.sizes);
    for (const key of DIMENSION_IDS) setValue(key, fields[key]);
    const { item } = back.at(back.sizes);
    setValue('title', item.name ?? '');
    setValue('ownerName', item.ownerName ?? '');
    setValue('plate', item.plate ?? '');
  }, [back, setValue]);

  const create = handleSubmit(async (values) => {
    const startAt = fromInput(values.startAt)!;
    const needsBy = values.needsBy === '' ? undefined : fromInput(values.needsBy);
    const bay = bays.find(({ id }) => id === values.bayId) ?? bays[0];
    const measured = source?.at(template ? sizesOf(template, values) : {});
    const document: JobInput = {
      format: 'glaphyra.job/1',
      title: values.title,
      startAt,
      surfaces: measured?.surfaces ?? [],
      products: [],
      crew: FIRST_CREW,
      ambient: bay ? expectedAir(bay, startAt) : [{ atMin: 0, airC: 20, rhPct: 50 }],
      ...(needsBy && { owner: { needsBy } }),
      item: {
        id: nanoid(12),
        ...measured?.item,
        name: source?.key === sources.back?.key ? (measured?.item.name ?? values.title) : values.title,
        ownerName: values.ownerName || undefined,
        plate: values.plate || undefined,
      },
    };
    const job = await makeJob({
      document,
      bayId: bay?.id ?? null,
      airSource: bay ? 'bay' : 'typed',
    }).unwrap();
    await navigate(`/jobs/${job.id}/survey`);
  });

  return (
    <main className="grid h-full min-h-0 lg:grid-cols-[26rem_1fr]">
      <form
        noValidate
        onSubmit={(event) => void create(event).catch(() => undefined)}
        className="overflow-auto border-r bg-sheet px-6 py-6"
      >
        <PageTitle>New job</PageTitle>
        <h1 className="figure text-2xl">New job</h1>
        <div className="mt-5 grid grid-cols-2 gap-4">
          <Field
            label="Job"
            wide
            error={errors.title?.message}
            input={register('title')}
            placeholder="Grey hatchback, full coat"
          />
          <Field label="Owner" error={undefined} input={register('ownerName')} />
          <Field label="Plate or hull number" error={undefined} input={register('plate')} />
          <div className="col-span-2">
            <label htmlFor="source" className="label block">
              Measured from
            </label>
            <select
              id="source"
              className="field"
              value={form.source}
              onChange={({ target }) => measureFrom(sources.all.find(({ key }) => key === target.value))}
            >
              {sources.back && (
                <optgroup label="It has come back">
                  <option value={sources.back.key}>{sources.back.name}</option>
                </optgroup>
              )}
              <optgroup label="Templates">{optionsOf(sources.all, (key) => !key.includes(':'))}</optgroup>
              {sources.all.some(({ key }) => key.startsWith('kept:')) && (
                <optgroup label="Kept in this workshop">
                  {optionsOf(sources.all, (key) => key.startsWith('kept:'))}
                </optgroup>
              )}
              <option value={BY_TAPE}>Tape only: add surfaces one by one</option>
            </select>
            {sources.backError !== undefined && (
              <p role="alert" className="mt-1 text-[13px] text-stop">
                {errorText(sources.backError)}
              </p>
            )}
          </div>
          {template &&
            asksFor(template).map(({ key, word }) => (
              <Field
                key={key}
                label={`${word.slice(0, 1).toUpperCase()}${word.slice(1)}, mm`}
                error={errors[key]?.message}
                input={register(key)}
                inputMode="decimal"
              />
            ))}
          <div className="col-span-2">
            <label htmlFor="bay" className="label block">
              Bay
            </label>
            <select id="bay" className="field" {...register('bayId')}>
              {bays.length === 0 && <option value="">No bay: air is typed in</option>}
              {bays.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </div>
          <Controller
            control={control}
            name="startAt"
            render={({ field }) => (
              <DateTimeField label="Work begins" required value={field.value} onChange={field.onChange} />
            )}
          />
          <Controller
            control={control}
            name="needsBy"
            render={({ field }) => (
              <DateTimeField label="Owner needs it by" value={field.value} onChange={field.onChange} />
            )}
          />
        </div>
        {fromInput(form.startAt) !== undefined && (
          <StartDoubts
            bay={bays.find(({ id }) => id === form.bayId) ?? bays[0]}
            startAt={fromInput(form.startAt)!}
            until={fromInput(form.startAt)!}
            wantedBy={form.needsBy === '' ? undefined : fromInput(form.needsBy)}
          />
        )}
        {error && (
          <p role="alert" className="mt-4 border-l-4 border-stop bg-stop-soft px-3 py-2">
            {errorText(error)}
          </p>
        )}
        <div className="mt-6 flex gap-3">
          <Button look="main" type="submit" disabled={isSubmitting} className="min-h-11 px-6">
            Start the job
          </Button>
          <Link to="/" className="inline-flex min-h-11 items-center px-4 text-ink-2 hover:text-ink">
            Cancel
          </Link>
        </div>
      </form>
      <Preview form={form} source={source} />
    </main>
  );
}

const optionsOf = (sources: readonly Source[], wanted: (key: string) => boolean) =>
  sources
    .filter(({ key }) => wanted(key))
    .map(({ key, name }) => (
      <option key={key} value={key}>
        {name}
      </option>
    ));

interface FieldProps {
  readonly label: string;
  readonly error: string | undefined;
  readonly input: UseFormRegisterReturn;
  readonly wide?: boolean;
  readonly type?: string;
  readonly placeholder?: string;
  readonly inputMode?: 'decimal';
}

function Field({ label, error, input, wide, ...rest }: FieldProps) {
  const id = `new-${input.name}`;
  return (
    <div className={wide ? 'col-span-2' : ''}>
      <label htmlFor={id} className="label block">
        {label}
      </label>
      <input
        id={id}
        className={`field ${error ? 'border-stop' : ''}`}
        aria-invalid={error !== undefined}
        aria-describedby={error && `${id}-fault`}
        {...rest}
        {...input}
      />
      {error && (
        <p id={`${id}-fault`} className="mt-1 text-[13px] leading-tight text-stop">
          {error}
        </p>
      )}
    </div>
  );
}

/** The net at the size typed so far; the last that made sense stays where one does not. */
function Preview({ form, source }: { readonly form: Form; readonly source: Source | undefined }) {
  const { lengthMm, widthMm, heightMm, wheelbaseMm, spanMm } = form;
  const surfaces = useMemo(() => {
    if (!source) return undefined;
    const { template } = source;
    const sizes = template ? sizesOf(template, { lengthMm, widthMm, heightMm, wheelbaseMm, spanMm }) : {};
    if (template && sizeFaults(template, sizes).length > 0) return undefined;
    const measured = source.at(sizes);
    // The outside alone: what lies in rows beside it would only make it smaller.
    const outside = template ? measured.surfaces.filter(({ shape }) => shape.kind === 'polygon') : measured.surfaces;
    return { arrangement: arrange({ ...measured, surfaces: outside }), lens: kindLens(outside) };
  }, [source, lengthMm, widthMm, heightMm, wheelbaseMm, spanMm]);
  if (!surfaces) {
    return (
      <p className="hidden place-self-center p-10 text-center text-ink-2 lg:block">
        {source === undefined ? 'Surfaces come next, one by one.' : 'The net is drawn when all its sizes make sense.'}
      </p>
    );
  }
  return (
    <div className="hidden min-h-0 bg-sheet lg:block">
      <Net
        arrangement={surfaces.arrangement}
        lens={surfaces.lens}
        legend={kindLegend}
        label="The item unfolded"
        chosen={undefined}
        onChoose={() => undefined}
      />
    </div>
  );
}
