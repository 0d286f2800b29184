import { Plus, Trash2 } from 'lucide-react';
import { CREW_ROLES } from '#core/work/crew';
import type { Job } from '#formats/job';
import { changeDocument } from '#job/edit';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { SelectField } from '../../ui/SelectField';
import { TextField } from '../../ui/TextField';

type Person = NonNullable<Job['crew']['people']>[number];

const ROLES = { both: 'Lays and levels', lay: 'Lays', level: 'Levels' } as const;
const MOST_PEOPLE = 12;
const paceFault = (value: number) => (value > 0 && value <= 10 ? undefined : 'more than 0, at most 10 m²/min');

/** Who works on it by name, each with what they do and their own pace; nobody named: hands alike, by the crew above. */
export function PeopleForm({ job: { document, edit } }: { readonly job: JobView }) {
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

function freeName(people: readonly Person[]): string {
  let number = people.length + 1;
  while (people.some(({ id }) => id === `Person ${number}`)) number += 1;
  return `Person ${number}`;
}
