import { nanoid } from '@reduxjs/toolkit';
import { TOOLED } from '#formats/schedule';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { AddNamed } from './AddNamed';
import type { ShopCalendarView } from './useShopCalendar';

const TOOLED_WORDS: Readonly<Record<(typeof TOOLED)[number], string>> = {
  clean: 'Washing',
  correct: 'Correcting',
  wipe: 'Last wipe',
  lay: 'Laying',
  check: 'Looking over',
};
const MOST = 50;

/** What bays share: nobody corrects in two of them with one machine. */
export function Tools({ shop }: { readonly shop: ShopCalendarView }) {
  const { tools } = shop.calendar;
  const change = (next: typeof tools) => shop.change({ ...shop.calendar, tools: next });
  const countFault = (value: number) =>
    Number.isInteger(value) && value >= 1 && value <= MOST ? undefined : `a whole number, 1 to ${MOST}`;
  return (
    <section aria-label="Tools" className="border bg-sheet p-3 print:hidden">
      <h2 className="font-semibold">Tools</h2>
      {tools.length === 0 && (
        <p className="mt-1 text-[14px] text-ink-2">
          None named: each bay has its own. Name what is carried from one to another: machines, a lamp, the lift.
        </p>
      )}
      <ul>
        {tools.map((tool) => {
          const put = (more: Partial<typeof tool>) =>
            change(tools.map((each) => (each.id === tool.id ? { ...each, ...more } : each)));
          return (
            <li key={tool.id} className="border-b py-2">
              <div className="flex items-center justify-between gap-2">
                <strong className="truncate">{tool.name}</strong>
                <Button look="quiet" onClick={() => change(tools.filter(({ id }) => id !== tool.id))}>
                  Remove
                </Button>
              </div>
              <NumberField
                label={`${tool.name}, how many`}
                value={tool.count}
                check={countFault}
                onChange={(count) => count !== undefined && put({ count })}
              />
              <div className="flex flex-wrap gap-x-3">
                {TOOLED.map((kind) => (
                  <label key={kind} className="flex min-h-9 items-center gap-1.5 text-[14px]">
                    <input
                      type="checkbox"
                      checked={tool.kinds.includes(kind)}
                      onChange={({ target }) =>
                        put({
                          kinds: target.checked ? [...tool.kinds, kind] : tool.kinds.filter((each) => each !== kind),
                        })
                      }
                    />
                    {TOOLED_WORDS[kind]}
                  </label>
                ))}
              </div>
            </li>
          );
        })}
      </ul>
      <AddNamed
        label="Tool"
        onAdd={(name) => change([...tools, { id: nanoid(), name, count: 1, kinds: ['correct'] }])}
      />
    </section>
  );
}
