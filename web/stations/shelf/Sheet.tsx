import { zodResolver } from '@hookform/resolvers/zod';
import { useMemo, useState } from 'react';
import { type FieldErrors, FormProvider, useForm, useFormContext, useWatch } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { FAMILIES, FAMILY_IDS } from '#core/products/families';
import { METHOD_IDS, METHODS } from '#core/products/methods';
import { FILM_FINISHES, UNITS } from '#core/products/sheets';
import { CLOCK_NAMES, MECHANISMS } from '#core/time/clocks';
import type { ShelfProduct } from '#formats/job';
import { type MakerSheet, makerSheetSchema, productSenseFaults, SOURCED_FIELDS, usualSheet } from '#formats/shelf';
import { errorText, useProductsQuery, useRemoveProductMutation, useSaveProductMutation } from '../../app/api';
import { Button } from '../../ui/Button';
import { ConfirmButton } from '../../ui/ConfirmButton';
import { DateField } from '../../ui/DateField';
import { Cues } from './Cues';
import { Lasted } from './Lasted';
import { InHand } from './InHand';
import { PropertyFields } from './PropertyFields';
import { WearFields } from './WearFields';
import { SheetPreview } from './SheetPreview';
import {
  Choice,
  ComesOffBy,
  type Form,
  Group,
  Lines,
  Milestones,
  Numeric,
  Packs,
  Substrates,
  Text,
} from './sheet-fields';
import { withoutBlanks } from './sheet-values';
import { PageTitle } from '../../ui/PageTitle';

/** One product sheet, all that the models use of it. */
export function Component() {
  const { productId } = useParams();
  const { data: products } = useProductsQuery();
  if (!products) return <p className="p-10 text-ink-2">Opening the sheet …</p>;
  const stored = products.find(({ id }) => id === productId);
  if (productId !== 'new' && !stored) {
    return (
      <main className="mx-auto max-w-xl p-10">
        <h1 className="figure text-2xl">There is no such sheet on the shelf</h1>
        <p className="mt-3 text-ink-2">It may have been taken away; jobs that were planned with it keep their copy.</p>
        <Link to="/shelf" className="text-over underline">
          Back to the shelf
        </Link>
      </main>
    );
  }
  return <SheetForm key={productId} stored={stored} />;
}

/** Another window saved the sheet while it is open here: neither is lost without a word. */
function SavedElsewhere({
  isDirty,
  onTheirs,
  onMine,
}: {
  readonly isDirty: boolean;
  readonly onTheirs: () => void;
  readonly onMine: () => void;
}) {
  return (
    <div role="alert" className="mt-3 flex flex-wrap items-center gap-3 border-l-4 border-warn bg-warn-soft px-4 py-2">
      <p className="flex-1">
        This sheet has been saved in another window meanwhile.
        {isDirty && ' What you typed still stands here.'}
      </p>
      <Button onClick={onTheirs}>{isDirty ? 'Drop mine, show the other' : 'Show it'}</Button>
      {isDirty && <Button onClick={onMine}>Keep mine, to save over it</Button>}
    </div>
  );
}

