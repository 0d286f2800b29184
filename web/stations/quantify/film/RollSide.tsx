import { useJob } from '../../../job/job-context';
import { useMemo } from 'react';
import { CUTTER_IDS, CUTTERS } from '#core/film/cutters';
import { offcutsOf } from '#core/film/cut-plan';
import { pieceKey, pieceKeys } from '#core/film/nest';
import { filmAreaM2 } from '#core/stock';
import { money } from '#formats/values';
import { type FilmOnRoll, type FilmWork, rollWidthsOf } from '#job/film';
import { addressOf } from '../../../app/address-of';
import { errorText, useCutFilmMutation } from '../../../app/api';
import { Part } from '../../../job/Station';
import { Button } from '../../../ui/Button';
import { PaperLink } from '../../../ui/PaperLink';
import { SelectField } from '../../../ui/SelectField';
import { m2 } from '../../../ui/measures';
import { percent } from '../../../ui/numbers';
import { MarkFlaw } from './MarkFlaw';
import { isOffcut, rollWords } from './roll-words';
import { Together } from './Together';
import type { Rolls } from './useRolls';
import { WhichRoll } from './WhichRoll';

interface Props {
  readonly work: FilmWork;
  readonly rolls: Rolls;
  /** Time given to nesting a roll. */
  readonly seconds: number;
}

const CUT_FILES = [
  ['cutPaper', 'PDF'],
  ['cutSvg', 'SVG'],
  ['cutDxf', 'DXF'],
] as const;

const metres = (lengthMm: number) => `${(lengthMm / 1000).toFixed(2)} m`;

/** What comes of a film's rolls: what to cut, what it costs, what is wrong, and which rolls they are. */
export function RollSide({ work, rolls, seconds }: Props) {
  const { film, shown, things, state } = rolls;
  const roll = film.rolls[shown]!;
  const { nest } = roll;
  const thing = things.find(({ id }) => id === nest.thing);
  return (
    <aside aria-label="The cut" className="min-h-0 overflow-auto border-l border-line-strong bg-paper">
      <ToCut work={work} rolls={rolls} />
      {!roll.isCut && <WhichOne work={work} rolls={rolls} seconds={seconds} />}
      {film.rolls.length > 1 && !state.working && !roll.isCut && <Pieces work={work} rolls={rolls} />}
      {thing && !roll.isCut && <MarkFlaw key={`${thing.id}/${thing.flaws?.length ?? 0}`} thing={thing} />}
      <WhichRoll work={work} cutter={nest.cutter} />
      <Together work={work} cutter={nest.cutter} />
      {roll.placements.length > 0 && !state.working && (
        <CutPlanPart key={shown} work={work} rolls={rolls} roll={roll} />
      )}
    </aside>
  );
}

