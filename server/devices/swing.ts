import { createHash } from 'node:crypto';

/** −1 to 1, the same for the same words: what a stand-in scatters by. */
export function swing(words: string): number {
  return createHash('sha256').update(words).digest().readUInt32BE(0) / 0x7fffffff - 1;
}
