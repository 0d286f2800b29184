import { expectedLife } from '#core/layers/life';
import { ENOUGH_CLEAR, planRemoval } from '#core/prepare/removal';
import { SUBSTRATE_IDS, type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import { answerOf, bondsTo, rulingsOn } from '#core/layers/rules';
import { atWork, materialMoneyPerM2 } from '#core/plan/job';
import { USUAL_CURRENCY } from '#formats/job';
import { makerSheetSchema, type ProductSheet, type ShopFigures, shopFiguresSchema, stocked } from '#formats/shelf';
import { money, pathText } from '#formats/values';
import { useProductsQuery } from '../../app/api';
import { AnswerMark } from '../../ui/Mark';
import { m2, um } from '../../ui/measures';
import { span } from '../../ui/moments';
import type { Form } from './sheet-fields';
import { withoutBlanks } from './sheet-values';
import { type ReactNode, useDeferredValue, useMemo, useState } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';

/** A sheet that is new to the shop. */
const NOTHING_IN_HAND = shopFiguresSchema.parse({});

const AIRS_C = [8, 14, 20, 26, 32];
const RH_PCT = 50;

/** What the sheet comes to as it stands in the form, before it is saved: its windows, its price, its life, what it bonds to. */
export function SheetPreview({ shop = NOTHING_IN_HAND }: { readonly shop?: ShopFigures | undefined }) {
  const { control } = useFormContext<Form>();
  const values = useDeferredValue(useWatch({ control }) as Form);
  const parsed = useMemo(
    () =>
      makerSheetSchema.safeParse({
        ...withoutBlanks(values),
        id: values.id || 'new',
        name: values.name || 'New sheet',
      }),
    [values],
  );
  return (
    <section aria-label="What this sheet comes to" className="border border-line-strong bg-sheet p-4">
      <h2 className="text-[17px] font-semibold">What this sheet comes to</h2>
      {parsed.success ? (
        <Worked sheet={stocked({ sheet: parsed.data, shop })} />
      ) : (
        <p className="mt-2 border-l-4 border-warn pl-3 text-[14px]">
          {pathText(parsed.error.issues[0]!.path)}: {parsed.error.issues[0]!.message}.
        </p>
      )}
    </section>
  );
}

function Worked({ sheet }: { readonly sheet: ProductSheet }) {
  const { data: shelf = [] } = useProductsQuery();
  const named = SUBSTRATE_IDS.filter((id) => (sheet.substrates[id]?.use ?? 'no') !== 'no');
  const [wanted, setWanted] = useState<SubstrateId>();
  const substrate = wanted !== undefined && named.includes(wanted) ? wanted : named[0];
  if (substrate === undefined) return <p className="mt-2 text-[14px] text-ink-2">It goes on nothing yet.</p>;

  const life = expectedLife(sheet, {});
  const { expectedMin, expectedClearUm } = planRemoval({
    substrate,
    areaM2: 1,
    clearUm: ENOUGH_CLEAR,
    layers: [{ ...sheet, ageMonths: life.months / 2, hard: true, lifeMonths: life.months }],
  });
  const others = shelf.map(stocked).filter(({ id }) => id !== sheet.id);
  const on = (answer: 'yes' | 'test') =>
    SUBSTRATE_IDS.filter(
      (id) =>
        answerOf(
          rulingsOn({ product: sheet, substrate: id, below: { kind: 'bare' } }).filter(({ rule }) => rule !== 'bond'),
        ) === answer,
    );
  return (
    <>
      <label className="mt-2 block">
        <span className="label block">On</span>
        <select className="field" value={substrate} onChange={({ target }) => setWanted(target.value as SubstrateId)}>
          {named.map((id) => (
            <option key={id} value={id}>
              {SUBSTRATES[id].name}
            </option>
          ))}
        </select>
      </label>
      <Windows sheet={sheet} substrate={substrate} />
      <dl className="mt-3 text-[14px]">
        <Fact name="Material, m² and coat">{money(materialMoneyPerM2(sheet, substrate), USUAL_CURRENCY)}</Fact>
        <Fact name="Plan for">
          {Math.round(life.lowMonths)} to {Math.round(life.highMonths)} months
        </Fact>
        <Fact name="Off again, m²">
          {Math.round(expectedMin)} min{expectedClearUm >= 0.05 && `, ${um(expectedClearUm, 1)} of clear`}
        </Fact>
        <Fact name={<AnswerMark answer="yes" />}>{on('yes').length} kinds of surface</Fact>
        {on('test').length > 0 && <Fact name={<AnswerMark answer="test" />}>{on('test').length} more</Fact>}
        <Fact name="May lie on">
          {listed([
            ...(sheet.over.includes('bare') ? ['bare surface'] : []),
            ...others.filter((product) => bondsTo(sheet, { kind: 'product', product })).map(({ name }) => name),
          ])}
        </Fact>
        <Fact name="May carry">
          {listed(
            others.filter((product) => bondsTo(product, { kind: 'product', product: sheet })).map(({ name }) => name),
          )}
        </Fact>
      </dl>
    </>
  );
}

const MOST_NAMED = 3;

/** The first few by name, the rest by number. */
function listed(names: readonly string[]): string {
  if (names.length === 0) return 'nothing on the shelf';
  const rest = names.length - MOST_NAMED;
  return names.slice(0, MOST_NAMED).join(', ') + (rest > 0 ? ` and ${rest} more` : '');
}

function Fact({ name, children }: { readonly name: ReactNode; readonly children: ReactNode }) {
  return (
    <div className="grid grid-cols-[8.5rem_1fr] gap-x-2 border-t py-1">
      <dt className="text-ink-2">{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}

/** When it is levelled in cold air and in warm, one bar a temperature on one scale, with what fits into it. */
function Windows({ sheet, substrate }: { readonly sheet: ProductSheet; readonly substrate: SubstrateId }) {
  const rows = AIRS_C.map((airC) => ({
    airC,
    ...atWork(sheet, { substrate, airC, rhPct: RH_PCT, matteSchool: 'fixed-early' }),
  }));
  const longest = Math.max(1, ...rows.map(({ levelByMin }) => levelByMin ?? 0));
  // Film is not levelled: only when it is dry depends on the air.
  const levelled = sheet.milestones.some(({ name }) => name === 'levelFrom' || name === 'levelBy');
  const share = (min: number) => `${(100 * Math.min(min, longest)) / longest}%`;
  return (
    <table className="mt-3 w-full text-[13.5px]">
      <caption className="label pb-1 text-left">
        {levelled ? 'Levelled within' : 'Ready'}, at {RH_PCT} % humidity
      </caption>
      <tbody>
        {rows.map(({ airC, levelFromMin, levelByMin, largestM2, waterSafeMin, outside }) => (
          <tr key={airC} className={`border-t ${outside ? 'text-ink-3' : ''}`}>
            <th scope="row" className="w-12 py-1 text-left font-normal whitespace-nowrap">
              {airC} °C
            </th>
            <td className="py-1">
              {levelled && (
                <>
                  <span className="block leading-tight">
                    {levelFromMin === null
                      ? 'never flashes'
                      : levelByMin === null
                        ? `from ${levelFromMin.toFixed(1)} min, stays open`
                        : `${levelFromMin.toFixed(1)} to ${levelByMin.toFixed(1)} min`}
                    {largestM2 !== null && largestM2 > 0 && `, ${m2(largestM2)}`}
                  </span>
                  <span className="relative mt-0.5 block h-2 bg-tint-1" aria-hidden>
                    {levelFromMin !== null && (
                      <span
                        className={`absolute inset-y-0 ${outside ? 'bg-tint-3' : 'bg-over'}`}
                        style={{
                          left: share(levelFromMin),
                          right: levelByMin === null ? 0 : `calc(100% - ${share(levelByMin)})`,
                        }}
                      />
                    )}
                  </span>
                </>
              )}
              <span className="text-[12.5px] text-ink-2">
                {outside && 'outside its limits; '}
                {waterSafeMin === undefined
                  ? ''
                  : waterSafeMin === null
                    ? 'never gets wet-safe'
                    : `may get wet after ${span(waterSafeMin)}`}
              </span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
