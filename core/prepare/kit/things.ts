import { MS_PER_DAY, MS_PER_HOUR } from '#core/measures';
import type { MachineSheet, PadSheet } from './sheets';

export const PAD_STATES = ['ready', 'dirty', 'drying'] as const;
export type PadState = (typeof PAD_STATES)[number];

/** One pad as a thing: it belongs to one liquid from its first use on. Moments in epoch ms. */
export interface PadThing {
  readonly id: string;
  readonly kind: 'pad-in-use';
  readonly sheet: string;
  /** The liquid it is marked with; a new one has none. */
  readonly liquid?: string | undefined;
  readonly state: PadState;
  readonly sinceMs: number;
}

/** One machine as a thing. */
export interface MachineThing {
  readonly id: string;
  readonly kind: 'machine-in-use';
  readonly sheet: string;
  readonly chargePct?: number | undefined;
  readonly servicedMs?: number | undefined;
}

export type KitThing = PadThing | MachineThing;

/** What a pad's state is now: one that dries becomes ready by itself. */
export function padState({ state, sinceMs }: PadThing, { driesH }: PadSheet, nowMs: number): PadState {
  return state === 'drying' && nowMs >= sinceMs + driesH * MS_PER_HOUR ? 'ready' : state;
}

/** Why a pad may not be used with a liquid now; undefined where it may. */
export function padFault(pad: PadThing, sheet: PadSheet, liquid: string, nowMs: number): string | undefined {
  if (pad.liquid !== undefined && pad.liquid !== liquid)
    return 'it belongs to another liquid: residues mix and scratch';
  const state = padState(pad, sheet, nowMs);
  if (state === 'dirty') return 'it is dirty: wash it first';
  return state === 'drying' ? 'it is still wet: water thins the liquid and throws it about' : undefined;
}

/** What a machine tells before it is taken up. */
export interface MachineState {
  /** Work left in its battery, minutes; absent where it has none or nobody has said. */
  readonly leftMin?: number;
  /** Days since its service was due; absent where it is not. */
  readonly overdueDays?: number;
}

export function machineState(
  { chargePct, servicedMs }: MachineThing,
  { drive, runMin, serviceEveryDays }: MachineSheet,
  nowMs: number,
): MachineState {
  const tells = drive === 'battery' && chargePct !== undefined && runMin !== undefined;
  const dueMs =
    servicedMs !== undefined && serviceEveryDays !== undefined ? servicedMs + serviceEveryDays * MS_PER_DAY : Infinity;
  return {
    ...(tells && { leftMin: (runMin * chargePct) / 100 }),
    ...(nowMs >= dueMs && { overdueDays: Math.floor((nowMs - dueMs) / MS_PER_DAY) }),
  };
}
