import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

/** argon2id at the cost OWASP's password storage sheet asks for at least: 19 MiB, two passes, one lane. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Guessed within a hundred million tries, on zxcvbn's scale of 0 to 4. */
const WEAK = 2;

/** What a password or PIN is kept as. */
export const hashed = (secret: string): Promise<string> => hash(secret, COST);

/** Compared with where there is nothing to compare with: that takes as long, so that nobody learns who has an account. */
let nobodys: Promise<string> | undefined;

/** Whether a secret is the one that was kept; it takes as long where none was. */
export async function isSecret(secret: string, kept: string | null | undefined): Promise<boolean> {
  nobodys ??= hashed(randomBytes(16).toString('hex'));
  const fits = await verify(kept ?? (await nobodys), secret);
  return fits && kept !== null && kept !== undefined;
}

/** Whether a password is among those that are tried first, or made of the names it is used with. */
export async function isGuessed(password: string, names: readonly string[]): Promise<boolean> {
  // Tens of thousands of words: fetched when somebody sets a password, not at every start.
  const [{ ZxcvbnFactory }, { adjacencyGraphs: graphs, dictionary }] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
  ]);
  return new ZxcvbnFactory({ dictionary, graphs }).check(password, ['glaphyra', ...names]).score < WEAK;
}

/** A name nobody guesses, as it may stand in an address. */
export const token = (): string => randomBytes(24).toString('base64url');

/** What a token is kept as: whoever reads the file is not in. */
export const digest = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** Read aloud and typed without mistakes: no letter that looks like a digit. */
const CODE_LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const CODE_LENGTH = 10;

/** A code to type where it cannot be scanned. */
export const code = (): string =>
  [...randomBytes(CODE_LENGTH)].map((byte) => CODE_LETTERS[byte % CODE_LETTERS.length]!).join('');
