import { useState } from 'react';
import { CUTTER_IDS, CUTTERS, type CutterId } from '#core/film/cutters';
import { cutPlanOf, offcutsOf } from '#core/film/cut-plan';
import { type NestCase, type Nested, notClear, pieceKey, pieceKeys, type Placement, putDown } from '#core/film/nest';
import { filmAreaM2, filmLengthMm } from '#core/stock';
import type { Job } from '#formats/job';
import { money } from '#formats/values';
import { type FilmWork, filmWork, keepNest, nestCaseOf, rollWidthsOf } from '#job/film';
import type { StockRow } from '#formats/stock';
import { errorText, useCutFilmMutation } from '../../../app/api';
import { Part } from '../../../job/Station';
import type { JobView } from '../../../job/useJobView';
import { Button } from '../../../ui/Button';
import { PaperLink } from '../../../ui/PaperLink';
import { Segmented } from '../../../ui/Segmented';
import { SelectField } from '../../../ui/SelectField';
import { m2 } from '../../../ui/measures';
import { percent } from '../../../ui/numbers';
import { ViewSwitch } from '../ViewSwitch';
import { MarkFlaw } from './MarkFlaw';
import { RollDrawing } from './RollDrawing';
import { Together } from './Together';
import { useFilmWork } from './useFilmWork';
import { useNest } from './useNest';

/** How long is tried at a time, s. */
const TRIES = [
  ['10', '10 s'],
  ['30', '30 s'],
  ['120', '2 min'],
] as const;
type Seconds = (typeof TRIES)[number][0];
/** Rolls of each width are tried for so long while they are compared, s. */
const COMPARE_S = 4;
const MM_PER_M = 1000;

type Kept = NonNullable<Job['film']>[number];

/** The blanks on the roll: nested as long as one cares to wait, moved by hand, and cut. */
export function FilmRoll({ job }: { readonly job: JobView }) {
  const work = useFilmWork(job);
  const [wanted, setWanted] = useState<string>();
  const shown = work.find(({ product }) => product.id === wanted) ?? work[0];
  return (
    <main className="flex h-full min-h-0 flex-col">
      <div className="flex shrink-0 flex-wrap items-end gap-4 border-b bg-sheet px-4 py-2">
        <ViewSwitch />
        {work.length > 1 && (
          <SelectField
            label="Film"
            value={shown!.product.id}
            options={work.map(({ product }) => [product.id, product.name])}
            onChange={setWanted}
          />
        )}
      </div>
      {shown ? (
        <OneFilm key={shown.product.id} job={job} work={shown} />
      ) : (
        <p className="p-6 text-ink-2">No panel has film in its stack. Choose what is covered under Film blanks.</p>
      )}
    </main>
  );
}

