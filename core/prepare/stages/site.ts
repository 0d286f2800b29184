import { type SiteNeed, STEP_KINDS, type StepKindId } from '#core/prepare/steps';
import { kindOrder } from './kind-order';
import type { PrepareSchools } from './schools';

/** What the place of the work offers. */
export interface Site {
  readonly runningWater: boolean;
  readonly drain: boolean;
  readonly power: boolean;
  readonly shade: boolean;
  /** The item can be raised whole; else it is jacked corner by corner. */
  readonly lift: boolean;
  readonly airC: number;
}

export const FULL_SITE: Site = { runningWater: true, drain: true, power: true, shade: true, lift: true, airC: 20 };

/** Below this nothing is rinsed, and the lubricant of a clay freezes, °C. */
const FROST_C = 3;

const LACKING: Readonly<Record<SiteNeed, (site: Site) => string | undefined>> = {
  'running-water': ({ runningWater }) => (runningWater ? undefined : 'there is no running water here'),
  drain: ({ drain }) => (drain ? undefined : 'what runs off has no drain to go to'),
  'above-freezing': ({ airC }) => (airC < FROST_C ? `it freezes on at ${airC} °C` : undefined),
  power: ({ power }) => (power ? undefined : 'there is no power here'),
};

/** Why a step cannot be done at a site; undefined where it can. */
export function siteFault(kind: StepKindId, site: Site): string | undefined {
  for (const need of STEP_KINDS[kind].needs ?? []) {
    const lacking = LACKING[need](site);
    if (lacking) return lacking;
  }
  return undefined;
}

/** A job that moves: from a step on it is done somewhere else. */
export interface Move {
  readonly from: StepKindId;
  readonly site: Site;
}

interface Sited {
  readonly site: Site;
  readonly move?: Move | undefined;
  readonly schools: PrepareSchools;
}

/** Where a step is done. */
export function siteOf(kind: StepKindId, { site, move, schools }: Sited): Site {
  if (!move) return site;
  const order = kindOrder(schools);
  return order.indexOf(kind) >= order.indexOf(move.from) ? move.site : site;
}

/** Why a step cannot be done where it is due. */
export const siteFaultOf = (kind: StepKindId, sited: Sited): string | undefined => siteFault(kind, siteOf(kind, sited));

/** Why nothing may run off there: neither rinsed at all, nor rinsed to the ground. */
export const rinseFault = (kind: StepKindId, sited: Sited): string | undefined => {
  const site = siteOf(kind, sited);
  return LACKING['running-water'](site) ?? LACKING.drain(site) ?? LACKING['above-freezing'](site);
};
