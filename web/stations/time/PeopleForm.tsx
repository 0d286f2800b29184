import { useJob } from '../../job/job-context';
import { Plus, Trash2 } from 'lucide-react';
import { CREW_ROLES } from '#core/plan/crew';
import type { Job } from '#formats/job';
import { changeDocument } from '#job/edit';
import { useLearnedHandsQuery } from '../../app/api';
import { useNamesQuery } from '../../people/api';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { SelectField } from '../../ui/SelectField';
import { TextField } from '../../ui/TextField';
import { Tick } from '../../ui/Tick';
import { PersonHours } from './PersonHours';

type Person = NonNullable<Job['crew']['people']>[number];

const ROLES = { both: 'Lays and levels', lay: 'Lays', level: 'Levels' } as const;
const MOST_PEOPLE = 12;
const paceFault = (value: number) => (value > 0 && value <= 10 ? undefined : 'more than 0, at most 10 m²/min');

/** Who works on it by name, each with what they do and their own pace; nobody named: hands alike, by the crew above. */
export function PeopleForm() {
  const { document, edit } = useJob('document', 'edit');
  const { crew } = document;
  const people = crew.people ?? [];
  const put = (next: readonly Person[]) =>
    edit(changeDocument({ crew: { ...crew, people: next.length > 0 ? [...next] : undefined } }));
  const change = (at: number, changes: Partial<Person>) =>
    put(people.map((person, index) => (index === at ? { ...person, ...changes } : person)));
  return (
    <div className="mt-4">
      <h4 className="label">Named people</h4>
      <ul className="mt-1 space-y-3">
        {people.map((person, at) => (
          <li key={at} className="border bg-sheet p-3">
            <div className="grid grid-cols-2 gap-3">
              <TextField
                label="Name"
                required
                value={person.id}
                onChange={(id) => people.every((other) => other.id !== id) && change(at, { id })}
              />
              <SelectField
                label="Does"
                value={person.does.length === CREW_ROLES.length ? 'both' : person.does[0]!}
                options={Object.entries(ROLES).map(([id, name]) => [id as keyof typeof ROLES, name] as const)}
                onChange={(does) => change(at, { does: does === 'both' ? [...CREW_ROLES] : [does] })}
              />
              <NumberField
                optional
                label="Lays"
                unit="m²/min"
                value={person.layM2PerMin}
                check={paceFault}
                onChange={(layM2PerMin) => change(at, { layM2PerMin })}
              />
              <NumberField
                optional
                label="Levels"
                unit="m²/min"
                value={person.levelM2PerMin}
                check={paceFault}
                onChange={(levelM2PerMin) => change(at, { levelM2PerMin })}
              />
            </div>
            <Tick
              label="Washes and corrects too"
              on={person.prepares ?? person.does.includes('lay')}
              onChange={(prepares) => change(at, { prepares })}
            />
            <PersonHours
              name={person.id}
              hours={person.hours}
              startAt={document.startAt}
              onChange={(hours) => change(at, { hours })}
            />
            <SeenPace person={person} onTake={(pace) => change(at, pace)} />
            <Button look="quiet" className="mt-1" onClick={() => put(people.filter((_, index) => index !== at))}>
              <Trash2 size={15} /> {person.id} is not on it
            </Button>
          </li>
        ))}
      </ul>
      <Button
        className="mt-2"
        disabled={people.length >= MOST_PEOPLE}
        onClick={() => put([...people, { id: freeName(people), does: [...CREW_ROLES] }])}
      >
        <Plus size={15} /> Somebody by name
      </Button>
      <p className="mt-1 text-[13px] text-ink-2">
        {people.length === 0
          ? 'Nobody named: hands alike, as above.'
          : 'These work on it instead of the crew above; an empty pace is the crew’s.'}
      </p>
    </div>
  );
}

/** How fast somebody with an account of that name was at the jobs they were at, and the button that plans with it. */
function SeenPace({
  person: { id, layM2PerMin, levelM2PerMin },
  onTake,
}: {
  readonly person: Person;
  readonly onTake: (pace: Pick<Person, 'layM2PerMin' | 'levelM2PerMin'>) => void;
}) {
  const { data: hands = [] } = useLearnedHandsQuery();
  const { data: names = [] } = useNamesQuery();
  const seen = hands.find(({ person }) => names.some((name) => name.id === person && name.name === id));
  if (!seen) return null;
  const pace = {
    ...(seen.layM2PerMin !== undefined && { layM2PerMin: twoPlaces(seen.layM2PerMin) }),
    ...(seen.levelM2PerMin !== undefined && { levelM2PerMin: twoPlaces(seen.levelM2PerMin) }),
  };
  const said = [
    ...(pace.layM2PerMin === undefined ? [] : [`lays ${pace.layM2PerMin.toFixed(2)}`]),
    ...(pace.levelM2PerMin === undefined ? [] : [`levels ${pace.levelM2PerMin.toFixed(2)}`]),
  ].join(', ');
  const isTaken =
    (pace.layM2PerMin ?? layM2PerMin) === layM2PerMin && (pace.levelM2PerMin ?? levelM2PerMin) === levelM2PerMin;
  return (
    <p className="mt-1 flex flex-wrap items-center gap-2 text-[13px] text-ink-2">
      By {seen.jobs} {seen.jobs === 1 ? 'job' : 'jobs'}: {said} m²/min
      {!isTaken && (
        <Button look="quiet" onClick={() => onTake(pace)}>
          Plan with it
        </Button>
      )}
    </p>
  );
}

const twoPlaces = (m2PerMin: number): number => Math.round(m2PerMin * 100) / 100;

function freeName(people: readonly Person[]): string {
  let number = people.length + 1;
  while (people.some(({ id }) => id === `Person ${number}`)) number += 1;
  return `Person ${number}`;
}
