/** Pictures of the sample walk-round, drawn: what a hand light shows on teal paint. */

import { boundingBox, type Point, shapeOutline } from '#core/item/geometry';
import type { MatchedPlace } from '#formats/job';
import { ESTATE_SIZE } from './items/estate';
import { surveyed } from './sample';

export interface SamplePicture {
  readonly id: string;
  readonly jobId: string;
  readonly role: 'seen' | 'before' | 'after' | 'half-and-half' | 'wet' | 'drop';
  readonly surface: string;
  readonly mark: string | null;
  readonly pairOf: string | null;
  readonly matched: MatchedPlace[] | null;
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
  matched: null,
  note,
  svg,
  ...more,
});

const PAPER = { width: 1600, height: 1200 };

/**
 * The estate's bonnet as it is seen wet, held at a slant: water in beads, and flat where a patch was missed.
 * @returns the drawing, and places of the panel where they are seen in it
 */
function wetBonnet(): { readonly svg: string; readonly matched: MatchedPlace[] } {
  const { shape } = surveyed({ template: 'estate', size: ESTATE_SIZE }).find(({ id }) => id === 'bonnet')!;
  const outline = shapeOutline(shape as Parameters<typeof shapeOutline>[0]).map(([x, y]): Point => [x, -y]);
  const { minX, maxX, minY, maxY } = boundingBox(outline);
  const seen = ([across, down]: Point): Point => [210 + 1120 * across + 70 * down, 150 + 850 * down - 46 * across];
  const share = ([x, y]: Point): Point => [(x - minX) / (maxX - minX), (y - minY) / (maxY - minY)];
  const drawn = outline
    .map((point) =>
      seen(share(point))
        .map((value) => value.toFixed(0))
        .join(','),
    )
    .join(' ');
  const missed: Point = [0.66, 0.56];
  const next = thrown(5);
  const drops = Array.from({ length: 900 }, () => {
    const at: Point = [0.04 + 0.92 * next(), 0.05 + 0.9 * next()];
    const size = 4 + 9 * next();
    if (Math.hypot((at[0] - missed[0]) * 1.5, at[1] - missed[1]) < 0.2) return '';
    const [x, y] = seen(at);
    return `<ellipse cx="${x.toFixed(0)}" cy="${y.toFixed(0)}" rx="${size.toFixed(1)}" ry="${(size * 0.86).toFixed(1)}" fill="#c9dbe2" fill-opacity="0.55" stroke="#22323a" stroke-opacity="0.5"/><ellipse cx="${(x - size * 0.3).toFixed(0)}" cy="${(y - size * 0.3).toFixed(0)}" rx="${(size * 0.25).toFixed(1)}" ry="${(size * 0.2).toFixed(1)}" fill="#fff"/>`;
  }).join('');
  const [mx, my] = seen(missed);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${PAPER.width}" height="${PAPER.height}" viewBox="0 0 ${PAPER.width} ${PAPER.height}">
<defs><linearGradient id="g" x2="0.3" y2="1"><stop offset="0" stop-color="#8a9aa3"/><stop offset="0.5" stop-color="#54646d"/><stop offset="1" stop-color="#3a4850"/></linearGradient>
<clipPath id="c"><polygon points="${drawn}"/></clipPath></defs>
<rect width="${PAPER.width}" height="${PAPER.height}" fill="#20292e"/><polygon points="${drawn}" fill="url(#g)" stroke="#0d1417" stroke-width="8"/>
<g clip-path="url(#c)"><ellipse cx="${mx.toFixed(0)}" cy="${my.toFixed(0)}" rx="150" ry="170" fill="#a9bcc5" fill-opacity="0.5"/>${drops}</g></svg>`;
  const at = ([x, y]: Point): [number, number] => [x / PAPER.width, y / PAPER.height];
  const places: readonly [number, number][] = [
    [0.05, 0.1],
    [0.95, 0.1],
    [0.9, 0.95],
    [0.1, 0.95],
  ];
  return { svg, matched: places.map((on) => ({ at: at(seen(on)), surface: 'bonnet', on })) };
}

/** A drop from its side, as it stands at a contact angle: a cap of a circle on its base. */
function dropFromItsSide(deg: number, paint: string): string {
  const half = (deg * Math.PI) / 360;
  const base = 230;
  const height = base * Math.tan(half);
  const radius = base / Math.sin(2 * half);
  const [left, foot] = [600 - base, 620];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}" viewBox="0 0 ${WIDTH} ${HEIGHT}">
<defs><linearGradient id="b" x2="0" y2="1"><stop offset="0" stop-color="#dfe7ea"/><stop offset="1" stop-color="#b7c6cc"/></linearGradient></defs>
<rect width="${WIDTH}" height="${HEIGHT}" fill="url(#b)"/><rect y="${foot}" width="${WIDTH}" height="${HEIGHT - foot}" fill="${paint}"/>
<path d="M${left} ${foot} A${radius.toFixed(1)} ${radius.toFixed(1)} 0 ${deg > 90 ? 1 : 0} 1 ${left + 2 * base} ${foot} Z" fill="#f4fafc" fill-opacity="0.85" stroke="#5d6f77" stroke-width="4"/>
<ellipse cx="560" cy="${(foot - 0.72 * height).toFixed(0)}" rx="46" ry="26" fill="#fff"/></svg>`;
}

const wet = wetBonnet();

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
  {
    ...picture('estate-wet', 'bonnet', wet.svg, 'Wetted from the cowl, while it ran off.'),
    jobId: 'slate-estate',
    role: 'wet',
    matched: wet.matched,
  },
  {
    ...picture('estate-drop', 'front-door-left', dropFromItsSide(103, '#54646d'), ''),
    jobId: 'slate-estate',
    role: 'drop',
  },
];