/** Length, share used and money; what lies on no roll, or not clear. */
function ToCut({ work, rolls: { film, shown, things, atWork, working, nameOf, state } }: Omit<Props, 'seconds'>) {
  const { currency } = useJob('document').document;
  const { plan, placements, notClear, areaM2, nest } = atWork ?? film.rolls[shown]!;
  const wanted = pieceKeys(work.blanks);
  const used = plan.lengthMm > 0 ? areaM2 / filmAreaM2(plan.lengthMm, nest.widthMm) : 0;
  const costOf = ({ nest: on, plan: { lengthMm } }: FilmOnRoll): number | undefined => {
    const thing = things.find(({ id }) => id === on.thing);
    const price = thing?.paid === undefined ? work.moneyPerM2 : thing.paid / thing.size;
    return price === undefined ? undefined : price * filmAreaM2(lengthMm, on.widthMm);
  };
  const cost = costOf(atWork ?? film.rolls[shown]!);
  const all = film.rolls
    .map(costOf)
    .reduce((sum, each) => (sum === undefined || each === undefined ? undefined : sum + each), 0);
  return (
    <section className="border-b bg-sheet px-5 py-4">
      <h2 className="label">To cut</h2>
      <p className="figure text-4xl">{placements.length > 0 ? metres(plan.lengthMm) : 'not nested yet'}</p>
      {placements.length > 0 && (
        <p className="text-ink-2">
          of {Math.round(nest.widthMm)} mm, {percent(used)} in the pieces
          {working?.best && `; nobody can do with less than ${metres(working.best.boundMm)}`}
        </p>
      )}
      {cost !== undefined && placements.length > 0 && (
        <p className="mt-1">
          {money(cost, currency)}, of that {money(cost * (1 - used), currency)} not on the item
        </p>
      )}
      {film.rolls.length > 1 && !state.working && (
        <p className="mt-1 font-semibold">
          All {film.rolls.length} rolls: {wanted.length - film.missing.length} of {wanted.length} pieces
          {all !== undefined && `, ${money(all, currency)}`}
        </p>
      )}
      {!state.working && film.missing.length > 0 && placements.length > 0 && (
        <p role="alert" className="mt-2 border-l-4 border-stop bg-stop-soft px-3 py-2">
          ✕ {film.missing.length} of {wanted.length} pieces are on no roll: {named(film.missing, nameOf)}. Add another
          roll, or take a longer or wider one, and nest anew.
        </p>
      )}
      {!state.working && notClear.length > 0 && (
        <p role="alert" className="mt-2 border-l-4 border-stop bg-stop-soft px-3 py-2">
          ✕ The panels or the roll have changed since it was nested. Not clear any more: {named(notClear, nameOf)}. Nest
          anew.
        </p>
      )}
    </section>
  );
}

const named = (keys: readonly string[], nameOf: (id: string) => string) =>
  [...new Set(keys.map((key) => nameOf(key.slice(0, key.lastIndexOf('/')))))].join('; ');

/** Which roll it is, and which others there are. */
function WhichOne({ work, rolls, seconds }: Props) {
  const { film, shown, things, state } = rolls;
  const { nest } = film.rolls[shown]!;
  const others = new Set(film.rolls.flatMap((each, index) => (index === shown ? [] : [each.nest.thing])));
  const free = things.filter(({ id, remaining }) => remaining > 0 && !others.has(id));
  return (
    <Part title={film.rolls.length > 1 ? `Roll ${shown + 1}` : 'Roll'}>
      <div className="space-y-3">
        <SelectField
          label="Width"
          value={String(nest.widthMm)}
          options={[...new Set([...rollWidthsOf(work.product), nest.widthMm])].map((each) => [
            String(each),
            `${Math.round(each)} mm`,
          ])}
          onChange={(value) => rolls.anew({ widthMm: Number(value), thing: undefined })}
        />
        <SelectField
          label="Cut from"
          value={nest.thing ?? ''}
          options={[
            ['', 'A roll to buy'],
            ...free
              .toSorted((a, b) => Number(isOffcut(b)) - Number(isOffcut(a)))
              .map((each): [string, string] => [each.id, rollWords(each, nest.widthMm)]),
          ]}
          onChange={(value) => {
            const roll = things.find(({ id }) => id === value);
            rolls.anew({ thing: roll?.id, widthMm: roll?.rollMm ?? nest.widthMm });
          }}
        />
        <SelectField
          label="Cut by"
          value={nest.cutter}
          options={CUTTER_IDS.map((id) => [id, `${CUTTERS[id].name}, ${CUTTERS[id].gapMm} mm between cuts`])}
          onChange={(cutter) => rolls.anew({ cutter })}
        />
        {!state.working && (
          <div className="flex flex-wrap gap-2">
            <Button onClick={rolls.add}>Add another roll</Button>
            {film.rolls.length > 1 && <Button onClick={rolls.takeOut}>Take this one out</Button>}
            {things.some(({ remaining }) => remaining > 0) && (
              <Button onClick={() => rolls.fromStock(seconds)}>Use up stock first</Button>
            )}
          </div>
        )}
        <p className="text-[13px] text-ink-2">
          Rolls are nested in their order: what one does not hold is passed on to the next.
        </p>
      </div>
    </Part>
  );
}

