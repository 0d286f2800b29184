import type { Passport } from '#formats/passport';

/** Panels on which the same lies, cut open. */
export interface Section {
  readonly panels: readonly string[];
  /** Bottom first: what was found, then what was laid. */
  readonly strata: readonly { readonly name: string; readonly laid: boolean; readonly coats: number }[];
  /** Least clear known on them, µm; undefined: nobody knows. */
  readonly clearUm?: number;
}

/** Panels by what lies on them, most panels first. */
export function sectionsOf(panels: Passport['panels']): Section[] {
  const groups = new Map<string, Section & { panels: string[] }>();
  for (const { name, found, layers, clearUm } of panels) {
    const strata = [
      ...found.map((family) => ({ name: family.replaceAll('-', ' '), laid: false, coats: 1 })),
      ...layers.map(({ product, coats }) => ({ name: product, laid: true, coats })),
    ];
    const key = JSON.stringify(strata);
    const known = groups.get(key) ?? { panels: [], strata };
    const least = Math.min(known.clearUm ?? Infinity, clearUm ?? Infinity);
    groups.set(key, { ...known, panels: [...known.panels, name], ...(least < Infinity && { clearUm: least }) });
  }
  return [...groups.values()].sort((a, b) => b.panels.length - a.panels.length);
}

const WIDTH = 96;
const STRATUM = 26;
/** Clear, colour and what is beneath, heights. */
const GROUND = [
  ['clear', 20],
  ['colour', 12],
  ['panel', 16],
] as const;

/** A section as SVG: a stratum a layer over the ground, not to scale. Words stand beside it, not in it. */
export function sectionSvg({ strata }: Section, inkOf: (product: string) => string): string {
  const height = strata.length * STRATUM + GROUND.reduce((sum, [, high]) => sum + high, 0);
  let y = 0;
  const band = (high: number, fill: string, more = '') => {
    const drawn = `<rect x="1" y="${y + 1}" width="${WIDTH - 2}" height="${high}" fill="${fill}" stroke="#10212d"${more}/>`;
    y += high;
    return drawn;
  };
  const layers = strata
    .toReversed()
    .map(({ name, laid }) => band(STRATUM, laid ? inkOf(name) : '#eef1f2', laid ? '' : ' stroke-dasharray="4 3"'));
  const inks = { clear: '#ffffff', colour: '#7fb0c4', panel: '#cfd8dc' };
  const ground = GROUND.map(([what, high]) => band(high, inks[what]));
  return `<svg viewBox="0 0 ${WIDTH} ${height + 2}" width="${WIDTH}" height="${height + 2}" aria-hidden="true">${[...layers, ...ground].join('')}</svg>`;
}
