import { nanoid } from '@reduxjs/toolkit';
import { UserPlus } from 'lucide-react';
import { useState } from 'react';
import type { Person } from '#formats/people';
import { usePeopleQuery, useMe } from '../../people/api';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { day } from '../../ui/moments';
import { FirstOwner } from './FirstOwner';
import { PersonForm, ROLE_WORDS } from './PersonForm';
import { WorkshopPage } from './WorkshopPage';

/** Who works here, what each may do, and how each comes in. */
export function Component() {
  const me = useMe();
  const { data, error } = usePeopleQuery();
  const [edited, setEdited] = useState<Person>();
  const here = (data ?? []).filter(({ leftAt }) => leftAt === null);
  const left = (data ?? []).filter(({ leftAt }) => leftAt !== null);
  return (
    <WorkshopPage error={error}>
      {me?.accounts === false && <FirstOwner />}
      {me?.accounts && (
        <>
          <div className="mt-5 flex items-end justify-between gap-4">
            <p className="max-w-prose text-ink-2">
              What anybody lays, ticks or changes stands under their name. A PIN switches people at tablets of the shop;
              a password signs in at a desk.
            </p>
            <Button
              look="main"
              onClick={() =>
                setEdited({
                  id: nanoid(),
                  name: '',
                  role: 'installer',
                  hasPassword: false,
                  hasPin: false,
                  leftAt: null,
                })
              }
            >
              <UserPlus size={17} /> Somebody new
            </Button>
          </div>
          <ul className="mt-3 divide-y border-y border-line-strong bg-sheet">
            {here.map((person) => (
              <li key={person.id} className="flex flex-wrap items-center gap-x-6 gap-y-1 px-4 py-3">
                <span className="min-w-0 flex-1 text-lg font-semibold break-words">{person.name}</span>
                <span className="w-64 text-ink-2">{ROLE_WORDS[person.role]}</span>
                <span className="w-40 text-[14px] text-ink-2">
                  {[person.hasPassword && 'password', person.hasPin && 'PIN'].filter(Boolean).join(', ') || (
                    <strong className="text-stop">✕ cannot come in</strong>
                  )}
                </span>
                <Button onClick={() => setEdited(person)} aria-label={`Change ${person.name}`}>
                  Change
                </Button>
              </li>
            ))}
          </ul>
          {left.length > 0 && (
            <>
              <h2 className="label mt-8">Left; what they did stays theirs</h2>
              <ul className="mt-2 divide-y border-y bg-sheet">
                {left.map((person) => (
                  <li key={person.id} className="flex items-center gap-6 px-4 py-2">
                    <span className="flex-1">{person.name}</span>
                    <span className="text-[14px] text-ink-2">since {day(person.leftAt!)}</span>
                    <Button look="quiet" onClick={() => setEdited(person)} aria-label={`Change ${person.name}`}>
                      Change
                    </Button>
                  </li>
                ))}
              </ul>
            </>
          )}
        </>
      )}
      <Dialog open={edited !== undefined} onClose={() => setEdited(undefined)} title={edited?.name || 'Somebody new'}>
        {edited && <PersonForm person={edited} onDone={() => setEdited(undefined)} />}
      </Dialog>
    </WorkshopPage>
  );
}
