import { Command } from 'cmdk';
import { useDeferredValue, useMemo, useState } from 'react';
import { useMatch, useNavigate } from 'react-router';
import { type JobSummary, surfaceName } from '#formats/job';
import { useItemsQuery, useJobQuery, useJobsQuery, useJobsOfTheDayQuery, useProductsQuery } from '../app/api';
import { jumpGroups } from './places';

const NONE: readonly JobSummary[] = [];

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
}

/** Goes to any item, job, panel, product, rule, station or command by a few letters. Loaded when it is called. */
export default function Jump({ open, onClose }: Props) {
  const navigate = useNavigate();
  const match = useMatch('/jobs/:jobId/:station');
  const jobId = match?.params.jobId;
  const [typed, setTyped] = useState('');
  const find = useDeferredValue(typed.trim());
  const { data: current = NONE } = useJobsOfTheDayQuery();
  // Beyond the day's jobs, whatever was ever here under these words.
  const { data: found } = useJobsQuery({ find, from: 0 }, { skip: find === '' });
  const { data: items } = useItemsQuery({ find, from: 0 });
  const jobs = useMemo(() => {
    const known = new Set(current.map(({ id }) => id));
    return [...current, ...(found?.rows ?? []).filter(({ id }) => !known.has(id))];
  }, [current, found]);
  const { data: products = [] } = useProductsQuery();
  const { data: job } = useJobQuery({ id: jobId ?? '' }, { skip: jobId === undefined });
  const groups = useMemo(
    () =>
      jumpGroups({
        jobs,
        items: items?.rows ?? [],
        products,
        station: match?.params.station ?? 'survey',
        current: job && {
          id: job.id,
          title: job.document.title,
          panels: job.document.surfaces.map((surface) => [surface.id, surfaceName(surface)] as const),
        },
      }),
    [jobs, items, products, job, match?.params.station],
  );
  return (
    <Command.Dialog
      open={open}
      onOpenChange={(next) => !next && onClose()}
      label="Jump to"
      loop
      overlayClassName="fixed inset-0 z-40 bg-[#06101699]"
      contentClassName="fixed left-1/2 top-[12vh] z-50 w-[94vw] max-w-xl -translate-x-1/2 border border-line-strong bg-sheet"
    >
      <Command.Input
        value={typed}
        onValueChange={setTyped}
        placeholder="Jump to an item, job, panel, product, rule, station …"
        className="h-14 w-full border-b bg-transparent px-5 text-lg outline-none"
      />
      <Command.List className="max-h-[55vh] overflow-auto py-2">
        <Command.Empty className="px-5 py-4 text-ink-2">Nothing is called that.</Command.Empty>
        {groups
          .filter(({ jumps }) => jumps.length > 0)
          .map(({ name, jumps }) => (
            <Command.Group
              key={name}
              heading={name}
              className="[&_[cmdk-group-heading]]:px-5 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:pt-3 [&_[cmdk-group-heading]]:text-[13px] [&_[cmdk-group-heading]]:text-ink-3"
            >
              {jumps.map(({ key, name: to, note, ...jump }) => (
                <Command.Item
                  key={key}
                  value={`${name} ${key}`}
                  keywords={[to, note ?? '']}
                  className="flex min-h-10 cursor-pointer items-center gap-3 px-5 data-[selected=true]:bg-over-soft"
                  onSelect={() => {
                    onClose();
                    void navigate(jump.to);
                  }}
                >
                  <span className="min-w-0 flex-1 truncate">{to}</span>
                  {note && <span className="shrink-0 text-[13px] text-ink-2">{note}</span>}
                </Command.Item>
              ))}
            </Command.Group>
          ))}
      </Command.List>
    </Command.Dialog>
  );
}
