import { useEffect, useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { Button } from '../ui/Button';
import { usePairMutation } from './api';
import { InputLine } from './InputLine';
import { Fault } from '../ui/Fault';

/** Makes this device one of the shop's, by the code the desk shows: scanned, or typed in. */
export function Component() {
  const { hash } = useLocation();
  const navigate = useNavigate();
  const [code, setCode] = useState(hash.slice(1));
  const [pair, { data, error, isLoading }] = usePairMutation();
  // A code is used once: it does not stay in the address.
  useEffect(() => {
    if (hash !== '') void navigate('/pair', { replace: true });
  }, [hash, navigate]);
  if (data?.tablet)
    return (
      <main className="mx-auto max-w-md px-6 py-12">
        <h1 className="figure text-3xl">This is “{data.tablet.name}” now</h1>
        <p className="mt-3 text-lg">
          Whoever works at it taps their name and PIN. If it is lost, the desk cuts it off.
        </p>
        <Link
          to="/"
          className="mt-6 inline-flex min-h-16 items-center bg-over px-6 text-lg font-semibold text-over-ink"
        >
          Begin
        </Link>
      </main>
    );
  return (
    <main className="mx-auto max-w-md px-6 py-12">
      <h1 className="figure text-3xl">Pair this device</h1>
      <p className="mt-2 text-ink-2">The desk shows a code under Workshop, Devices. It holds for ten minutes, once.</p>
      <form
        className="mt-6 space-y-4"
        onSubmit={(event) => {
          event.preventDefault();
          void pair({ body: { code } });
        }}
      >
        <InputLine
          label="Code"
          autoComplete="off"
          autoCapitalize="characters"
          value={code}
          onChange={({ target }) => setCode(target.value)}
        />
        <Fault error={error} />
        <Button look="main" type="submit" glove disabled={isLoading || code.trim() === ''} className="w-full">
          Pair it
        </Button>
      </form>
    </main>
  );
}
