/** Pictures of the sample walk-round, drawn: what a hand light shows on teal paint. */

export interface SamplePicture {
  readonly id: string;
  readonly jobId: string;
  readonly role: 'seen' | 'before' | 'after' | 'half-and-half';
  readonly surface: string;
  readonly mark: string | null;
  readonly pairOf: string | null;
  readonly tape: [number, number, number, number] | null;
  readonly note: string;
  readonly svg: string;
}

const WIDTH = 1200;
const HEIGHT = 900;

/** Numbers that look thrown, and are the same at every start. */
function thrown(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return state / 2_147_483_648;
  };
}

const panel = (marks: string, light = { x: 0.5, y: 0.45 }) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}" viewBox="0 0 ${WIDTH} ${HEIGHT}">
<defs><radialGradient id="g" cx="${light.x}" cy="${light.y}" r="0.75"><stop offset="0" stop-color="#bfe6ea"/>
<stop offset="0.16" stop-color="#4f9aa4"/><stop offset="0.55" stop-color="#1f5f6c"/><stop offset="1" stop-color="#0e3640"/></radialGradient></defs>
<rect width="${WIDTH}" height="${HEIGHT}" fill="url(#g)"/>
<path d="M0 760 C400 720 800 720 ${WIDTH} 770" stroke="#0b2c34" stroke-width="7" fill="none"/>
<path d="M0 768 C400 728 800 728 ${WIDTH} 778" stroke="#7fc0c8" stroke-width="2" fill="none"/>${marks}</svg>`;

/** Fine arcs round the reflection of the lamp, from `from` to `to` of the picture's width. */
function swirls(seed: number, count: number, from = 0, to = 1): string {
  const next = thrown(seed);
  return Array.from({ length: count }, () => {
    const radius = 40 + 380 * next();
    const angle = 6.283 * next();
    const [x, y] = [600 + radius * Math.cos(angle), 405 + radius * Math.sin(angle)];
    if (x < from * WIDTH || x > to * WIDTH) return '';
    const sweep = 14 + 30 * next();
    const [dx, dy] = [-Math.sin(angle) * sweep, Math.cos(angle) * sweep];
    return `<path d="M${(x - dx).toFixed(0)} ${(y - dy).toFixed(0)} Q${(x * 1.004).toFixed(0)} ${(y * 1.004).toFixed(0)} ${(x + dx).toFixed(0)} ${(y + dy).toFixed(0)}" stroke="#e8fbff" stroke-opacity="0.55" stroke-width="1.6" fill="none"/>`;
  }).join('');
}

const chip = (x: number, y: number, size: number) =>
  `<path d="M${x} ${y - size} l${size * 0.8} ${size * 0.5} l${-size * 0.3} ${size} l${-size} ${size * 0.2} l${-size * 0.5} ${-size * 0.9} Z" fill="#d9d2c4" stroke="#0b2c34" stroke-width="3"/>`;

const scratch =
  '<path d="M210 250 C420 330 640 380 960 560" stroke="#eefcff" stroke-width="4" fill="none"/><path d="M212 256 C422 336 642 386 962 566" stroke="#06222a" stroke-width="2.5" fill="none"/>';

const eased =
  '<path d="M300 290 C460 350 640 390 900 530" stroke="#9fd2d9" stroke-opacity="0.45" stroke-width="2" fill="none"/>';

const TAPE =
  '<path d="M596 0 L640 900 L676 900 L632 0 Z" fill="#e9c24a"/><path d="M596 0 L640 900" stroke="#b08d22" stroke-width="3"/>';

const picture = (
  id: string,
  surface: string,
  svg: string,
  note: string,
  more: Partial<SamplePicture> = {},
): SamplePicture => ({
  id,
  jobId: 'teal-hatchback',
  role: 'seen',
  surface,
  mark: null,
  pairOf: null,
  tape: null,
  note,
  svg,
  ...more,
});

export const SAMPLE_PICTURES: readonly SamplePicture[] = [
  picture(
    'chips',
    'bonnet',
    panel(chip(430, 380, 26) + chip(700, 520, 18)),
    'Two chips beside the badge, through to the primer.',
    {
      mark: 'm2',
    },
  ),
  picture(
    'bonnet-half',
    'bonnet',
    panel(swirls(7, 420, 0, 0.52) + TAPE),
    'Left of the tape as it came, right of it one step.',
    {
      role: 'half-and-half',
      tape: [0.515, 0, 0.55, 1],
    },
  ),
  picture('door-before', 'front-door-left', panel(swirls(21, 160) + scratch), 'Caught on a gate.', {
    role: 'before',
    mark: 'm8',
  }),
  picture('door-after', 'front-door-left', panel(eased), 'Rounded, not gone.', {
    role: 'after',
    pairOf: 'door-before',
  }),
];
