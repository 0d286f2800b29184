import { filmSteps } from '#core/lay/film-steps';
import type { FilmSheet } from '#core/products/sheets';
import type { SheetPatch } from '#core/lay/run';

/** What is done with the piece of film in hand now, with what can hurt at it. */
export function FilmSteps({
  film,
  state,
}: {
  readonly film: FilmSheet | undefined;
  readonly state: SheetPatch['state'];
}) {
  const now = state === 'todo' || state === 'laying' ? 'laying' : 'levelling';
  return (
    <ol aria-label="Steps of the film" className="mt-2 space-y-1.5 text-lg">
      {filmSteps(film)
        .filter(({ when }) => when === now)
        .map(({ id, name, what, caution }) => (
          <li key={id}>
            <strong>{name}.</strong> {what}
            {caution && (
              <span className="block border-l-4 border-warn bg-warn-soft px-3 py-1 text-base">{caution}</span>
            )}
          </li>
        ))}
    </ol>
  );
}
