import { coatKey, type CoatName, type Move } from '#core/plan/job';
import { coatName } from '#core/plan/job';
import type { LostMove } from '#core/lay/run-sheet';
import { changeDocument, moveCoat, unmoveCoat } from '#job/edit';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { SelectField } from '../../ui/SelectField';
import { span } from '../../ui/moments';
import { percent } from '../../ui/numbers';
import type { SchoolRehearsed } from './rehearsal.worker';

interface Props {
  /** The sheet as it stands, and as it would be without what was moved; undefined until they have been gone through. */
  readonly own: SchoolRehearsed | undefined;
  readonly unmoved: SchoolRehearsed | undefined;
}

const WHY_LOST: Readonly<Record<LostMove, string>> = {
  gone: 'is not to be laid any more, or what it was moved behind is not',
  person: 'nobody of that name works on it',
  circle: 'each would wait for the other, or for its own base',
};
/** Values of the fields that are no coat and no person. */
const AS_IT_COMES = '';
const FIRST = 'first';

/** Coats put elsewhere on the run sheet than it had them: by dragging their block, or here. */
export function MovedByHand({ own, unmoved }: Props) {
  const job = useJob('chosen', 'document', 'edit', 'nameOf', 'productName', 'sheet');
  const { moves = [] } = job.document;
  const { lostMoves } = job.sheet.out;
  const coats = coatsOnSheet(job);
  const lostFor = new Map(lostMoves.map(({ move, why }) => [coatKey(move), why]));
  const chosen = coats.filter(({ surface }) => surface === job.chosen?.id);
  return (
    <Part title="Moved by hand">
      {moves.length === 0 && chosen.length === 0 && (
        <p className="text-ink-2">
          Nothing. Drag what is laid to where you want it, or choose a panel. When each is levelled is for the clocks to
          say.
        </p>
      )}
      {chosen.map((coat) => (
        <OneCoat key={coatKey(coat)} coat={coat} coats={coats} isOnlyOne={chosen.length === 1} />
      ))}
      {moves.length > 0 && (
        <>
          <ul className="mt-2 space-y-2">
            {moves.map((move) => {
              const why = lostFor.get(coatKey(move));
              return (
                <li key={coatKey(move)} className="flex items-start justify-between gap-3 border-b pb-2">
                  <span>
                    {wordsOf(job, move)}
                    {why && <strong className="block font-normal text-warn">Passed over: {WHY_LOST[why]}.</strong>}
                  </span>
                  <Button onClick={() => job.edit(unmoveCoat(job.document, move))}>Take back</Button>
                </li>
              );
            })}
          </ul>
          {moves.length > 1 && (
            <div className="mt-2">
              <Button onClick={() => job.edit(changeDocument({ moves: undefined }))}>Take all back</Button>
            </div>
          )}
          {own && unmoved && <p className="mt-3">{costOf(own, unmoved)}</p>}
        </>
      )}
    </Part>
  );
}

function OneCoat({
  coat,
  coats,
  isOnlyOne,
}: {
  readonly coat: CoatName;
  readonly coats: readonly CoatName[];
  readonly isOnlyOne: boolean;
}) {
  const job = useJob('document', 'edit', 'nameOf', 'productName', 'sheet');
  const { people } = job.sheet.out;
  const move = job.document.moves?.find((each) => coatKey(each) === coatKey(coat));
  const after = move ? (move.after ? coatKey(move.after) : FIRST) : AS_IT_COMES;
  const put = (changes: Partial<Pick<Move, 'after' | 'by'>>) =>
    job.edit(moveCoat(job.document, { ...coat, after: null, ...move, ...changes }));
  return (
    <div className="mb-3 space-y-2">
      <SelectField
        label={`${nameOf(job, coat, !isOnlyOne)} is laid`}
        value={after}
        options={[
          [AS_IT_COMES, 'as the sheet has it'],
          [FIRST, 'first of all'],
          ...coats
            .filter((other) => coatKey(other) !== coatKey(coat))
            .map((other) => [coatKey(other), `after ${nameOf(job, other)}`] as const),
        ]}
        onChange={(value) => {
          if (value === AS_IT_COMES) return job.edit(unmoveCoat(job.document, coat));
          put({ after: coats.find((other) => coatKey(other) === value) ?? null });
        }}
      />
      {people.length > 1 && move && (
        <SelectField
          label="by"
          value={move.by ?? AS_IT_COMES}
          options={[[AS_IT_COMES, 'whoever has their hands free'], ...people.map(({ id }) => [id, id] as const)]}
          onChange={(value) => put({ by: value === AS_IT_COMES ? undefined : value })}
        />
      )}
    </div>
  );
}

/** What is still to be laid, each coat once, in the order it is begun. */
function coatsOnSheet({ sheet }: Pick<JobView, 'sheet'>): CoatName[] {
  const coats = new Map<string, CoatName>();
  for (const action of sheet.out.actions) {
    const coat = coatName(action.coat);
    if (action.does === 'lay' && !coats.has(coatKey(coat))) coats.set(coatKey(coat), coat);
  }
  return [...coats.values()];
}

/** The panel, and which of its coats where there are several. */
function nameOf(
  job: Pick<JobView, 'document' | 'nameOf' | 'productName'>,
  { surface, layer, coat }: CoatName,
  isFull = true,
): string {
  const name = job.nameOf(surface);
  const layers = job.document.surfaces.find(({ id }) => id === surface)?.layers ?? [];
  if (!isFull || (layers.length < 2 && (layers[0]?.coats ?? 1) < 2)) return name;
  const product = layers[layer] ? job.productName(layers[layer].product) : `layer ${layer + 1}`;
  return `${name}, ${product}${(layers[layer]?.coats ?? 1) > 1 ? ` coat ${coat}` : ''}`;
}

function wordsOf(job: Pick<JobView, 'document' | 'nameOf' | 'productName'>, move: Move): string {
  const when = move.after ? `after ${nameOf(job, move.after)}` : 'first of all';
  return `${nameOf(job, move)}: ${when}${move.by ? `, by ${move.by}` : ''}`;
}

/** What moving costs, or saves. */
function costOf(own: SchoolRehearsed, unmoved: SchoolRehearsed): string {
  const laterMin = Math.round(own.rehearsed.end.middle - unmoved.rehearsed.end.middle);
  const time =
    laterMin === 0
      ? 'ends when it would have'
      : `ends ${span(Math.abs(laterMin))} ${laterMin > 0 ? 'later' : 'sooner'}`;
  return `With it the laying ${time}, and all windows hold on ${percent(own.rehearsed.allHold)} of days, ${percent(unmoved.rehearsed.allHold)} without.`;
}
