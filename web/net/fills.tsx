import { memo } from 'react';
import type { SubstrateId } from '#core/item/substrates';

/** How a panel can be filled. Each differs from its neighbours in more than colour. */
export type Fill =
  | 'blank'
  | 'tint-1'
  | 'tint-2'
  | 'tint-3'
  | 'tint-4'
  | 'dots'
  | 'hatch'
  | 'cross'
  | 'glass'
  | 'rules'
  | 'buff'
  | 'stop'
  | 'warn'
  | 'ok'
  | 'flash'
  | 'over';

const PLAIN: Readonly<Partial<Record<Fill, string>>> = {
  blank: 'var(--sheet)',
  'tint-1': 'var(--tint-1)',
  'tint-2': 'var(--tint-2)',
  'tint-3': 'var(--tint-3)',
  'tint-4': 'var(--tint-4)',
  ok: 'var(--ok-soft)',
  over: 'var(--over)',
};

/** The SVG paint of a fill; patterns are looked up in the sheet that owns `prefix`. */
export function paintOf(fill: Fill, prefix: string): string {
  return PLAIN[fill] ?? `url(#${prefix}-${fill})`;
}

interface Props {
  readonly prefix: string;
  /** User units per CSS pixel, so that a hatch looks alike at every scale. */
  readonly unit: number;
}

/** The patterns, once a sheet. */
export const FillPatterns = memo(function FillPatterns({ prefix, unit }: Props) {
  const pattern = (fill: Fill, size: number, ground: string, stroke: string, path: string, width = 1) => (
    <pattern
      id={`${prefix}-${fill}`}
      patternUnits="userSpaceOnUse"
      width={size * unit}
      height={size * unit}
      viewBox={`0 0 ${size} ${size}`}
    >
      <rect width={size} height={size} fill={ground} />
      <path d={path} stroke={stroke} strokeWidth={width} fill="none" strokeLinecap="square" />
    </pattern>
  );
  return (
    <defs>
      {pattern('dots', 7, 'var(--tint-2)', 'var(--tint-5)', 'M2 2h.01M5.5 5.5h.01', 1.5)}
      {pattern('hatch', 9, 'var(--tint-1)', 'var(--tint-4)', 'M-2 2 2 -2M0 9 9 0M7 11 11 7', 1.2)}
      {pattern('cross', 8, 'var(--tint-2)', 'var(--line-strong)', 'M0 0 8 8M8 0 0 8', 0.7)}
      {pattern('glass', 22, 'var(--sheet)', 'var(--tint-4)', 'M4 14 14 4M9 15 15 9', 1.2)}
      {pattern('rules', 5, 'var(--tint-1)', 'var(--line-strong)', 'M0 2.5H5', 0.8)}
      {pattern('buff', 10, 'var(--buff)', 'var(--line-strong)', 'M2 2h.01M7 7h.01', 1.2)}
      {pattern('stop', 10, 'var(--stop-soft)', 'var(--stop)', 'M0 0 10 10M10 0 0 10', 1)}
      {pattern('warn', 9, 'var(--warn-soft)', 'var(--warn)', 'M-2 7 7 -2M2 11 11 2', 1.1)}
      <linearGradient id={`${prefix}-flash`} x1="0" y1="0" x2="1" y2="0.35">
        <stop offset="0" stopColor="#f2c14b" />
        <stop offset="0.28" stopColor="#ef7fb0" />
        <stop offset="0.52" stopColor="#7d8cf0" />
        <stop offset="0.76" stopColor="#4fc3d9" />
        <stop offset="1" stopColor="#8fd694" />
      </linearGradient>
    </defs>
  );
});

export const KINDS = {
  gloss: { name: 'Paint, gloss', fill: 'tint-2' },
  matte: { name: 'Matte, satin', fill: 'dots' },
  film: { name: 'Film, wrap', fill: 'hatch' },
  trim: { name: 'Trim, rubber', fill: 'cross' },
  glass: { name: 'Glass, lenses', fill: 'glass' },
  metal: { name: 'Wheels, metal', fill: 'rules' },
  other: { name: 'Gelcoat, wood, interior', fill: 'buff' },
  clear: { name: 'Keep clear', fill: 'stop' },
} as const satisfies Record<string, { name: string; fill: Fill }>;
export type Kind = keyof typeof KINDS;

const KIND_OF: Readonly<Record<SubstrateId, Kind>> = {
  'clear-gloss': 'gloss',
  'clear-matte': 'matte',
  'single-stage': 'gloss',
  'film-gloss': 'film',
  'film-matte': 'matte',
  vinyl: 'film',
  'gloss-black': 'trim',
  'textured-plastic': 'trim',
  'lens-plastic': 'glass',
  glass: 'glass',
  windscreen: 'glass',
  chrome: 'metal',
  'bare-metal': 'metal',
  wheel: 'metal',
  caliper: 'metal',
  rubber: 'trim',
  plate: 'trim',
  fabric: 'other',
  leather: 'other',
  'interior-plastic': 'other',
  gelcoat: 'other',
  'aircraft-paint': 'gloss',
  'acrylic-window': 'glass',
  carbon: 'other',
  wood: 'other',
  'camera-lens': 'glass',
  sensor: 'clear',
  'brake-disc': 'clear',
  grip: 'clear',
};

export function kindOf(substrate: SubstrateId): Kind {
  return KIND_OF[substrate];
}
