import type { ContactAngle } from '#core/survey/water';
import type { ReadingSource } from '#core/survey/paint';
import type { LayingFault } from '#core/lay/faults';
import type { Patch } from './patch';

/** What is measured to prove the work: coats in all, µm; gloss at 60°, gloss units. */
export const PROOF_KINDS = ['thickness', 'gloss'] as const;
export type ProofKind = (typeof PROOF_KINDS)[number];

/** A place on a panel: shares of the width and height of its box on the net, 0 to 1. */
export type NetPoint = [x: number, y: number];

/** The lights a finished item is looked at in, in their order: overhead lights off first. */
export const CHECK_LIGHTS = ['hand-light', 'overhead', 'daylight'] as const;
export type CheckLight = (typeof CHECK_LIGHTS)[number];

/** What is done about a fault. `accepted`: it stays, agreed with the owner. */
export const REMEDIES = ['re-wet', 'wiped', 'polished', 'laid-again', 'pressed', 'accepted'] as const;
export type Remedy = (typeof REMEDIES)[number];

/** What is logged while the finished work is looked at. */
export type CheckEntry =
  /** `place` names what was looked at: by its key on the hot list. */
  | { readonly type: 'looked'; readonly place: string; readonly light: CheckLight }
  /** `fault` is the entry that noted it. */
  | { readonly type: 'remedied'; readonly fault: string; readonly how: Remedy }
  /** How high a drop stands on a panel: on one of nothing laid it says what bare is. */
  | {
      readonly type: 'proof';
      readonly surface: string;
      readonly what: ProofKind;
      readonly value: number;
      readonly source?: ReadingSource | undefined;
    }
  | ({ readonly type: 'bead'; readonly surface: string } & ContactAngle);

export interface FaultEntry {
  readonly type: 'fault';
  readonly patch: Patch;
  readonly fault: LayingFault;
  readonly note?: string | undefined;
  /** Where on the panel; absent: on the patch as a whole. */
  readonly at?: NetPoint | undefined;
}

/** A fault with what became of it. Minutes on the scale of the job. */
export interface FoundFault {
  readonly entry: string;
  readonly patch: Patch;
  readonly fault: LayingFault;
  readonly at?: NetPoint | undefined;
  readonly note?: string | undefined;
  readonly atMin: number;
  /** The last thing done about it. */
  readonly remedy?: { readonly how: Remedy; readonly atMin: number };
}

/** A drop as it was read. Minutes on the scale of the job. */
export interface BeadReading extends ContactAngle {
  readonly surface: string;
  readonly atMin: number;
}

/** A reading taken to prove the work. Minutes on the scale of the job. */
export interface ProofReading {
  readonly surface: string;
  readonly what: ProofKind;
  readonly value: number;
  readonly source?: ReadingSource | undefined;
  readonly atMin: number;
}

/** What checking has come to. */
export interface Checked {
  /** When a place was last looked at, by place and then by light. */
  readonly looks: ReadonlyMap<string, ReadonlyMap<CheckLight, number>>;
  /** By the entry that noted it, in the order they were found. */
  readonly faults: ReadonlyMap<string, FoundFault>;
  /** In the order they were read. */
  readonly beads: readonly BeadReading[];
  readonly proofs: readonly ProofReading[];
}

/** The same while it is read from the log. */
export interface Checking extends Checked {
  readonly looks: Map<string, Map<CheckLight, number>>;
  readonly faults: Map<string, FoundFault>;
  readonly beads: BeadReading[];
  readonly proofs: ProofReading[];
}

/** Why an entry does not fit what was found so far; undefined where it does. */
export function checkFault({ faults }: Checked, entry: CheckEntry): string | undefined {
  return entry.type === 'remedied' && !faults.has(entry.fault) ? 'there is no such fault' : undefined;
}

/** Takes in what was looked at, found or mended. */
export function takeCheck(
  { looks, faults, beads, proofs }: Checking,
  entry: CheckEntry | FaultEntry,
  { id, atMin }: { readonly id: string; readonly atMin: number },
): void {
  switch (entry.type) {
    case 'looked': {
      const byLight = looks.get(entry.place) ?? new Map<CheckLight, number>();
      byLight.set(entry.light, atMin);
      looks.set(entry.place, byLight);
      break;
    }
    case 'remedied':
      faults.set(entry.fault, { ...faults.get(entry.fault)!, remedy: { how: entry.how, atMin } });
      break;
    case 'proof': {
      const { surface, what, value, source } = entry;
      proofs.push({ surface, what, value, source, atMin });
      break;
    }
    case 'bead': {
      const { surface, deg, sigmaDeg } = entry;
      beads.push({ surface, deg, sigmaDeg, atMin });
      break;
    }
    case 'fault': {
      const { patch, fault, at, note } = entry;
      faults.set(id, { entry: id, patch, fault, at, note, atMin });
    }
  }
}
