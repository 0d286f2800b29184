import { Hand as HandIcon } from 'lucide-react';
import { memo, useState } from 'react';
import { hoursOf, peopleOf } from '#core/plan/crew';
import { HAND_ROLES, type HelpRole } from '#core/lay/run';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { ROLE_WORDS, useHand } from '../../bay/hand';
import { personName } from './person-name';
import { useTap } from '../../bay/useTap';

/** What the hands at this screen do: chosen once, kept on the device. */
export const HandMenu = memo(function HandMenu() {
  const { role, choose } = useHand();
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="flex h-16 items-center gap-2 px-3 text-ink-2 hover:bg-tint-1"
        aria-label={`This screen: ${ROLE_WORDS[role][0]}`}
        onClick={() => setOpen(true)}
      >
        <HandIcon size={26} className="shrink-0" />
        {role !== 'all' && <span className="max-w-24 text-left text-sm leading-tight">{ROLE_WORDS[role][0]}</span>}
      </button>
      {open && (
        <Dialog open onClose={() => setOpen(false)} title="What is done at this screen" wide>
          <div className="grid gap-2">
            {HAND_ROLES.map((each) => (
              <Button
                key={each}
                glove
                aria-pressed={each === role}
                className={`min-h-20! flex-col items-start! gap-0! whitespace-normal! py-2 text-left ${each === role ? 'border-over! bg-over-soft!' : ''}`}
                onClick={() => {
                  choose(each);
                  setOpen(false);
                }}
              >
                <strong className="text-xl">{ROLE_WORDS[each][0]}</strong>
                <span className="text-[15px] text-ink-2">{ROLE_WORDS[each][1]}</span>
              </Button>
            ))}
          </div>
          <WhoIsThere />
        </Dialog>
      )}
    </>
  );
});

/** What somebody who comes to help may be there for. */
const COMES: readonly (readonly [name: string, does: HelpRole])[] = [
  ['Lays and levels', 'both'],
  ['Lays', 'lay'],
  ['Levels', 'level'],
];

/** Who works at the item: somebody joins or leaves, and the rest of the sheet is laid out anew. */
function WhoIsThere() {
  const job = useJob('id', 'nowMin', 'planned', 'record');
  const { tap } = useTap(job.id);
  const { planned, nowMin, record } = job;
  const people = peopleOf(planned.crew);
  const there = people.filter((person) => hoursOf(person).some(([, to]) => to > nowMin));
  const gone = people.filter((person) => !there.includes(person) && record.hands.has(person.id));
  const free = Array.from({ length: people.length + 1 }, (_, nth) => String(nth + 1)).find(
    (id) => !people.some((person) => person.id === id),
  )!;
  return (
    <section aria-label="Who is there" className="mt-4 border-t pt-3">
      <h3 className="text-xl font-semibold">Who is at it</h3>
      <ul className="grid gap-2">
        {there.map(({ id, does }) => (
          <li key={id} className="flex min-h-16 items-center justify-between gap-3 text-xl">
            <span>
              {personName(id)}
              <span className="text-base text-ink-2"> {does.length === 2 ? 'lays and levels' : `${does[0]}s`}</span>
            </span>
            {there.length > 1 && (
              <Button glove onClick={() => tap({ type: 'hands-leave', person: id })}>
                {personName(id)} leaves
              </Button>
            )}
          </li>
        ))}
        {gone.map(({ id, does }) => (
          <li key={id} className="flex min-h-16 items-center justify-between gap-3 text-xl text-ink-2">
            {personName(id)}, gone
            <Button
              glove
              onClick={() => tap({ type: 'hands-join', person: id, does: does.length === 2 ? 'both' : does[0]! })}
            >
              {personName(id)} is back
            </Button>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-base text-ink-2">Somebody comes to help:</p>
      <div className="mt-1 grid grid-cols-3 gap-2">
        {COMES.map(([name, does]) => (
          <Button key={name} glove onClick={() => tap({ type: 'hands-join', person: free, does })}>
            {name}
          </Button>
        ))}
      </div>
    </section>
  );
}
