import type { Job } from '#formats/job';
import { Tick } from './Tick';

type Offers = Omit<NonNullable<NonNullable<Job['prepare']>['site']>, 'airC'>;

const NAMES: Readonly<Record<keyof Offers, string>> = {
  runningWater: 'Running water',
  drain: 'A drain for it',
  power: 'Power',
  shade: 'Shade or a roof',
  lift: 'A lift',
};

interface Props {
  /** What is left out is there. */
  readonly offers: Offers | undefined;
  /** What has changed of it. */
  readonly onChange: (changes: Offers) => void;
}

/** What there is to work with at a place. */
export function OfferTicks({ offers, onChange }: Props) {
  return (Object.entries(NAMES) as [keyof Offers, string][]).map(([key, name]) => (
    <Tick key={key} label={name} on={offers?.[key] ?? true} onChange={(on) => onChange({ [key]: on })} />
  ));
}
