import { useEffect, useState } from 'react';
import type { AirReading } from '#formats';

/** What a bay's thermo-hygrometer says, as it says it; undefined until it has, null where it does not answer. */
export function useInstrument(bayId: string): AirReading | null | undefined {
  const [reading, setReading] = useState<AirReading | null>();
  useEffect(() => {
    const source = new EventSource(`/api/bays/${encodeURIComponent(bayId)}/thermo-hygrometer/stream`);
    source.addEventListener('reading', (event) =>
      setReading(JSON.parse((event as MessageEvent<string>).data) as AirReading),
    );
    source.addEventListener('error', () => setReading(null));
    return () => source.close();
  }, [bayId]);
  return reading;
}
