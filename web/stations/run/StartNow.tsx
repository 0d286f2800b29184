import { startAt } from '#job/edit';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { moment, nowInstant } from '../../ui/moments';

export function StartNow() {
  const { document, edit, bay } = useJob('bay', 'document', 'edit');
  return (
    <section className="flex flex-col justify-center gap-6 p-8">
      <p className="text-2xl">
        Laying is planned for <strong className="figure">{moment(document.startAt)}</strong>.
      </p>
      <p className="max-w-prose text-lg text-ink-2">
        Started now, all times and the air of the day are worked out from this moment. Once the first patch is laid, the
        start stands on the record.
      </p>
      <Button look="main" glove className="min-h-28 text-3xl" onClick={() => edit(startAt(nowInstant(), bay))}>
        Move the start to now
      </Button>
    </section>
  );
}
