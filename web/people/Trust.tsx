import type { ReactNode } from 'react';
import { addressOf } from '../app/address-of';
import { useTrustQuery } from './api';
import { PageTitle } from '../ui/PageTitle';

/** How a tablet learns to trust this workshop, in pictures: once, before it is paired. */
export function Component() {
  const { data } = useTrustQuery();
  return (
    <main className="mx-auto max-w-4xl px-6 py-8">
      <PageTitle>Trust this workshop</PageTitle>
      <h1 className="figure text-3xl">Trust this workshop</h1>
      <p className="mt-2 max-w-prose text-ink-2">
        The server’s certificate is the workshop’s own, so no device knows it yet. It is taught once; from then on the
        address is locked, the camera works, and the tablet goes on without the network.
      </p>
      {data && data.fingerprint === undefined && (
        <p className="mt-6 border-l-4 border-ok bg-ok-soft px-4 py-3">
          There is nothing to learn here: this server is reached from its own machine, or by a certificate devices know
          already.
        </p>
      )}
      {data?.fingerprint !== undefined && (
        <ol className="mt-6 grid gap-4 sm:grid-cols-2">
          <Step nth={1} title="Compare" picture={<Compare />}>
            This line has to be the one the desk shows under Workshop, Devices and network. If it is not, stop: somebody
            sits between.
            <span className="figure mt-2 block text-[13px] break-words text-ink">{data.fingerprint}</span>
          </Step>
          <Step nth={2} title="Fetch the certificate" picture={<Fetched />}>
            <a
              className="inline-flex min-h-14 items-center bg-over px-5 font-semibold text-over-ink"
              href={addressOf('authority')}
            >
              Fetch it
            </a>
          </Step>
          <Step nth={3} title="Install it" picture={<Install />}>
            <strong>Where the device asks for a profile:</strong> Settings, General, device management, the profile,
            Install. <strong>Where it asks nothing:</strong> Settings, Security, Encryption and credentials, Install a
            certificate, CA certificate, the file. <strong>At a desk:</strong> the browser’s settings, Certificates,
            Authorities, Import, for web sites.
          </Step>
          <Step nth={4} title="Switch it on" picture={<SwitchOn />}>
            Where it came as a profile: Settings, General, About, certificate trust, the switch beside the workshop.
            Then close this page and open the address anew: the lock is shut.
            <a className="mt-2 block min-h-10 text-over underline" href="/pair">
              Then pair the device
            </a>
          </Step>
        </ol>
      )}
    </main>
  );
}

function Step({
  nth,
  title,
  picture,
  children,
}: {
  readonly nth: number;
  readonly title: string;
  readonly picture: ReactNode;
  readonly children: ReactNode;
}) {
  return (
    <li className="border border-line-strong bg-sheet p-5">
      <svg viewBox="0 0 200 90" className="h-28 w-full" aria-hidden>
        {picture}
      </svg>
      <h2 className="mt-2 text-lg font-semibold">
        {nth}. {title}
      </h2>
      <div className="mt-1 text-[15px] text-ink-2">{children}</div>
    </li>
  );
}

const INK = 'var(--ink)';
const LINE = { fill: 'none', stroke: INK, strokeWidth: 2 };
const OVER = { fill: 'none', stroke: 'var(--over)', strokeWidth: 3 };

const Screen = ({
  x,
  wide,
  children,
}: {
  readonly x: number;
  readonly wide: number;
  readonly children?: ReactNode;
}) => (
  <g transform={`translate(${x} 10)`}>
    <rect width={wide} height={62} rx={5} {...LINE} />
    {children}
  </g>
);

/** The same line on the desk's screen and on the tablet's. */
const Compare = () => (
  <>
    <Screen x={14} wide={84}>
      <path d="M10 36h64M10 46h40" {...OVER} />
      <path d="M30 62l-4 12h32l-4-12" {...LINE} />
    </Screen>
    <Screen x={136} wide={46}>
      <path d="M8 26h30M8 36h20" {...OVER} />
    </Screen>
    <path d="M106 36h20M106 46h20" stroke={INK} strokeWidth={2.5} />
  </>
);

/** A sheet with a seal comes down onto the tablet. */
const Fetched = () => (
  <>
    <Screen x={77} wide={46} />
    <path d="M100 20v30M88 40l12 12 12-12" {...OVER} />
    <rect x={86} y={4} width={28} height={14} {...LINE} />
  </>
);

/** Settings, line by line, one of them pressed. */
const Install = () => (
  <Screen x={60} wide={80}>
    <path d="M10 14h60M10 26h60M10 50h60" {...LINE} />
    <rect x={6} y={32} width={68} height={11} {...OVER} />
    <circle cx={66} cy={38} r={10} {...OVER} />
  </Screen>
);

/** A switch that is on, and a lock that is shut. */
const SwitchOn = () => (
  <>
    <rect x={30} y={28} width={56} height={28} rx={14} {...OVER} />
    <circle cx={72} cy={42} r={9} fill="var(--over)" />
    <rect x={122} y={38} width={44} height={32} rx={3} {...LINE} />
    <path d="M132 38v-9a12 12 0 0 1 24 0v9" {...LINE} />
  </>
);