function OneFilm({ job, work }: { readonly job: JobView; readonly work: FilmWork }) {
  const { product, widthMm, blanks } = work;
  const kept = (job.document.film ?? []).find((each) => each.product === product.id);
  const cutter: CutterId = kept?.cutter ?? 'plotter';
  const [seconds, setSeconds] = useState<Seconds>('10');
  const [tries, setTries] = useState(0);
  const [refused, setRefused] = useState<string>();
  const [cut, { error: notCut, isSuccess: cutDone }] = useCutFilmMutation();
  const rolls = job.stock?.kinds.find(({ of }) => of === product.id)?.things ?? [];
  const thing = rolls.find(({ id }) => id === kept?.thing);
  const wanted = pieceKeys(blanks);
  const ids = new Set(wanted);
  const placements = (kept?.placements ?? []).filter((each) => ids.has(pieceKey(each)));
  const pinned = new Set(kept?.pinned ?? []);
  const nestCase = nestCaseOf(work, cutter, thing, { placements, pinned: kept?.pinned });
  const astray = notClear(nestCase, placements);
  const keep = (changes: Partial<Kept>) =>
    job.edit(
      keepNest(job.document, {
        product: product.id,
        widthMm,
        cutter,
        placements: [...placements],
        ...kept,
        ...changes,
      }),
    );
  const { state, start, stop, drop } = useNest(([best]) => best && keep({ placements: [...best.placements] }));
  /** Another roll or cutter: what lies there lies there no more, and what is being nested is for nothing. */
  const anew = (changes: Partial<Kept>) => {
    drop();
    keep({ ...changes, placements: [], pinned: [] });
  };
  const nested: Nested | undefined = state.working ? state.best[0] : undefined;
  const lying = nested?.placements ?? placements;
  const plan = cutPlanOf(blanks, lying, widthMm);
  const offcuts = state.working ? [] : offcutsOf(plan);
  const isWhole = lying.length === wanted.length;
  const cutM2 = filmAreaM2(plan.lengthMm, widthMm);
  const used = cutM2 > 0 ? usedM2(work, lying) / cutM2 : 0;
  const price = thing?.paid === undefined ? work.moneyPerM2 : thing.paid / thing.size;
  const lengthM = plan.lengthMm / MM_PER_M;
  const cost = price === undefined ? undefined : price * cutM2;
  const { currency } = job.document;

  const nestNow = (from: readonly Placement[]) => {
    setRefused(undefined);
    // Another way each time it goes on; the same again from the beginning.
    const seed = from.length > 0 ? tries + 2 : 1;
    setTries(tries + 1);
    start({ cases: [{ ...nestCase, seed, from }], seconds: Number(seconds) });
  };
  const move = (moved: Placement) => {
    const put = putDown(nestCase, placements, moved);
    setRefused(put ? undefined : `Nothing is free near there for ${nameOf(blanks, moved.id)}; it lies where it lay.`);
    if (!put) return;
    keep({
      placements: placements.map((each) => (pieceKey(each) === pieceKey(put) ? put : each)),
      pinned: [...new Set([...pinned, pieceKey(put)])],
    });
  };
  const togglePin = (key: string) =>
    keep({ pinned: pinned.has(key) ? [...pinned].filter((each) => each !== key) : [...pinned, key] });

  return (
    <div className="grid min-h-0 flex-1 grid-cols-1 grid-rows-[minmax(14rem,1fr)_minmax(0,1.4fr)] lg:grid-cols-[1fr_25rem] lg:grid-rows-1">
      <div className="flex min-h-0 flex-col bg-sheet">
        <RollDrawing
          plan={plan}
          offcuts={offcuts}
          pinned={pinned}
          placements={lying}
          lastsMm={nestCase.rollLengthMm}
          flaws={nestCase.blocked}
          onMove={state.working ? undefined : move}
          onPin={state.working ? undefined : togglePin}
        />
        <div className="flex flex-wrap items-end gap-3 border-t px-4 py-3">
          {state.working ? (
            <Button onClick={stop}>Stop and keep</Button>
          ) : (
            <>
              <Button look="main" onClick={() => nestNow([])}>
                {placements.length > 0 ? 'Nest anew' : 'Nest'}
              </Button>
              {isWhole && astray.length === 0 && <Button onClick={() => nestNow(placements)}>Go on from here</Button>}
            </>
          )}
          <Segmented label="For" value={seconds} options={TRIES} onChange={(value) => value && setSeconds(value)} />
          {state.working && (
            <progress
              className="h-3 flex-1 accent-over"
              value={state.share}
              max={1}
              aria-label="Time given to nesting"
            />
          )}
          <p role="status" className="text-ink-2">
            {refused ?? (state.working ? 'Best so far is drawn' : 'Drag a piece to move it, tap it to pin it')}
          </p>
        </div>
        {state.failed && (
          <p role="alert" className="border-l-4 border-stop bg-stop-soft px-4 py-3">
            {state.failed}
          </p>
        )}
      </div>
      <aside aria-label="The cut" className="min-h-0 overflow-auto border-l border-line-strong bg-paper">
        <section className="border-b bg-sheet px-5 py-4">
          <h2 className="label">To cut</h2>
          <p className="figure text-4xl">{lying.length > 0 ? `${lengthM.toFixed(2)} m` : 'not nested yet'}</p>
          {lying.length > 0 && (
            <p className="text-ink-2">
              of {Math.round(widthMm)} mm, {percent(used)} in the pieces
              {nested && `; nobody can do with less than ${(nested.boundMm / MM_PER_M).toFixed(2)} m`}
            </p>
          )}
          {!isWhole && lying.length > 0 && (
            <p role="alert" className="mt-2 border-l-4 border-stop bg-stop-soft px-3 py-2">
              ✕ {wanted.length - lying.length} of {wanted.length} pieces are not on this roll:{' '}
              {blanks
                .filter((blank) => pieceKeys([blank]).some((key) => !lying.some((each) => pieceKey(each) === key)))
                .map(({ name }) => name)
                .join('; ')}
              . Nest anew, or take a longer or wider roll.
            </p>
          )}
          {!state.working && astray.length > 0 && (
            <p role="alert" className="mt-2 border-l-4 border-stop bg-stop-soft px-3 py-2">
              ✕ The panels or the roll have changed since it was nested. Not clear any more:{' '}
              {astray.map(({ id }) => nameOf(blanks, id)).join('; ')}. Nest anew.
            </p>
          )}
          {cost !== undefined && lying.length > 0 && (
            <p className="mt-1">
              {money(cost, currency)}, of that {money(cost * (1 - used), currency)} not on the item
            </p>
          )}
        </section>
        <Part title="Roll">
          <div className="space-y-3">
            <SelectField
              label="Width"
              value={String(widthMm)}
              options={[...new Set([...rollWidthsOf(product), widthMm])].map((each) => [
                String(each),
                `${Math.round(each)} mm`,
              ])}
              onChange={(value) => anew({ widthMm: Number(value), thing: undefined })}
            />
            <SelectField
              label="Cut from"
              value={kept?.thing ?? ''}
              options={[
                ['', 'A roll to buy'],
                ...rolls
                  .filter(({ remaining }) => remaining > 0)
                  .sort((a, b) => Number(isOffcut(b)) - Number(isOffcut(a)))
                  .map((roll): [string, string] => [roll.id, rollWords(roll, widthMm)]),
              ]}
              onChange={(value) => {
                const roll = rolls.find(({ id }) => id === value);
                anew({ thing: roll?.id, widthMm: roll?.rollMm ?? widthMm });
              }}
            />
            <SelectField
              label="Cut by"
              value={cutter}
              options={CUTTER_IDS.map((id) => [id, `${CUTTERS[id].name}, ${CUTTERS[id].gapMm} mm between cuts`])}
              onChange={(value) => anew({ cutter: value })}
            />
          </div>
        </Part>
        {thing && <MarkFlaw key={`${thing.id}/${thing.flaws?.length ?? 0}`} thing={thing} />}
        <WhichRoll job={job} work={work} cutter={cutter} />
        <Together job={job} work={work} cutter={cutter} />
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
        {placements.length > 0 && !state.working && (
          <Part title="Cut plan">
            <div className="flex flex-wrap gap-2">
              {['pdf', 'svg', 'dxf'].map((ending) => (
                <PaperLink key={ending} href={`/api/jobs/${job.id}/film/${product.id}.${ending}`}>
                  {ending.toUpperCase()}
                </PaperLink>
              ))}
            </div>
            <p className="mt-2 text-[13px] text-ink-2">
              True to scale, labelled, in an order with {(plan.idleMm / MM_PER_M).toFixed(1)} m between the cuts. The
              PDF has the measures for cutting by hand.
            </p>
            {thing && isWhole && astray.length === 0 && (
              <div className="mt-3">
                <Button onClick={() => void cut({ jobId: job.id, product: product.id })}>
                  Cut: draw {lengthM.toFixed(2)} m from this roll
                </Button>
                <p className="mt-1 text-[13px] text-ink-2">
                  {offcuts.length === 0
                    ? 'Nothing of it is worth keeping.'
                    : `${offcuts.length} ${offcuts.length === 1 ? 'offcut is' : 'offcuts are'} taken into stock.`}{' '}
                  It can be undone under Stock.
                </p>
              </div>
            )}
            {cutDone && (
              <p role="status" className="mt-2 text-ok">
                ✓ Drawn from stock.
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
        )}
      </aside>
    </div>
  );
}

type Roll = Pick<StockRow, 'batch' | 'remaining' | 'rollMm' | 'offcutOf'>;
const isOffcut = ({ offcutOf }: Roll) => offcutOf !== undefined;
function rollWords(roll: Roll, widthMm: number): string {
  const lengthM = filmLengthMm(roll.remaining, roll.rollMm ?? widthMm) / MM_PER_M;
  const what = isOffcut(roll) ? 'Offcut' : roll.batch ? `Batch ${roll.batch}` : 'Roll';
  return `${what}, ${lengthM.toFixed(lengthM < 2 ? 2 : 1)} m${roll.rollMm ? ` of ${Math.round(roll.rollMm)} mm` : ''} left`;
}

const nameOf = (blanks: FilmWork['blanks'], id: string) => blanks.find((each) => each.id === id)?.name ?? id;
const usedM2 = ({ blanks }: FilmWork, placements: readonly Placement[]) => {
  const areas = new Map(blanks.map(({ id, areaM2 }) => [id, areaM2]));
  return placements.reduce((sum, { id }) => sum + (areas.get(id) ?? 0), 0);
};

interface RollProps {
  readonly job: JobView;
  readonly work: FilmWork;
  readonly cutter: CutterId;
}

/** Which width to buy: each nested for a little while. */
function WhichRoll({ job, work, cutter }: RollProps) {
  const widths = rollWidthsOf(work.product);
  const [found, setFound] = useState<readonly (Nested | undefined)[]>();
  const { state, start, stop } = useNest(setFound);
  if (widths.length < 2) return null;
  const cases = () =>
    widths.map((widthMm): NestCase => {
      const own = filmWork(job.document, () => widthMm).find(({ product }) => product.id === work.product.id)!;
      return nestCaseOf(own, cutter);
    });
  const shown = state.working ? state.best : (found ?? []);
  return (
    <Part title="Which roll">
      {shown.length > 0 && (
        <table className="mb-2 w-full text-[14px]">
          <tbody>
            {widths.map((widthMm, index) => {
              const nested = shown[index];
              const lengthM = (nested?.lengthMm ?? 0) / MM_PER_M;
              return (
                <tr key={widthMm} className="border-b">
                  <td className="py-1">{widthMm} mm</td>
                  <td className="text-right tabular-nums">{nested ? `${lengthM.toFixed(2)} m` : '…'}</td>
                  <td className="text-right tabular-nums">
                    {nested &&
                      work.moneyPerM2 !== undefined &&
                      money(work.moneyPerM2 * filmAreaM2(nested.lengthMm, widthMm), job.document.currency)}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      <Button onClick={() => (state.working ? stop() : start({ cases: cases(), seconds: COMPARE_S }))}>
        {state.working ? 'Stop' : 'Try each width'}
      </Button>
    </Part>
  );
}
