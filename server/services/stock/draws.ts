import { cutKey, filmAreaM2, filmLengthMm, isCut, type LoggedStock, undoneIn } from '#core/stock';
import { type Patch, patchKey, type PatchRecord, type RunRecord } from '#core/lay/run';
import { applicatorCount } from '#core/products/quantity';
import type { Job } from '#formats/job';
import type { Db } from '../../db/open';
import { conflict } from '../../http/problem';
import type { StockAppend } from '../../repositories/stock';
import { localInstant } from '../moments';
import type { StockReading } from './book';

/** What jobs draw from the stock: what is laid, and film that is cut. */
export function stockDraws(db: Db, { current, usage, readTo, store }: StockReading, tell: () => void, now: () => Date) {
  return {
    /**
     * What was laid draws from what is in hand at the job, and what is undone is given back. Called with the run's record
     * as it stands after an entry, inside that entry's transaction.
     * @param laid the patch that was just laid, if one was
     * @returns whether anything moved
     */
    follow(
      jobId: string,
      document: Job,
      record: RunRecord,
      laid: Patch | undefined,
      { at, by }: { readonly at: string; readonly by?: string | undefined },
    ): boolean {
      const drawn = drawsOf(jobId);
      const news: StockAppend[] = [];
      for (const { logged, patch } of drawn) {
        // What was cut off its roll stays cut, whatever is laid of it.
        if (isCut({ patch })) continue;
        const stands = patch !== undefined && isLaid(record.patches.get(patch));
        if (!stands)
          news.push({
            id: `undo-${logged.id}`,
            at,
            entry: { type: 'undo', thing: logged.entry.thing, entry: logged.id },
          });
      }
      const done = laid && record.patches.get(patchKey(laid));
      if (laid && isLaid(done) && !drawn.some(({ patch }) => patch === patchKey(laid))) {
        const bottle = current()
          .ofJob(jobId)
          .map(([first]) => current().thing(first!.entry.thing))
          .find((thing) => thing?.inHand === jobId && thing.of === done!.start.product && thing.rollMm === undefined);
        const factor = usage(done!.start.product)?.usageFactor;
        const entry = bottle && drawOf({ job: jobId, document, record, factor }, done!, bottle.id);
        if (entry && entry.amount > 0) news.push({ id: `draw-${jobId}-${patchKey(laid)}-${readTo()}`, at, entry });
      }
      // Nobody has an account: where one person lays alone, it is they whose hand is learned.
      const [alone, ...others] = document.crew.people ?? [];
      store(news, by ?? (others.length === 0 ? alone?.id : undefined));
      return news.length > 0;
    },
    /** Rolls that film was cut off for a job, by product. */
    cutFor,
    /**
     * Film cut off a roll for a job: drawn whole, its waste shared among the panels by what they take, and what is worth
     * keeping of it taken in as offcuts, which cost no more.
     * @throws ProblemError (409) where it is cut already, or the roll holds less
     */
    cut({ job, thing: id, of, lengthMm, panels, offcuts }: FilmCut, by?: string): void {
      db.transaction(
        () => {
          const roll = current().thing(id);
          if (!roll || roll.gone) throw conflict('That roll is not in stock any more: choose another.');
          const rollMm = roll.rollMm ?? 0;
          if (rollMm <= 0) throw conflict('Nobody has said how wide that roll is: take it in with its width.');
          if (cutFor(job).some(({ thing }) => thing === id))
            throw conflict('This roll is cut for the job already. Undo that under Stock if it was not.');
          const amount = filmAreaM2(lengthMm, rollMm);
          if (amount > roll.remaining + 1e-9)
            throw conflict(`The roll holds ${(filmLengthMm(roll.remaining, rollMm) / 1000).toFixed(2)} m only.`);
          const at = localInstant(now().getTime());
          const whole = panels.reduce((sum, { areaM2 }) => sum + areaM2, 0);
          const name = (key: string) => `cut-${job}-${of}-${readTo()}-${key}`;
          store(
            panels.map(({ surface, areaM2 }) => ({
              id: name(surface),
              at,
              entry: {
                type: 'used',
                thing: id,
                job,
                surface,
                amount: amount * (areaM2 / whole),
                factor: 1,
                patch: cutKey(of),
              },
            })),
            by,
          );
          store(
            offcuts.map(({ widthMm, lengthMm: longMm }, index) => ({
              id: name(`offcut-${index + 1}`),
              at,
              entry: {
                type: 'bought',
                thing: `offcut-${readTo()}-${index + 1}`,
                as: {
                  kind: 'product',
                  of,
                  size: filmAreaM2(longMm, widthMm),
                  unit: 'm2',
                  paid: 0,
                  place: 'Offcuts',
                  rollMm: widthMm,
                  offcutOf: id,
                  ...(roll.batch !== undefined && { batch: roll.batch }),
                },
              },
            })),
            by,
          );
        },
        { behavior: 'immediate' },
      );
      tell();
    },
  };

  function cutFor(jobId: string): { readonly of: string; readonly thing: string }[] {
    const things = drawsOf(jobId).flatMap(({ logged, patch }) => (isCut({ patch }) ? [logged.entry.thing] : []));
    return [...new Set(things)].map((thing) => ({ of: current().thing(thing)!.of, thing }));
  }

  /** Draws of a job that stand. */
  function drawsOf(jobId: string): { readonly logged: LoggedStock; readonly patch: string | undefined }[] {
    return current()
      .ofJob(jobId)
      .flatMap((entries) => {
        const undone = undoneIn(entries);
        return entries.flatMap((logged) =>
          logged.entry.type === 'used' && logged.entry.job === jobId && !undone.has(logged.id)
            ? [{ logged, patch: logged.entry.patch }]
            : [],
        );
      });
  }
}

/** What is cut off a roll for a job. */
interface FilmCut {
  readonly job: string;
  readonly thing: string;
  readonly of: string;
  readonly lengthMm: number;
  readonly panels: readonly { readonly surface: string; readonly areaM2: number }[];
  readonly offcuts: readonly { readonly widthMm: number; readonly lengthMm: number }[];
}

/** Product is on the surface: the laying has ended, or somebody levels behind it. */
const isLaid = (patch: PatchRecord | undefined): boolean =>
  patch !== undefined && (patch.layEndMin !== undefined || patch.levelStartMin !== undefined);

/** What a patch took out of its bottle: as it was to take, and what wetted the applicators it came to. */
function drawOf(
  { job, document, record, factor }: { job: string; document: Job; record: RunRecord; factor: number | undefined },
  { patch, start }: PatchRecord,
  thing: string,
) {
  const product = document.products.find(({ id }) => id === start.product);
  const before = [...record.patches.values()]
    .filter(
      (other) => other.start.product === start.product && patchKey(other.patch) !== patchKey(patch) && isLaid(other),
    )
    .reduce((sum, other) => sum + other.start.areaM2, 0);
  const applicatorM2 = product?.applicatorM2 ?? null;
  const applicators = applicatorCount(before + start.areaM2, applicatorM2) - applicatorCount(before, applicatorM2);
  const method = document.surfaces.find(({ id }) => id === patch.surface)?.layers[patch.layer]?.method;
  return {
    type: 'used',
    thing,
    job,
    surface: patch.surface,
    amount: start.amount + applicators * (product?.prime ?? 0),
    factor: factor ?? product?.usageFactor ?? 1,
    ...(method !== undefined && { method }),
    patch: patchKey(patch),
  } as const;
}
