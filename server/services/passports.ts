import {
  createHash,
  createPrivateKey,
  createPublicKey,
  generateKeyPairSync,
  type KeyObject,
  randomUUID,
  sign,
} from 'node:crypto';
import type { Job, JobRecord } from '#formats/job';
import { FIRST_CREW, jobSchema } from '#formats/job';
import {
  type Handover,
  type NewHandover,
  type Passport,
  PASSPORT_FORMAT,
  type PassportFile,
  type PassportRead,
  signedText,
} from '#formats/passport';
import { fingerprintOf, isSignedBy } from '#formats/signature';
import { passportOf } from '#job/passport';
import { isHistory } from '#job/return';
import type { Db } from '../db/open';
import { conflict } from '../http/problem';
import { handoverRepository } from '../repositories/handovers';
import { jobRepository } from '../repositories/jobs';
import { runLogRepository } from '../repositories/run-log';
import { shopSettingsRepository } from '../repositories/shop-settings';
import type { AccountService } from './accounts';
import type { ChangeFeed } from './changes';
import type { JobService } from './jobs';
import { sameName } from './same-name';
import type { WorkingService } from './workings';

const KEY = 'passport-key';
const SHOP = 'shop-name';
const NAMELESS = 'An unnamed workshop';

/** A passport, and the job's version and the entry of its log it was made of. */
export interface PreparedPassport {
  readonly version: number;
  readonly lastSeq: number;
  readonly file: PassportFile;
}

/** A passport that was read, and the job it becomes here. */
export interface TakenPassport {
  readonly itemId: string;
  readonly document: Job;
  readonly file: PassportFile;
}

