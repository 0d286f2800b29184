import { useState } from 'react';
import { useNetworkQuery, useOfferPairingMutation } from '../../people/api';
import { InputLine } from '../../people/InputLine';
import { Button } from '../../ui/Button';
import { clock } from '../../ui/moments';
import { QrCode } from '../../ui/QrCode';
import { Fault } from '../../ui/Fault';

/** A code that lets one device in: scanned with its camera, or typed. */
export function PairingCode() {
  const [name, setName] = useState('');
  const { data: network } = useNetworkQuery();
  const [offer, { data, error, isLoading }] = useOfferPairingMutation();
  const base = network?.proxy ?? network?.urls[0];
  if (!data)
    return (
      <form
        className="space-y-4"
        onSubmit={(event) => {
          event.preventDefault();
          void offer({ body: { name } });
        }}
      >
        <InputLine
          label="What it is called"
          autoComplete="off"
          hint="As it is found again: “Tablet in the wet bay”."
          value={name}
          onChange={({ target }) => setName(target.value)}
        />
        <Fault error={error} />
        <Button look="main" type="submit" disabled={isLoading || name.trim() === ''}>
          Show the code
        </Button>
      </form>
    );
  return (
    <div>
      {base ? (
        <>
          <QrCode text={`${base}/pair#${data.code}`} alt="Code to pair a device" />
          <p className="mt-3">Scan it with the device’s camera, or open {base}/pair there and type</p>
        </>
      ) : (
        <p className="border-l-4 border-warn bg-warn-soft px-4 py-3">
          The workshop is not open to the network: only a browser on this machine can be paired. Open it first.
        </p>
      )}
      <p className="figure mt-2 text-4xl tracking-widest">{data.code}</p>
      <p className="mt-2 text-ink-2">Once, until {clock(data.until)}.</p>
    </div>
  );
}
