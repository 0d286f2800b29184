import { Hand as HandIcon } from 'lucide-react';
import { useState } from 'react';
import { HAND_ROLES } from '#core/work/run';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { ROLE_WORDS, useHand } from './hand';

/** What the hands at this screen do: chosen once, kept on the device. */
export function HandMenu() {
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
      <Dialog open={open} onClose={() => setOpen(false)} title="What is done at this screen" wide>
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
      </Dialog>
    </>
  );
}