/** Passports: made from the record, signed by the shop’s key, read and taken in from others. */
export function passportService(
  db: Db,
  changes: ChangeFeed,
  {
    jobs,
    accounts,
    workings,
  }: {
    readonly jobs: JobService;
    readonly accounts: Pick<AccountService, 'names'>;
    readonly workings: Pick<WorkingService, 'outdoorsOf'>;
  },
  now: () => Date,
) {
  const settings = shopSettingsRepository(db);
  const handovers = handoverRepository(db);
  const kept = jobRepository(db);
  const log = runLogRepository(db);

  /** Made once, and kept with the workshop: a passport is the shop’s for as long as its data are. */
  const key = (): KeyObject => {
    const known = settings.get(KEY);
    if (typeof known === 'string') return createPrivateKey(known);
    const { privateKey } = generateKeyPairSync('ed25519');
    settings.put(KEY, privateKey.export({ type: 'pkcs8', format: 'pem' }));
    return privateKey;
  };
  const publicText = (own: KeyObject): string =>
    createPublicKey(own).export({ type: 'spki', format: 'der' }).toString('base64url');
  const shop = (): string => {
    const name = settings.get(SHOP);
    return typeof name === 'string' ? name : NAMELESS;
  };
  const signed = (passport: Passport): PassportFile => {
    const own = key();
    // As it is written and read again: what is not said is not signed.
    const plain = JSON.parse(JSON.stringify(passport)) as Passport;
    const value = sign(null, Buffer.from(signedText(plain)), own).toString('base64url');
    return {
      format: PASSPORT_FORMAT,
      passport: plain,
      signature: { algorithm: 'Ed25519', key: publicText(own), value },
    };
  };
  /** The item as this job leaves it, with every visit it has had until then. */
  const passportAt = ({ id, document }: JobRecord): Passport => {
    const names = new Map(accounts.names().map((person) => [person.id, person.name]));
    const itemId = document.item?.id;
    const earlier = itemId === undefined ? [] : kept.ofItem(itemId);
    const visits = [...earlier.filter((each) => each.id !== id), { id, document }]
      .filter((visit) => visit.id === id || Date.parse(visit.document.startAt) < Date.parse(document.startAt))
      .sort((a, b) => Date.parse(a.document.startAt) - Date.parse(b.document.startAt) || Number(a.id === id));
    const before = itemId === undefined ? undefined : handovers.takenFor(itemId)?.passport.visits;
    return passportOf({
      visits: visits
        .map((visit) => ({ id: visit.id, document: visit.document, log: log.of(visit.id) }))
        .filter((visit) => visit.id === id || isHistory(visit)),
      issuedAt: now().toISOString(),
      shop: shop(),
      nameOf: (by) => names.get(by) ?? by,
      outdoors: workings.outdoorsOf(jobs.get(id)),
      ...(before && { before }),
    });
  };
  /** Told by the keys of passports that were taken in before, and the names they gave. */
  const signerOf = ({ passport, signature }: PassportFile): Pick<PassportRead, 'signer' | 'knownAs'> => {
    if (signature.key === publicText(key())) return { signer: 'ours' };
    const name = sameName(passport.shop);
    const known = [...handovers.signers(), { shop: shop(), key: undefined }];
    const named = known.filter((other) => sameName(other.shop) === name);
    const ownNames = known.filter((other) => other.key === signature.key);
    const isOthers = name !== sameName(NAMELESS) && named.length > 0;
    if (isOthers && !named.some((other) => ownNames.includes(other))) return { signer: 'impostor' };
    const [first] = ownNames;
    return first ? { signer: 'met', knownAs: first.shop } : { signer: 'unknown' };
  };
  return {
    shop: () => ({ name: shop(), fingerprint: fingerprintOf(publicText(key())) }),
    /** Makes the key where there is none yet: whoever only reads finds it. */
    ensureKey: (): void => void key(),
    nameShop: (name: string): void => settings.put(SHOP, name),
    /** Signed as it stands now. @throws ProblemError (404) for an unknown job */
    of: (jobId: string): PassportFile => signed(passportAt(jobs.get(jobId))),
    handovers(jobId: string): Handover[] {
      jobs.get(jobId);
      return handovers.of(jobId);
    },
    /** Signed with the shop's key. */
    signed,
    /** What is signed at a hand-over, as it stands. @throws ProblemError (404) for an unknown job */
    prepared(jobId: string): PreparedPassport {
      const { version } = jobs.get(jobId);
      return { version, lastSeq: log.lastSeq(jobId), file: signed(passportAt(jobs.get(jobId))) };
    },
    /**
     * Keeps what is signed; sent twice it is kept once.
     * @throws ProblemError (409) where the job has moved on since its passport was made
     */
    handOver(
      jobId: string,
      { id, ...said }: NewHandover,
      { version, lastSeq, file }: PreparedPassport,
      by: string | undefined,
    ): Handover {
      const job = jobs.get(jobId);
      const known = handovers.get(id);
      if (known && known.jobId !== jobId) throw conflict(`There is another hand-over "${id}" already.`);
      if (!known) {
        if (job.version !== version || log.lastSeq(jobId) !== lastSeq)
          throw conflict('The job changed while it was being signed. Look at the passport once more, then sign again.');
        handovers.add(jobId, {
          id,
          ...said,
          at: now().toISOString(),
          by: by ?? null,
          passport: file,
        });
        changes.tell({ kind: 'handovers', id: jobId });
      }
      return handovers.of(jobId).find((each) => each.id === id)!;
    },
    /** Whether a passport is as the shop that signed it made it. */
    read(file: PassportFile, text: unknown): PassportRead {
      const { passport, signature } = file;
      return {
        passport,
        holds: isSignedBy(text, signature),
        ...signerOf(file),
        fingerprint: fingerprintOf(signature.key),
      };
    },
    /**
     * A passport as it is taken in: a job that begins with it as its past. Nothing is written.
     * @throws ProblemError (409) where a byte of it was changed, or a known name was signed by another key
     */
    taken(file: PassportFile, text: unknown): TakenPassport {
      if (!isSignedBy(text, file.signature))
        throw conflict('This passport was changed since it was signed: nothing of it is believed.');
      const { passport } = file;
      if (signerOf(file).signer === 'impostor')
        throw conflict(
          `This passport names ${passport.shop}, but was signed with another key than theirs (${fingerprintOf(file.signature.key)}). Ask them for a new one before you believe it.`,
        );
      // One without a name of its own is known by what was signed: taken in twice, it is the same item.
      const itemId =
        passport.item.id ?? `item-${createHash('sha256').update(signedText(text)).digest('hex').slice(0, 32)}`;
      const document = jobSchema.parse({
        format: 'glaphyra.job/1',
        title: `${passport.item.name}, taken over`,
        startAt: now().toISOString(),
        surfaces: passport.surfaces,
        owner: passport.lives,
        products: [],
        crew: FIRST_CREW,
        ambient: [{ atMin: 0, airC: 20, rhPct: 50 }],
        item: { ...passport.item, id: itemId },
      });
      return { itemId, document, file };
    },
    /**
     * Takes a passport in: the item begins here with it as its past.
     * @throws ProblemError (409) where the item is here already
     */
    take({ itemId, document, file }: TakenPassport): JobRecord {
      if (kept.ofItem(itemId).length > 0)
        throw conflict(`${file.passport.item.name} is here already, with a history of its own.`);
      return db.transaction(() => {
        const job = jobs.add({ id: randomUUID(), document, bayId: null, airSource: 'typed' });
        handovers.take({ itemId, jobId: job.id, at: now().toISOString(), file });
        return job;
      });
    },
  };
}

export type PassportService = ReturnType<typeof passportService>;
