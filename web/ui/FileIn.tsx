import { Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { faultLine, FaultsError } from '#formats/values';
import { errorText } from '../app/api';
import { Button } from './Button';

/** Faults shown at once; the rest is counted. */
const MOST_SHOWN = 8;

interface Props {
  readonly label: string;
  readonly accept: string;
  /** @returns what was taken in, in words; undefined where the server refused it @throws FaultsError where it cannot be read */
  readonly take: (file: File) => Promise<string | undefined>;
  /** What the server said to the last one. */
  readonly error: unknown;
}

/** A file in: whole, or nothing of it, with every fault in its place. */
export function FileIn({ label, accept, take, error }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<string>();
  const [faults, setFaults] = useState<readonly string[]>([]);
  const read = async (file: File) => {
    setSaid(undefined);
    setFaults([]);
    try {
      setSaid(await take(file));
    } catch (problem) {
      if (!(problem instanceof FaultsError)) throw problem;
      setFaults(problem.faults.map(faultLine));
    }
  };
  return (
    <>
      <Button onClick={() => input.current?.click()}>
        <Upload size={16} /> Take a file in
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file) void read(file);
          target.value = '';
        }}
      />
      {said && <span role="status">{said}</span>}
      {(error !== undefined || faults.length > 0) && (
        <div role="alert" className="w-full border-l-4 border-stop bg-stop-soft px-3 py-2 text-[14px]">
          <p>Nothing was taken in.</p>
          {error !== undefined && <p>{errorText(error)}</p>}
          <ul>
            {faults.slice(0, MOST_SHOWN).map((fault) => (
              <li key={fault}>{fault}</li>
            ))}
            {faults.length > MOST_SHOWN && <li>and {faults.length - MOST_SHOWN} more.</li>}
          </ul>
        </div>
      )}
    </>
  );
}
