import { Download } from 'lucide-react';
import { type ProductSheet, readShelfCsv, type ShelfFile } from '#formats/shelf';
import { parseJson } from '#formats/values';
import { addressOf } from '../../app/address-of';
import { useTakeShelfInMutation } from '../../app/api';
import { FileIn } from '../../ui/FileIn';

const LINK =
  'inline-flex min-h-9.5 items-center gap-1.5 rounded border border-line-strong bg-sheet px-3 hover:bg-tint-1';

/** The shelf out to other workshops and in from them. */
export function ShelfFiles({ shelf }: { readonly shelf: readonly ProductSheet[] }) {
  const [takeIn, { error }] = useTakeShelfInMutation();
  const take = async (file: File) => {
    const text = await file.text();
    const isTable = /\.(csv|txt)$/i.test(file.name);
    const { data } = await takeIn({ body: isTable ? readShelfCsv(text, shelf) : (parseJson(text) as ShelfFile) });
    return data && `${data.added} added, ${data.changed} changed, ${data.same} as before.`;
  };
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2">
      <a className={LINK} href={addressOf('shelfFile')} download>
        <Download size={16} /> JSON
      </a>
      <a className={LINK} href={addressOf('shelfCsv')} download>
        <Download size={16} /> CSV
      </a>
      <FileIn label="A shelf as a file" accept=".json,.csv,.txt" take={take} error={error} />
    </div>
  );
}
