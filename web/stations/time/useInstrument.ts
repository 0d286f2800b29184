import { useEffect, useState } from 'react';
import { BELIEVED_C, BELIEVED_RH_PCT } from '#core/time/bay-air';
import type { AirReading } from '#formats/job';
import { addressOf } from '../../app/address-of';
import { listenWhileVisible } from '../../app/event-source';

const isBelieved = ({ airC, rhPct }: AirReading) =>
  airC >= BELIEVED_C[0] && airC <= BELIEVED_C[1] && rhPct >= BELIEVED_RH_PCT[0] && rhPct <= BELIEVED_RH_PCT[1];

/** What a bay's thermo-hygrometer says; undefined until it has, null where it does not answer, or says what no bay has. */
export function useInstrument(bayId: string): AirReading | null | undefined {
  const [reading, setReading] = useState<AirReading | null>();
  useEffect(() => {
    const url = addressOf('readings', { id: bayId });
    const silent = () => setReading(null);
    const read = (data: string) => {
      const said = JSON.parse(data) as AirReading;
      setReading(isBelieved(said) ? said : null);
    };
    return listenWhileVisible(url, { reading: read, silent }, undefined, silent);
  }, [bayId]);
  return reading;
}
