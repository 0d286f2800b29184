import { LAYERING_RULES, RULE_IDS } from '#core/layers/rules';
import type { ItemSummary, JobSummary, ShelfProduct } from '#formats/job';
import { STATION_NAMES } from '../job/station-names';

/** Somewhere one can go, found by a few letters of its name. */
export interface Jump {
  readonly key: string;
  readonly name: string;
  /** Said quietly beside it, and searched as well. */
  readonly note?: string | undefined;
  readonly to: string;
}

export interface JumpGroup {
  readonly name: string;
  readonly jumps: readonly Jump[];
}

interface Known {
  readonly jobs: readonly JobSummary[];
  readonly items: readonly ItemSummary[];
  readonly products: readonly ShelfProduct[];
  /** The job one is in, with its panels. */
  readonly current?:
    | { readonly id: string; readonly title: string; readonly panels: readonly (readonly [string, string])[] }
    | undefined;
  /** The station one is in: a panel is opened there. */
  readonly station: string;
}

const PLACES: readonly Jump[] = [
  { key: 'today', name: 'Today', to: '/' },
  { key: 'items', name: 'Items', to: '/items' },
  { key: 'shelf', name: 'Shelf', note: 'product sheets', to: '/shelf' },
  { key: 'kit', name: 'Shelf of preparation', note: 'cleaners, pads, machines', to: '/shelf/preparation' },
  { key: 'rules', name: 'Rules of layering', to: '/shelf/rules' },
  { key: 'stock', name: 'Stock', note: 'bottles, tins, rolls, packs', to: '/stock' },
  { key: 'stock-take', name: 'Stock-take', to: '/stock/take' },
  { key: 'order', name: 'To order', note: 'what jobs to come are short of', to: '/stock/order' },
  { key: 'recall', name: 'Recall of a batch', to: '/stock/recall' },
  { key: 'learned', name: 'What weighings have taught', to: '/stock/learned' },
  { key: 'bays', name: 'Bays', note: 'air, instruments, hours', to: '/bays' },
  { key: 'people', name: 'Workshop: people', note: 'accounts, roles, PINs', to: '/workshop' },
  { key: 'devices', name: 'Workshop: devices and network', to: '/workshop/devices' },
  { key: 'backups', name: 'Workshop: backups', to: '/workshop/backups' },
  { key: 'record', name: 'Workshop: who did what', to: '/workshop/record' },
  { key: 'figures', name: 'Where figures come from', note: 'defaults and their sources', to: '/figures' },
];
const COMMANDS: readonly Jump[] = [
  { key: 'new-job', name: 'New job', note: 'command', to: '/new' },
  { key: 'new-sheet', name: 'New product sheet', note: 'command', to: '/shelf/new' },
];

/** Everything one can jump to, the nearest first. */
export function jumpGroups({ jobs, items, products, current, station }: Known): JumpGroup[] {
  return [
    ...(current
      ? [
          {
            name: `Stations of ${current.title}`,
            jumps: STATION_NAMES.map(([path, name]) => ({ key: path, name, to: `/jobs/${current.id}/${path}` })),
          },
          {
            name: 'Panels of this job',
            jumps: current.panels.map(([id, name]) => ({
              key: id,
              name,
              to: `/jobs/${current.id}/${station}?panel=${encodeURIComponent(id)}`,
            })),
          },
        ]
      : []),
    { name: 'Places and commands', jumps: [...COMMANDS, ...PLACES] },
    {
      name: 'Jobs',
      jumps: jobs.map(({ id, title, ownerName }) => ({
        key: id,
        name: title,
        note: ownerName,
        to: `/jobs/${id}/survey`,
      })),
    },
    {
      name: 'Items',
      jumps: items.map(({ id, name, ownerName }) => ({
        key: id,
        name,
        note: ownerName ?? undefined,
        to: `/items/${encodeURIComponent(id)}`,
      })),
    },
    {
      name: 'Products',
      jumps: products.map(({ id, sheet }) => ({ key: id, name: sheet.name, to: `/shelf/${id}` })),
    },
    {
      name: 'Rules',
      jumps: RULE_IDS.map((id) => ({ key: id, name: LAYERING_RULES[id].says, to: `/shelf/rules#${id}` })),
    },
  ];
}
