import { useEffect, useState } from 'react';
import type { AirReading } from '#formats/job';
import { listenWhileVisible } from '../../app/event-source';

/** What a bay's thermo-hygrometer says, as it says it; undefined until it has, null where it does not answer. */
export function useInstrument(bayId: string): AirReading | null | undefined {
  const [reading, setReading] = useState<AirReading | null>();
  useEffect(() => {
    const url = `/api/bays/${encodeURIComponent(bayId)}/thermo-hygrometer/stream`;
    const read = (data: string) => setReading(JSON.parse(data) as AirReading);
    return listenWhileVisible(url, { reading: read }, undefined, () => setReading(null));
  }, [bayId]);
  return reading;
}
