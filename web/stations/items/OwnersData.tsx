import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { OwnerData, OwnerDataRemoved } from '#formats/job';
import { addressOf } from '../../app/address-of';
import { useOwnerDataQuery, useRemoveOwnerDataMutation } from '../../app/api';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Fault } from '../../ui/Fault';
import { day } from '../../ui/moments';

/** What is kept of the owner as a person: given out, or removed. The item's own record stays. */
export function OwnersData({ itemId, name }: { readonly itemId: string; readonly name: string | null }) {
  const [isAsking, setAsking] = useState(false);
  const [remove, { data: removed, error, isLoading }] = useRemoveOwnerDataMutation();
  return (
    <section aria-label="The owner’s data" className="mt-8 border-t pt-4">
      <h2 className="font-semibold">The owner’s data</h2>
      <p className="mt-1 max-w-prose text-[14px] text-ink-2">
        {name === null
          ? 'No name is kept with this item.'
          : `What is kept of ${name}, at this item and any other: name, plates, visits, promises, pictures, signatures.`}
      </p>
      <div className="mt-3 flex flex-wrap gap-3">
        <a
          className="inline-flex min-h-10 items-center rounded border border-line-strong bg-sheet px-3 hover:bg-tint-1"
          href={addressOf('ownerData', { id: itemId })}
          download
        >
          Give it out
        </a>
        <Button look="danger" disabled={isLoading} onClick={() => setAsking(true)}>
          <Trash2 size={16} /> Remove it
        </Button>
      </div>
      {isAsking && (
        <Whose
          itemId={itemId}
          onClose={() => setAsking(false)}
          onConfirm={(items) => {
            setAsking(false);
            void remove({ id: itemId, body: { items } });
          }}
        />
      )}
      {removed && <Removed {...removed} />}
      <Fault error={error} />
    </section>
  );
}

/** Which items under the name are this person's: two people may be called the same. */
function Whose({
  itemId,
  onClose,
  onConfirm,
}: {
  readonly itemId: string;
  readonly onClose: () => void;
  readonly onConfirm: (items: string[]) => void;
}) {
  const { data, error } = useOwnerDataQuery({ id: itemId }, { refetchOnMountOrArgChange: true });
  const [others, setOthers] = useState<ReadonlySet<string>>(new Set());
  const told = ({ name, plate, visits }: OwnerData['items'][number]) =>
    [name, plate, visits.length === 1 ? '1 visit' : `${visits.length} visits`].filter(Boolean).join(', ');
  return (
    <Dialog
      open
      onClose={onClose}
      title="Remove the owner’s data?"
      description="Name, plates, notes, signatures and links given out are removed from the items ticked here. What was laid, measured and found stays. This cannot be undone."
    >
      <Fault error={error} />
      {data && (
        <fieldset>
          <legend className="mb-2 font-semibold">
            {data.items.length > 1 ? 'Tick the items that belong to this person' : 'One item is kept under this name'}
          </legend>
          {data.items.map((item) => (
            <label key={item.id} className="flex min-h-11 items-center gap-3">
              <input
                type="checkbox"
                checked={item.id === itemId || others.has(item.id)}
                disabled={item.id === itemId}
                onChange={({ target: { checked } }) => {
                  const next = new Set(others);
                  if (checked) next.add(item.id);
                  else next.delete(item.id);
                  setOthers(next);
                }}
              />
              <span className="break-words">{told(item)}</span>
            </label>
          ))}
        </fieldset>
      )}
      <div className="mt-4 flex gap-3">
        <Button look="danger" disabled={!data} onClick={() => onConfirm([itemId, ...others])}>
          Remove it
        </Button>
        <Button onClick={onClose}>Keep it</Button>
      </div>
    </Dialog>
  );
}

/** What became of it, and where it is still. */
function Removed({ jobs, links, signed, backups, exports }: OwnerDataRemoved) {
  return (
    <div role="status" className="mt-3 max-w-prose text-[14px]">
      <p>
        Removed from {jobs} {jobs === 1 ? 'job' : 'jobs'}; {links} {links === 1 ? 'link' : 'links'} ended.
        {signed > 0 && ` ${signed} signed ${signed === 1 ? 'hand-over stays' : 'hand-overs stay'}, without who signed.`}
      </p>
      {backups.length > 0 && (
        <>
          <p className="mt-2">Backups made before hold it still, each until its day:</p>
          <ul className="ml-5 list-disc">
            {backups.map(({ name, until }) => (
              <li key={name}>
                {name}, deleted on {day(until)}
              </li>
            ))}
          </ul>
        </>
      )}
      {exports.length > 0 && (
        <>
          <p className="mt-2">Exports on this machine hold it until you delete them:</p>
          <ul className="ml-5 list-disc">
            {exports.map(({ file }) => (
              <li key={file} className="break-all">
                {file}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
