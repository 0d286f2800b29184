import { nanoid } from '@reduxjs/toolkit';
import { type Skill, SKILLS } from '#formats/schedule';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { AddNamed } from './AddNamed';
import type { ShopCalendarView } from './useShopCalendar';

const SKILL_WORDS: Readonly<Record<Skill, string>> = {
  prepare: 'Prepares',
  lay: 'Lays',
  film: 'Film',
  'hand-over': 'Hands over',
};
const WORKDAYS = 5;
const USUAL = [8, 17] as const;

/** Who is there when, and what they are called to do. */
export function People({ shop }: { readonly shop: ShopCalendarView }) {
  const { people } = shop.calendar;
  const change = (next: typeof people) => shop.change({ ...shop.calendar, people: next });
  const hourFault = (value: number) => (value >= 0 && value <= 24 ? undefined : '0 to 24');
  return (
    <section aria-label="People" className="border bg-sheet p-3">
      <h2 className="font-semibold">People</h2>
      {people.length === 0 && (
        <p className="mt-1 text-[14px] text-ink-2">
          Nobody named: steps only ask for their bay and its hours. Name who is there, and nobody is planned twice.
        </p>
      )}
      <ul>
        {people.map((person) => {
          const [from, to] = person.week.find((open) => open !== null) ?? USUAL;
          const saturday = person.week[WORKDAYS] ?? null;
          const put = (more: Partial<typeof person>) =>
            change(people.map((each) => (each.id === person.id ? { ...each, ...more } : each)));
          const hours = (opens: number, closes: number) =>
            opens < closes &&
            put({ week: person.week.map((open, at) => (at < WORKDAYS ? open && [opens, closes] : open)) });
          const onSaturday = (opens: number, closes: number) =>
            opens < closes && put({ week: person.week.map((open, at) => (at === WORKDAYS ? [opens, closes] : open)) });
          return (
            <li key={person.id} className="border-b py-2">
              <div className="flex items-center justify-between gap-2">
                <strong className="truncate">{person.name}</strong>
                <Button look="quiet" onClick={() => change(people.filter(({ id }) => id !== person.id))}>
                  Remove
                </Button>
              </div>
              <div className="flex flex-wrap gap-x-3">
                {SKILLS.map((skill) => (
                  <label key={skill} className="flex min-h-9 items-center gap-1.5 text-[14px]">
                    <input
                      type="checkbox"
                      checked={person.skills.includes(skill)}
                      onChange={({ target }) =>
                        put({
                          skills: target.checked
                            ? [...person.skills, skill]
                            : person.skills.filter((each) => each !== skill),
                        })
                      }
                    />
                    {SKILL_WORDS[skill]}
                  </label>
                ))}
              </div>
              <div className="grid grid-cols-2 gap-2">
                <NumberField
                  label={`${person.name}, from`}
                  unit="h"
                  value={from}
                  check={hourFault}
                  onChange={(opens) => opens !== undefined && hours(opens, to)}
                />
                <NumberField
                  label={`${person.name}, until`}
                  unit="h"
                  value={to}
                  check={hourFault}
                  onChange={(closes) => closes !== undefined && hours(from, closes)}
                />
              </div>
              <label className="flex min-h-9 items-center gap-1.5 text-[14px]">
                <input
                  type="checkbox"
                  checked={saturday !== null}
                  onChange={({ target }) =>
                    put({
                      week: person.week.map((open, at) =>
                        at === WORKDAYS ? (target.checked ? [from, to] : null) : open,
                      ),
                    })
                  }
                />
                On Saturdays too
              </label>
              {saturday && (
                <div className="grid grid-cols-2 gap-2">
                  <NumberField
                    label={`${person.name}, Saturday from`}
                    unit="h"
                    value={saturday[0]}
                    check={hourFault}
                    onChange={(opens) => opens !== undefined && onSaturday(opens, saturday[1])}
                  />
                  <NumberField
                    label={`${person.name}, Saturday until`}
                    unit="h"
                    value={saturday[1]}
                    check={hourFault}
                    onChange={(closes) => closes !== undefined && onSaturday(saturday[0], closes)}
                  />
                </div>
              )}
            </li>
          );
        })}
      </ul>
      {people.length > 0 && (
        <NumberField
          label="An hour beyond the usual costs more"
          unit="%"
          value={Math.round(100 * shop.calendar.overtimeShare)}
          check={(value) => (value >= 0 && value <= 100 ? undefined : '0 to 100')}
          onChange={(value) => value !== undefined && shop.change({ ...shop.calendar, overtimeShare: value / 100 })}
        />
      )}
      <AddNamed
        label="Name"
        onAdd={(name) => {
          const week = Array.from({ length: 7 }, (_, at): [number, number] | null =>
            at < WORKDAYS ? [...USUAL] : null,
          );
          change([...people, { id: nanoid(), name, skills: [...SKILLS], week }]);
        }}
      />
    </section>
  );
}
