import { CircleUserRound } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { Dialog } from '../ui/Dialog';
import { useSignOutMutation, useMe } from './api';
import { ChangePassword } from './ChangePassword';
import { SwitchPerson } from './SwitchPerson';

/** Who is in: another person in one tap at a tablet of the shop, and the way out. */
export function WhoChip({ glove = false }: { readonly glove?: boolean }) {
  const me = useMe();
  const [asked, setAsked] = useState<'switch' | 'password'>();
  const [signOut] = useSignOutMutation();
  if (!me?.person) return null;
  const { name } = me.person;
  const look = `flex items-center gap-2 rounded text-ink hover:bg-tint-2 ${glove ? 'min-h-16 max-w-56 px-3 text-xl font-semibold' : 'min-h-9 max-w-44 px-2'}`;
  const item = `flex cursor-pointer items-center px-3 outline-none data-[highlighted]:bg-tint-2 ${glove ? 'min-h-14' : 'min-h-9'}`;
  const face = (
    <>
      <CircleUserRound size={glove ? 26 : 18} className="shrink-0 text-ink-2" />
      <span className="truncate max-sm:sr-only">{name}</span>
    </>
  );
  return (
    <>
      {me.tablet ? (
        <button
          type="button"
          className={look}
          aria-label={`${name}; somebody else?`}
          onClick={() => setAsked('switch')}
        >
          {face}
        </button>
      ) : (
        <DropdownMenu.Root>
          <DropdownMenu.Trigger className={look} aria-label={`${name}: account`}>
            {face}
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content
              align="end"
              sideOffset={4}
              className="z-50 min-w-44 border border-line-strong bg-sheet py-1"
            >
              <DropdownMenu.Item className={item} onSelect={() => setAsked('password')}>
                Another password
              </DropdownMenu.Item>
              <DropdownMenu.Item className={item} onSelect={() => void signOut()}>
                Sign out
              </DropdownMenu.Item>
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      )}
      <Dialog open={asked === 'switch'} onClose={() => setAsked(undefined)} title="Who is at it?" wide>
        <SwitchPerson onDone={() => setAsked(undefined)} />
        <button
          type="button"
          className="mt-6 min-h-14 text-ink-2 underline"
          onClick={() => {
            setAsked(undefined);
            void signOut();
          }}
        >
          Nobody: lock this tablet
        </button>
      </Dialog>
      <Dialog open={asked === 'password'} onClose={() => setAsked(undefined)} title="Another password">
        <ChangePassword onDone={() => setAsked(undefined)} />
      </Dialog>
    </>
  );
}
