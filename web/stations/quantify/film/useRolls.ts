import { useMemo, useState } from 'react';
import { cutPlanOf } from '#core/film/cut-plan';
import { type Nested, pieceKey, type Placement, putDown } from '#core/film/nest';
import type { StockRow } from '#formats/stock';
import { keepRolls } from '#job/edit';
import {
  type FilmNest,
  type FilmOnRoll,
  type FilmRolls,
  filmRolls,
  type FilmWork,
  filmWork,
  firstNest,
  movedToRoll,
  nestCaseOf,
  nestsOf,
  stockFirst,
} from '#job/film';
import type { JobView } from '../../../job/useJobView';
import { useNest } from './useNest';

/** The rolls one film is cut from, and all that can be done with them. */
export function useRolls(job: Pick<JobView, 'document' | 'edit' | 'stock'>, work: FilmWork) {
  const { product, blanks } = work;
  const { document, stock } = job;
  const things: readonly StockRow[] = stock?.kinds.find(({ of }) => of === product.id)?.things ?? NONE;
  const { rollOf, cut } = useMemo(
    () => ({
      rollOf: (id: string) => things.find((thing) => thing.id === id),
      cut: new Set(stock?.cut.map(({ thing }) => thing)),
    }),
    [things, stock],
  );
  const film = useMemo((): FilmRolls => {
    const kept = nestsOf(document, product.id);
    return filmRolls(work, kept.length > 0 ? kept : [firstNest(work)], rollOf, cut);
  }, [work, document, product.id, rollOf, cut]);
  const { rolls } = film;
  const [chosen, setChosen] = useState(0);
  const [refused, setRefused] = useState<string>();
  const [tries, setTries] = useState(0);
  const [nesting, setNesting] = useState<Nesting>(AT_REST);

  const keep = (nests: readonly FilmNest[]) => {
    setRefused(undefined);
    job.edit(keepRolls(document, product.id, nests));
  };
  const nests = rolls.map(({ nest, placements }): FilmNest => ({ ...nest, placements: [...placements] }));
  const change = (roll: number, changes: Partial<FilmNest>) =>
    keep(nests.map((nest, index) => (index === roll ? { ...nest, ...changes } : nest)));
  const nameOf = (id: string) => blanks.find((each) => each.id === id)?.name ?? id;

  const { state, start, stop, drop } = useNest((best: readonly (Nested | undefined)[]) => {
    const done = nesting.nests
      .map((nest, index) => {
        const found = best[nesting.targets.indexOf(index)];
        return found ? { ...nest, placements: [...found.placements] } : nest;
      })
      // A roll that nothing is put on is not needed.
      .filter(({ placements }, _, all) => placements.length > 0 || all.length === 1);
    if (done.length > 0) keep(done);
  });
  /** Every roll that is not cut, in order, what does not go on one passed on to the next. */
  const nestOver = (over: readonly FilmNest[], seconds: number) => {
    setRefused(undefined);
    const widthMm = Math.max(...over.map((nest) => nest.widthMm));
    const own = filmWork(document, () => widthMm).find((each) => each.product.id === product.id)!;
    const asked = filmRolls(own, over, rollOf, cut).rolls;
    const targets = asked.flatMap(({ isCut }, index) => (isCut ? [] : [index]));
    const lyingCut = new Set(asked.flatMap(({ isCut, placements }) => (isCut ? placements.map(pieceKey) : [])));
    setNesting({ work: own, nests: over, targets });
    const cases = targets.map((index) => ({ ...asked[index]!.onRoll, elsewhere: lyingCut }));
    start({ cases, seconds, passOn: true });
  };
  const working = state.working ? nesting.nests[nesting.targets[state.case]!] : undefined;
  const best = state.best[state.case];
  const atWork = useMemo((): FilmOnRoll | undefined => {
    if (!working || !nesting.work) return undefined;
    const placements = best?.placements ?? [];
    const areas = new Map(nesting.work.blanks.map(({ id, areaM2 }) => [id, areaM2]));
    return {
      nest: working,
      placements,
      onRoll: nestCaseOf(nesting.work, working, working.thing === undefined ? undefined : rollOf(working.thing)),
      plan: cutPlanOf(nesting.work.blanks, placements, working.widthMm),
      areaM2: placements.reduce((sum, { id }) => sum + areas.get(id)!, 0),
      isCut: false,
      notClear: [],
      panels: [],
    };
  }, [working, best, nesting, rollOf]);
  const shown = Math.min(chosen, rolls.length - 1);
  return {
    film,
    things,
    shown,
    /** While nesting: the best that was found for the roll at work, which it is, and that roll as it stands. */
    working: working && { best, nth: state.case + 1, of: nesting.targets.length },
    atWork,
    state,
    refused,
    stop,
    show: setChosen,
    nestAnew: (seconds: number) => nestOver(nests, seconds),
    fromStock: (seconds: number) => nestOver(stockFirst(work, film, things), seconds),
    /** The roll that is shown alone, another way each time. */
    goOn(seconds: number) {
      setTries(tries + 1);
      const { onRoll, placements } = rolls[shown]!;
      setNesting({ work, nests, targets: [shown] });
      start({ cases: [{ ...onRoll, seed: tries + 2, from: placements }], seconds });
    },
    add() {
      keep([...nests, { ...firstNest(work), cutter: nests[0]!.cutter }]);
      setChosen(nests.length);
    },
    takeOut() {
      keep(nests.filter((_, index) => index !== shown));
      setChosen(0);
    },
    /** Another roll or cutter: what lies there lies there no more, and what is being nested is for nothing. */
    anew(changes: Partial<FilmNest>) {
      drop();
      change(shown, { ...changes, placements: [], pinned: [] });
    },
    move(moved: Placement) {
      const { onRoll, placements, nest } = rolls[shown]!;
      const put = putDown(onRoll, placements, moved);
      if (!put) return setRefused(`Nothing is free near there for ${nameOf(moved.id)}; it lies where it lay.`);
      change(shown, {
        placements: placements.map((each) => (pieceKey(each) === pieceKey(put) ? put : each)),
        pinned: [...new Set([...(nest.pinned ?? []), pieceKey(put)])],
      });
    },
    togglePin(key: string) {
      const pinned = rolls[shown]!.nest.pinned ?? [];
      change(shown, { pinned: pinned.includes(key) ? pinned.filter((each) => each !== key) : [...pinned, key] });
    },
    /** One piece to another roll. */
    toRoll(key: string, to: number) {
      const moved = movedToRoll(film, key, to);
      if (moved) keep(moved);
      else setRefused(`There is no room for ${nameOf(key.slice(0, key.lastIndexOf('/')))} on roll ${to + 1}.`);
    },
    nameOf,
  };
}
const NONE: readonly StockRow[] = [];

/** A film's rolls as they will be kept, and which of them are being nested, in that order. */
interface Nesting {
  /** Its blanks, for the widest of these rolls. */
  readonly work?: FilmWork;
  readonly nests: readonly FilmNest[];
  readonly targets: readonly number[];
}
const AT_REST: Nesting = { nests: [], targets: [] };

export type Rolls = ReturnType<typeof useRolls>;
