import { Download, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { type ProductSheet, readShelfCsv, type ShelfFile } from '#formats/shelf';
import { faultLine, FaultsError, parseJson } from '#formats/values';
import { errorText, useTakeShelfInMutation } from '../../app/api';
import { Button } from '../../ui/Button';

const LINK =
  'inline-flex min-h-9.5 items-center gap-1.5 rounded border border-line-strong bg-sheet px-3 hover:bg-tint-1';

/** The shelf out to other workshops and in from them: whole, or nothing of it. */
export function ShelfFiles({ shelf }: { readonly shelf: readonly ProductSheet[] }) {
  const input = useRef<HTMLInputElement>(null);
  const [takeIn, { error }] = useTakeShelfInMutation();
  const [said, setSaid] = useState<string>();
  const [faults, setFaults] = useState<readonly string[]>([]);
  const read = async (file: File) => {
    setSaid(undefined);
    setFaults([]);
    try {
      const text = await file.text();
      const isTable = /\.(csv|txt)$/i.test(file.name);
      const whole = isTable ? readShelfCsv(text, shelf) : (parseJson(text) as ShelfFile);
      const { data } = await takeIn(whole);
      if (data) setSaid(`${data.added} added, ${data.changed} changed, ${data.same} as before.`);
    } catch (problem) {
      if (!(problem instanceof FaultsError)) throw problem;
      setFaults(problem.faults.map(faultLine));
    }
  };
  return (
    <div className="mt-3">
      <div className="flex flex-wrap items-center gap-2">
        <a className={LINK} href="/api/shelf.json" download>
          <Download size={16} /> JSON
        </a>
        <a className={LINK} href="/api/shelf.csv" download>
          <Download size={16} /> CSV
        </a>
        <Button onClick={() => input.current?.click()}>
          <Upload size={16} /> Take a file in
        </Button>
        <input
          ref={input}
          type="file"
          accept=".json,.csv,.txt"
          aria-label="A shelf as a file"
          className="sr-only"
          onChange={({ target }) => {
            const [file] = target.files ?? [];
            if (file) void read(file);
            target.value = '';
          }}
        />
        {said && <span role="status">{said}</span>}
      </div>
      {(error || faults.length > 0) && (
        <div role="alert" className="mt-2 border-l-4 border-stop bg-stop-soft px-3 py-2 text-[14px]">
          <p>Nothing was taken in.</p>
          {error && <p>{errorText(error)}</p>}
          <ul>
            {faults.slice(0, 8).map((fault) => (
              <li key={fault}>{fault}</li>
            ))}
            {faults.length > 8 && <li>and {faults.length - 8} more.</li>}
          </ul>
        </div>
      )}
    </div>
  );
}
