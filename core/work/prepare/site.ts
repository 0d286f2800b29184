import { type SiteNeed, STEP_KINDS, type StepKindId } from '#core/work/steps';

/** What the place of the work offers. */
export interface Site {
  readonly runningWater: boolean;
  readonly drain: boolean;
  readonly power: boolean;
  readonly shade: boolean;
  readonly airC: number;
}

export const FULL_SITE: Site = { runningWater: true, drain: true, power: true, shade: true, airC: 20 };

const LACKING: Readonly<Record<SiteNeed, (site: Site) => string | undefined>> = {
  'running-water': ({ runningWater, drain }) => {
    if (!runningWater) return 'there is no running water here';
    return drain ? undefined : 'what runs off has no drain to go to';
  },
  'above-freezing': ({ airC }) => (airC <= 0 ? `it freezes on at ${airC} °C` : undefined),
  power: ({ power }) => (power ? undefined : 'there is no power here'),
  shade: ({ shade }) => (shade ? undefined : 'there is no shade here'),
};

/** Why a step cannot be done at a site; undefined where it can. */
export function siteFault(kind: StepKindId, site: Site): string | undefined {
  for (const need of STEP_KINDS[kind].needs ?? []) {
    const lacking = LACKING[need](site);
    if (lacking) return lacking;
  }
  return undefined;
}
