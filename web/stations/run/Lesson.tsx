import { memo, useMemo } from 'react';
import { flashLessons } from '#core/lay/run';
import { useJob } from '../../job/job-context';

/** What the cues seen have taught of the product in hand. */
export const Lesson = memo(function Lesson({ product }: { readonly product: string }) {
  const job = useJob('planned', 'record');
  const lesson = useMemo(
    () => flashLessons(job.planned, job.record).find((one) => one.product === product),
    [job.planned, job.record, product],
  );
  if (!lesson) return null;
  const { factor, observations } = lesson.learned;
  const percent = Math.round(Math.abs(factor - 1) * 100);
  return (
    <p className="mt-2 text-lg text-ink-2">
      {percent < 3
        ? 'The cue comes as planned'
        : `The cue comes ${percent} % ${factor < 1 ? 'sooner' : 'later'} than planned`}{' '}
      ({observations} seen); all patches to come are set by that.
      {lesson.surprising && (
        <strong className="block text-warn">
          The last cue was far off the others. A mistaken tap? Undo takes it back.
        </strong>
      )}
    </p>
  );
});