function SheetForm({ stored }: { readonly stored: ShelfProduct | undefined }) {
  // What is typed stays over the sheet it was begun from, until one says what becomes of it.
  const [base, setBase] = useState(stored);
  const { sheet, version } = base ?? {};
  const navigate = useNavigate();
  const [save, saving] = useSaveProductMutation();
  const [remove, removing] = useRemoveProductMutation();
  const initial = useMemo<Form>(() => sheet ?? { id: '', name: '', ...usualSheet('ceramic') }, [sheet]);
  const form = useForm<Form, unknown, MakerSheet>({
    defaultValues: initial,
    mode: 'onBlur',
    resolver: async (values, context, options) => {
      const cleaned = withoutBlanks(values);
      const parsed = await zodResolver<Form, unknown, MakerSheet>(makerSheetSchema)(cleaned, context, options);
      const [fault] = Object.keys(parsed.errors).length > 0 ? [] : productSenseFaults(cleaned);
      if (!fault) return parsed;
      return { values: {}, errors: { root: { type: 'sense', message: `${fault.path}: ${fault.message}` } } };
    },
  });
  const { errors, isDirty, isSubmitting } = form.formState;
  const store = form.handleSubmit(async (values) => {
    await save({ id: values.id, version: version ?? 0, body: values }).unwrap();
    await navigate('/shelf');
  });
  const takeOff = async (id: string, of: number) => {
    await remove({ id, version: of }).unwrap();
    await navigate('/shelf');
  };
  const newer = base && stored && stored.version !== base.version && !isSubmitting ? stored : undefined;
  const failed = saving.error ?? removing.error;
  /** A new sheet begins from what is usual for its family; its name stays. */
  const startFrom = (family: string) => {
    const { id, name } = form.getValues();
    form.reset({ id, name, ...usualSheet(family as MakerSheet['family']) });
  };
  return (
    <FormProvider {...form}>
      <main>
        <form
          noValidate
          className="mx-auto max-w-7xl px-6 py-6"
          onSubmit={(event) => void store(event).catch(() => undefined)}
        >
          <Link to="/shelf" className="text-[14px] text-ink-2 underline">
            Shelf
          </Link>
          <div className="flex items-end justify-between gap-4">
            <PageTitle>{sheet?.name ?? 'New sheet'}</PageTitle>
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
          {newer && (
            <SavedElsewhere
              isDirty={isDirty}
              onTheirs={() => {
                form.reset(newer.sheet);
                setBase(newer);
              }}
              onMine={() => setBase(newer)}
            />
          )}
          {(failed || Object.keys(errors).length > 0) && (
            <p role="alert" className="mt-3 border-l-4 border-stop bg-stop-soft px-4 py-2">
              {failed ? errorText(failed) : `Not saved. ${faultsInWords(errors).join('; ')}.`}
            </p>
          )}
          <div className="grid items-start gap-x-6 lg:grid-cols-[1fr_21rem]">
            <aside
              aria-label="What it comes to"
              className="mt-6 lg:sticky lg:top-4 lg:col-start-2 lg:row-start-1 lg:max-h-[calc(100vh-6rem)] lg:overflow-auto"
              tabIndex={0}
            >
              <SheetPreview shop={stored?.shop} />
              {stored && <InHand product={stored} />}
              {stored && <Cues product={stored.id} />}
              {stored && <Lasted sheet={stored.sheet} />}
            </aside>
            <div className="min-w-0 lg:col-start-1 lg:row-start-1">
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
                <SheetDate />
                <Numeric name="ratedMonths" label="Rated life, months" />
                <Numeric name="meltsAtC" label="Wax: melts at, °C" />
              </Group>
              <Group title="Care, days between">
                <Numeric name="careDays.wash" label="Wash" />
                <Numeric name="careDays.topper" label="Topper" />
                <Numeric name="careDays.booster" label="Booster of the maker" />
                <Numeric name="careDays.inspection" label="Inspection" />
              </Group>
              <FilmFields />
              <Group title="How much">
                <Choice
                  name="unit"
                  label="Sold by"
                  options={UNITS.map((unit) => [unit, unit === 'm2' ? 'm² (film)' : unit])}
                />
                <Numeric name="coveragePerM2" label="Coverage on gloss, units per m² and coat" />
                <Numeric name="prime" label="Wets one applicator, units" />
                <Numeric name="applicatorM2" label="One applicator lasts, m²" />
                <Numeric name="residue" label="Stays in the bottle, units" />
                <Numeric name="densityGPerMl" label="Density, g/ml" />
                <Numeric name="vocGPerL" label="Solvent (VOC), g/l; empty: not known" />
                <Numeric name="limitMgPerM3" label="Limit to breathe, mg/m³ (safety sheet)" />
                <Numeric name="lowerExplosiveGPerM3" label="Lower explosive limit, g/m³ (safety sheet)" />
                <Numeric name="shelfMonths.closed" label="Keeps closed, months" />
                <Numeric name="shelfMonths.open" label="Keeps once opened, months" />
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
                <Choice
                  name="method"
                  label="Laid with"
                  options={[
                    ['', 'as is usual for its family'],
                    ...METHOD_IDS.map((id) => [id, METHODS[id].name] as const),
                  ]}
                />
                <Numeric name="layPace" label="Lays, × a person’s pace" />
                <Numeric name="levelPace" label="Levels, × a person’s pace" />
                <Milestones />
              </Group>
              <Group title="Where">
                <Substrates />
              </Group>
              <Group title="On what, and with what care">
                <Lines name="over" label="May lie on: bare, self, families or product ids" />
                <Lines name="hazards" label="Cautions in plain words" long />
                <WearFields />
                <PropertyFields />
                <Numeric name="freshPaintDays" label="Fresh paint breathes, days" />
                <Numeric name="limits.airC.0" label="Air not below, °C" />
                <Numeric name="limits.airC.1" label="Air not above, °C" />
                <Numeric name="limits.rhPct.0" label="Humidity not below, %" />
                <Numeric name="limits.rhPct.1" label="Humidity not above, %" />
                <Numeric name="limits.surfaceC.0" label="Surface not below, °C" />
                <Numeric name="limits.surfaceC.1" label="Surface not above, °C" />
              </Group>
              <Group title="How it comes off, where the sheet says so">
                <ComesOffBy />
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
            </div>
          </div>
        </form>
      </main>
    </FormProvider>
  );
}

/** What a sheet says of a film besides. */
function FilmFields() {
  const { control } = useFormContext<Form>();
  if (useWatch({ control, name: 'family' }) !== 'film') return null;
  return (
    <Group title="The film">
      <Choice name="film.finish" label="Finish" options={FILM_FINISHES.map((id) => [id, id])} />
    </Group>
  );
}

function SheetDate() {
  const { control, setValue } = useFormContext<Form>();
  const value = useWatch({ control, name: 'sheetDate' }) ?? '';
  return (
    <DateField
      label="Date of the sheet"
      value={value}
      onChange={(day) => setValue('sheetDate', day || undefined, { shouldDirty: true })}
    />
  );
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

const SOURCE_NAMES = [
  ['', 'the data sheet'],
  ['measured', 'measured here'],
  ['assumed', 'assumed: usual for its family'],
] as const;
const SOURCED_NAMES: Readonly<Record<(typeof SOURCED_FIELDS)[number], string>> = {
  coveragePerM2: 'Coverage',
  densityGPerMl: 'Density',
  vocGPerL: 'Solvent',
  limitMgPerM3: 'Limit to breathe',
  lowerExplosiveGPerM3: 'Lower explosive limit',
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
  film: 'The film',
  comesOffBy: 'How it comes off',
  careDays: 'Care intervals',
};
