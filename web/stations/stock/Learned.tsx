import { useMemo } from 'react';
import { METHODS } from '#core/products/methods';
import { usageLearned, usageOf } from '#core/stock';
import type { UsageLessonRow } from '#formats/stock';
import { errorText, useUsageLessonsQuery } from '../../app/api';
import { useNoteStock } from '../../app/calls';
import { Button } from '../../ui/Button';
import { moment } from '../../ui/moments';
import { percent } from '../../ui/numbers';
import { StockPage } from './StockPage';
import { amountIn } from '../../material/stock-words';
import { useNameOf } from '../../people/api';

/** What the scale has taught of what is really used, as it grows; taken back at will. */
export function Component() {
  const { data: lessons, error } = useUsageLessonsQuery();
  const products = useMemo(() => [...new Set((lessons ?? []).map(({ of }) => of))], [lessons]);
  return (
    <StockPage error={error}>
      <p className="mt-4 max-w-prose text-ink-2">
        Weighed before and after, a bottle tells how much more or less than predicted was really laid. Each weighing
        counts by its spread of 10 %, against 15 % before any; plans take it over at once.
      </p>
      {lessons?.length === 0 && (
        <p className="mt-5 border border-line-strong bg-sheet p-6 text-ink-2">
          Nothing yet. Weigh a bottle full, lay from it, weigh it again.
        </p>
      )}
      {products.map((of) => (
        <Product key={of} lessons={lessons!.filter((lesson) => lesson.of === of)} />
      ))}
    </StockPage>
  );
}

const said = (factor: number) =>
  Math.abs(factor - 1) < 0.005
    ? 'as predicted'
    : `${percent(Math.abs(factor - 1))} ${factor > 1 ? 'more' : 'less'} than predicted`;

function Product({ lessons }: { readonly lessons: readonly UsageLessonRow[] }) {
  const nameOf = useNameOf();
  const [note, { error }] = useNoteStock();
  const own = lessons.map(({ at, ...lesson }) => ({ ...lesson, atMs: Date.parse(at) }));
  const { usageFactor, usageSigma } = usageOf(own);
  const groups = (['method', 'by'] as const).flatMap((key) => {
    const names = [...new Set(own.flatMap((lesson) => lesson[key] ?? []))];
    return names.map((name) => ({
      name: key === 'method' ? METHODS[name as keyof typeof METHODS].name : nameOf(name),
      learned: usageLearned(own.filter((lesson) => lesson[key] === name)),
    }));
  });
  return (
    <section aria-label={lessons[0]!.name} className="mt-5 border border-line-strong bg-sheet">
      <div className="border-b px-4 py-3">
        <h2 className="text-[17px] font-semibold">{lessons[0]!.name}</h2>
        <p className="figure text-2xl">{said(usageFactor)}</p>
        <p className="text-[13.5px] text-ink-2">the next job ± {percent(usageSigma)}</p>
        {groups.length > 0 && (
          <p className="mt-1 text-[13.5px] text-ink-2">
            {groups
              .map(({ name, learned }) => `${name}: ${said(learned.factor)} (${learned.observations})`)
              .join(' · ')}
          </p>
        )}
      </div>
      <ul className="divide-y text-[14.5px]">
        {lessons.toReversed().map((lesson) => (
          <li
            key={lesson.entry}
            className={`flex flex-wrap items-center justify-between gap-3 px-4 py-1.5 ${lesson.untaught ? 'text-ink-3' : ''}`}
          >
            <span>
              {amountIn(lesson.unit, lesson.used)} used where {amountIn(lesson.unit, lesson.predicted)} was predicted{' '}
              <span className="text-ink-3">
                {lesson.method && `${METHODS[lesson.method].name.toLowerCase()}, `}
                {moment(lesson.at)}
              </span>
            </span>
            {lesson.untaught ? (
              <span>taken back</span>
            ) : (
              <Button
                look="quiet"
                onClick={() => void note({ type: 'untaught', thing: lesson.thing, entry: lesson.entry })}
              >
                Take it back
              </Button>
            )}
          </li>
        ))}
      </ul>
      {error && (
        <p role="alert" className="px-4 py-2 text-[14px] text-stop">
          {errorText(error)}
        </p>
      )}
    </section>
  );
}
