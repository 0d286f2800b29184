import { useJob } from '../../job/job-context';
import { parted } from '#formats/shelf';
import { changedPaths } from '#formats/values';
import { takeSheet } from '#job/edit';
import { Part } from '../../job/Station';
import { Button } from '../../ui/Button';

/** Sheets of this job that the shelf has in another version by now: offered, with what differs, never slipped in. */
export function NewerSheets() {
  const { document, shelf, edit } = useJob('document', 'shelf', 'edit');
  const newer = document.products.flatMap((own) => {
    const now = shelf.find(({ id }) => id === own.id);
    const changed = now ? changedPaths(parted(own).sheet, parted(now).sheet) : [];
    return now && changed.length > 0 ? [{ own, now, changed }] : [];
  });
  if (newer.length === 0) return null;
  return (
    <Part title="Newer sheets on the shelf">
      <ul className="text-[14px]">
        {newer.map(({ own, now, changed }) => (
          <li key={own.id} className="flex items-start justify-between gap-3 border-t py-2 first:border-t-0">
            <span>
              <strong>{own.name}</strong>
              {own.sheetVersion !== now.sheetVersion && ` ${own.sheetVersion ?? '?'} → ${now.sheetVersion ?? '?'}`}
              <span className="block text-ink-2">
                Differs in {changed.join(', ')}. This job keeps its own until you say.
              </span>
            </span>
            <Button onClick={() => edit(takeSheet(now))}>Take it</Button>
          </li>
        ))}
      </ul>
    </Part>
  );
}
