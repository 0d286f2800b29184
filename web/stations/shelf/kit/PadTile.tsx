import { Droplets, RotateCcw, Wind } from 'lucide-react';
import { type PadSheet, padState, type PadState, type PadThing } from '#core/prepare/kit';
import { instantAfter } from '#formats/values';
import { Button } from '../../../ui/Button';
import { clock } from '../../../ui/moments';
import { MIN_PER_H } from './MachineTile';
import type { PadEntry } from './entries';

const STATE_LOOKS: Readonly<Record<PadState, { name: string; edge: string }>> = {
  ready: { name: 'Ready', edge: 'border-l-ok' },
  dirty: { name: 'Dirty', edge: 'border-l-stop' },
  drying: { name: 'Drying', edge: 'border-l-warn' },
};

/** What one tap makes of a pad. */
const NEXT: Readonly<Record<PadState, { to: PadState; does: string; Icon: typeof Wind }>> = {
  ready: { to: 'dirty', does: 'Used', Icon: RotateCcw },
  dirty: { to: 'drying', does: 'Washed', Icon: Droplets },
  drying: { to: 'ready', does: 'Dry', Icon: Wind },
};

interface PadTileProps {
  readonly pad: PadEntry;
  readonly sheet: PadSheet | undefined;
  readonly nowMs: number;
  readonly onState: (state: PadState) => void;
  readonly onOpen: () => void;
}

export function PadTile({ pad, sheet, nowMs, onState, onOpen }: PadTileProps) {
  if (!sheet) return null;
  const thing: PadThing = { ...pad, sinceMs: Date.parse(pad.since) };
  const state = padState(thing, sheet, nowMs);
  const { name, edge } = STATE_LOOKS[state];
  const { to, does, Icon } = NEXT[state];
  return (
    <li className={`flex flex-col border border-l-6 bg-sheet p-2.5 ${edge}`} aria-label={`Pad ${pad.id}`}>
      <button type="button" className="text-left" onClick={onOpen}>
        <span className="figure text-xl">{pad.id}</span> <span className="text-[13.5px] text-ink-2">{sheet.name}</span>
      </button>
      <span className="mb-1.5 text-[14px]">
        {name}
        {state === 'drying' && (
          <span className="text-ink-2"> until {clock(instantAfter(pad.since, MIN_PER_H * sheet.driesH))}</span>
        )}
      </span>
      <Button onClick={() => onState(to)} aria-label={`${does}: pad ${pad.id}`} className="min-h-11">
        <Icon size={16} /> {does}
      </Button>
    </li>
  );
}
