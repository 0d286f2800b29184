import { BadgeCheck, FileInput, ShieldAlert, ShieldQuestionMark } from 'lucide-react';
import { useId, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { PassportFile, PassportRead } from '#formats/passport';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Fault } from '../../ui/Fault';
import { day } from '../../ui/moments';
import { useReadPassportMutation, useTakePassportMutation } from '../../app/api';

/** A passport another shop has handed out: read, told whether it is as it was signed, and taken in as the item’s past. */
export function TakePassport() {
  const input = useRef<HTMLInputElement>(null);
  const id = useId();
  const navigate = useNavigate();
  const [file, setFile] = useState<PassportFile>();
  const [unread, setUnread] = useState(false);
  const [read, { data, error, reset }] = useReadPassportMutation();
  const [take, { error: notTaken, isLoading }] = useTakePassportMutation();
  const close = () => {
    setFile(undefined);
    setUnread(false);
    reset();
  };
  const choose = async (chosen: File) => {
    try {
      const value = passportIn(await chosen.text());
      setFile(value);
      await read({ body: value });
    } catch {
      setUnread(true);
    }
  };
  const laid = data?.passport.panels.flatMap(({ layers }) => layers.map(({ product }) => product)) ?? [];
  return (
    <>
      <Button onClick={() => input.current?.click()}>
        <FileInput size={17} /> Take a passport in
      </Button>
      <input
        ref={input}
        id={id}
        type="file"
        accept=".json,.html,application/json,text/html"
        aria-label="Passport file"
        className="sr-only"
        tabIndex={-1}
        onChange={({ target }) => {
          const [chosen] = target.files ?? [];
          target.value = '';
          if (chosen) void choose(chosen);
        }}
      />
      <Dialog open={file !== undefined || unread} onClose={close} title={data?.passport.item.name ?? 'A passport'}>
        {unread && (
          <p role="alert" className="text-stop">
            This file is no passport: a file or a page that a workshop has handed out is needed.
          </p>
        )}
        <Fault error={error} />
        {data && (
          <>
            <SignedBy read={data} />
            <p className="mt-3">
              {day(data.passport.issuedAt)}: {data.passport.panels.length} panels with something on them,{' '}
              {data.passport.visits.length} {data.passport.visits.length === 1 ? 'visit' : 'visits'}.
            </p>
            <ul className="mt-2">
              {[...new Set(laid)].map((product) => (
                <li key={product} className="flex justify-between border-t py-1 first:border-t-0">
                  <span>{product}</span>
                  <span className="text-ink-2">{laid.filter((each) => each === product).length} panels</span>
                </li>
              ))}
            </ul>
            <Button
              look="main"
              className="mt-3"
              disabled={!data.holds || data.signer === 'impostor' || isLoading}
              onClick={() =>
                void take({ body: file! })
                  .unwrap()
                  .then(
                    (job) => navigate(`/jobs/${job.id}/survey`),
                    () => undefined,
                  )
              }
            >
              Begin the item here with it
            </Button>
            <Fault error={notTaken} />
          </>
        )}
      </Dialog>
    </>
  );
}

/** The passport in a file, or in the page made of it. @throws SyntaxError where there is none */
function passportIn(text: string): PassportFile {
  const inPage = /<script type="application\/json" id="passport">(.*?)<\/script>/s.exec(text)?.[1];
  const value: unknown = JSON.parse(inPage ?? text);
  if (typeof value !== 'object' || value === null || !('passport' in value)) throw new SyntaxError('no passport');
  return value as PassportFile;
}

const LOOKS = {
  ok: { Icon: BadgeCheck, frame: 'border-ok bg-ok-soft', ink: 'text-ok' },
  warn: { Icon: ShieldQuestionMark, frame: 'border-warn bg-warn-soft', ink: 'text-warn' },
  stop: { Icon: ShieldAlert, frame: 'border-stop bg-stop-soft', ink: 'text-stop' },
} as const;

/** Whether a passport is as it was signed, and by whose key: never by the name it claims alone. */
function SignedBy({ read: { holds, signer, knownAs, passport, fingerprint } }: { readonly read: PassportRead }) {
  const { shop } = passport;
  const words = {
    ours: 'Signed by this workshop, and not changed since.',
    met: `Signed with the key of ${knownAs}, known here from an earlier passport, and not changed since.`,
    unknown: `Not changed since it was signed, but this key is new here. The passport names ${shop}: ring them and have them read you the code of their key.`,
    impostor: `The passport names ${shop}, but was signed with another key than theirs. Do not believe it; ask them.`,
  }[signer];
  const look = LOOKS[!holds || signer === 'impostor' ? 'stop' : signer === 'unknown' ? 'warn' : 'ok'];
  return (
    <>
      <p className={`flex items-start gap-3 border-l-4 px-3 py-2 text-lg ${look.frame}`}>
        <look.Icon size={26} className={`shrink-0 ${look.ink}`} aria-hidden />
        {holds ? words : 'Changed since it was signed: nothing of it is believed.'}
      </p>
      {holds && (
        <p className="mt-2">
          Code of the key: <strong className="font-mono">{fingerprint}</strong>
        </p>
      )}
    </>
  );
}
