import { type ClosingLine, closingList } from '#job/prepare';
import type { JobView } from '../../job/useJobView';

const STATE_WORDS: Readonly<Record<ClosingLine['state'], string>> = {
  look: '',
  'nothing-planned': 'nothing is planned on it',
  'not-in-this-job': 'not in this job',
};

/** The small ends of the item, looked at before it goes. */
export function LastLook({ job }: { readonly job: JobView }) {
  const lines = closingList(job.document);
  if (lines.length === 0) return null;
  return (
    <section className="w-full max-w-xl text-left">
      <h3 className="label">Before it goes, a last look at</h3>
      <ul className="mt-1 grid grid-cols-1 gap-x-8 text-[15px] sm:grid-cols-2">
        {lines.map(({ what, state }) => (
          <li key={what} className="border-t py-1">
            {what}
            {state !== 'look' && <span className="text-ink-2">: {STATE_WORDS[state]}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}