/** The pieces of a roll, each of which may go to another. */
function Pieces({ work, rolls }: Pick<Props, 'work' | 'rolls'>) {
  const { film, shown, nameOf, toRoll } = rolls;
  const placed = film.rolls[shown]!.placements;
  const open = film.rolls.flatMap(({ isCut }, index) => (isCut ? [] : [index]));
  const copies = new Map(work.blanks.map(({ id, count }) => [id, count]));
  const rows = [
    ...placed.map((each) => ({ key: pieceKey(each), id: each.id, copy: each.copy })),
    ...film.missing.map((key) => ({ key, id: key.slice(0, key.lastIndexOf('/')), copy: undefined })),
  ];
  return (
    <Part title="Which piece on which roll">
      <ul className="space-y-1">
        {rows.map(({ key, id, copy }) => (
          <li key={key} className="flex items-center justify-between gap-3">
            <span className="min-w-0 truncate">
              {nameOf(id)}
              {copy !== undefined && copies.get(id)! > 1 && ` ${copy}`}
            </span>
            <select
              aria-label={`Roll for ${nameOf(id)}`}
              className="field w-28 shrink-0"
              value={copy === undefined ? '' : String(shown)}
              onChange={({ target }) => toRoll(key, Number(target.value))}
            >
              {copy === undefined && <option value="">on none</option>}
              {open.map((index) => (
                <option key={index} value={index}>
                  Roll {index + 1}
                </option>
              ))}
            </select>
          </li>
        ))}
      </ul>
    </Part>
  );
}

/** The plan as files, the cut itself, and what is kept of the roll. */
function CutPlanPart({ work: { product }, rolls, roll }: Omit<Props, 'seconds'> & { readonly roll: FilmOnRoll }) {
  const job = useJob('id');
  const [cut, { error: notCut, isLoading }] = useCutFilmMutation();
  const { plan, nest, notClear, isCut } = roll;
  const offcuts = useMemo(() => offcutsOf(plan), [plan]);
  const nth = rolls.shown + 1;
  const mayCut = nest.thing !== undefined && rolls.film.missing.length === 0 && notClear.length === 0 && !isCut;
  return (
    <>
      {offcuts.length > 0 && (
        <Part title="Worth keeping">
          <ul>
            {offcuts.map(({ outline, areaM2 }, index) => (
              <li key={index}>
                {Math.round(outline[2]![0] - outline[0]![0])} × {Math.round(outline[2]![1] - outline[0]![1])} mm,{' '}
                {m2(areaM2)}
              </li>
            ))}
          </ul>
        </Part>
      )}
      <Part title="Cut plan">
        <div className="flex flex-wrap gap-2">
          {CUT_FILES.map(([route, name]) => (
            <PaperLink key={route} href={addressOf(route, { id: job.id, product: product.id, roll: String(nth) })}>
              {name}
            </PaperLink>
          ))}
        </div>
        <p className="mt-2 text-[13px] text-ink-2">
          True to scale, labelled, in an order with {(plan.idleMm / 1000).toFixed(1)} m between the cuts. The PDF has
          the measures for cutting by hand.
        </p>
        {mayCut && (
          <div className="mt-3">
            <Button
              disabled={isLoading}
              onClick={() => void cut({ id: job.id, product: product.id, roll: String(nth) })}
            >
              Cut: draw {metres(plan.lengthMm)} from this roll
            </Button>
            <p className="mt-1 text-[13px] text-ink-2">
              {offcuts.length === 0
                ? 'Nothing of it is worth keeping.'
                : `${offcuts.length} ${offcuts.length === 1 ? 'offcut is' : 'offcuts are'} taken into stock.`}{' '}
              It can be undone under Stock.
            </p>
          </div>
        )}
        {isCut && (
          <p role="status" className="mt-2 text-ok">
            ✓ Cut, and drawn from stock.
          </p>
        )}
        {notCut && (
          <p role="alert" className="mt-2 border-l-4 border-stop bg-stop-soft px-3 py-2">
            {errorText(notCut)}
          </p>
        )}
        <p className="mt-2 border-l-4 border-warn bg-warn-soft px-3 py-2 text-[13px]">
          A blade cuts skin and paint: cut away from both, on a mat, never on the panel without backing.
        </p>
      </Part>
    </>
  );
}
