import { useMe, useNameOf } from '../../people/api';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';

interface Props {
  readonly surfaces: readonly string[];
}

/** Who laid any of these panels, by their ids. */
const laidBy = (job: Pick<JobView, 'document' | 'hands'>, surfaces: readonly string[]) =>
  new Set(
    job.document.surfaces
      .filter(({ id }) => surfaces.includes(id))
      .flatMap(({ id, layers }) => layers.flatMap(({ product }) => job.hands(id, product))),
  );

/** Said to whoever looks at their own work: somebody else sees more. */
export function SecondPair({ surfaces }: Props) {
  const job = useJob('document', 'hands');
  const me = useMe()?.person?.id;
  if (me === undefined || !laidBy(job, surfaces).has(me)) return null;
  return (
    <p className="mt-1 text-lg text-warn">You laid this. Somebody else sees more: have them look, if they are here.</p>
  );
}

/** Who looked at the finished work, beside who laid it. */
export function LookedAtBy({ surfaces }: Props) {
  const job = useJob('byOf', 'document', 'hands', 'log');
  const nameOf = useNameOf();
  const undone = new Set(job.log.flatMap(({ entry }) => (entry.type === 'undo' ? [entry.entry] : [])));
  const looked = new Set(
    job.log.flatMap(({ id, entry }) => (entry.type === 'looked' && !undone.has(id) ? (job.byOf(id) ?? []) : [])),
  );
  if (looked.size === 0) return null;
  const laid = laidBy(job, surfaces);
  const isOwnWork = [...looked].every((by) => laid.has(by));
  return (
    <p className="mb-3">
      Looked at by <strong>{[...looked].map(nameOf).join(', ')}</strong>
      {laid.size > 0 && `, laid by ${[...laid].map(nameOf).join(', ')}`}
      {isOwnWork && <span className="text-warn">: nobody but those who laid it has looked yet</span>}.
    </p>
  );
}
